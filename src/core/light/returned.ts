import { annulusReturn } from './annulus';
import type { RectangleSurface, ReflectingSurface } from './surfaces';
import { packEmitters, type Emitter } from './emitter';
import { illuminanceLx } from './illuminance';

/** Patches along the longer side, the fewest along the other: so many steps has a flag's shadow at least. */
const PATCHES = 12;
const LEAST_PATCHES = 8;
/** The most points along a side of each. */
const MOST_POINTS = 4;

/** Every emitter's light that returns from the surfaces, as Lambertian patches. */
export function returnedLight(
  emitters: readonly Emitter[],
  surfaces: readonly ReflectingSurface[],
): Emitter[] {
  return surfaces.flatMap((surface) =>
    surface.kind === 'annulus'
      ? annulusReturn(emitters, surface)
      : rectangleReturn(emitters, surface),
  );
}

/**
 * A rectangle's returned light: the mean illuminance over each patch times its area and ρ. The nearer
 * the lamps, the more points a patch is read at; what the reading still overshoots is taken back, so
 * that no more comes than was sent.
 */
function rectangleReturn(emitters: readonly Emitter[], surface: RectangleSurface): Emitter[] {
  const { widthM, lengthM, heightM, reflectance } = surface;
  const field = packEmitters(emitters);
  const columns =
    widthM >= lengthM ? PATCHES : Math.max(LEAST_PATCHES, Math.round((PATCHES * widthM) / lengthM));
  const rows =
    widthM >= lengthM ? Math.max(LEAST_PATCHES, Math.round((PATCHES * lengthM) / widthM)) : PATCHES;
  const [w, d] = [widthM / columns, lengthM / rows];
  const nearestM = Math.min(...emitters.map(({ positionM }) => positionM[2] - heightM));
  const points = Math.min(MOST_POINTS, Math.max(1, Math.ceil((2 * Math.max(w, d)) / nearestM)));
  const lit = Array.from({ length: columns * rows }, (_, k) => {
    const [x, y] = [(k % columns) * w - widthM / 2, Math.floor(k / columns) * d - lengthM / 2];
    let sum = 0;
    for (let p = 0; p < points * points; p++) {
      const at = [
        x + (((p % points) + 0.5) / points) * w,
        y + ((Math.floor(p / points) + 0.5) / points) * d,
        heightM,
      ] as const;
      sum += illuminanceLx(field, at, [0, 0, 1]);
    }
    return {
      at: [x + w / 2, y + d / 2, heightM] as const,
      arrivingLm: (sum / points ** 2) * w * d,
    };
  });
  const arriving = lit.reduce((sum, patch) => sum + patch.arrivingLm, 0);
  const sent = emitters.reduce((sum, emitter) => sum + emitter.luminousFluxLm, 0);
  const keep = arriving > sent ? sent / arriving : 1;
  return lit.flatMap(({ at, arrivingLm }): Emitter[] =>
    arrivingLm > 0
      ? [
          {
            positionM: at,
            axis: [0, 0, 1],
            luminousFluxLm: arrivingLm * keep * reflectance,
            spread: { class: 'lambert' },
          },
        ]
      : [],
  );
}
