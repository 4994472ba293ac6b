import { annulusReturn } from './annulus';
import {
  packEmitters,
  type Emitter,
  type RectangleSurface,
  type ReflectingSurface,
} from './emitter';
import { illuminanceLx } from './illuminance';

const PATCHES = 12;

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
 * A rectangle's returned light: the illuminance at the middle of each patch times its area and ρ.
 * Emitters nearer than half a patch make their patch too bright, so that the sum is kept to the
 * light that was sent.
 */
function rectangleReturn(emitters: readonly Emitter[], surface: RectangleSurface): Emitter[] {
  const { widthM, depthM, heightM, reflectance } = surface;
  const field = packEmitters(emitters);
  const columns = widthM >= depthM ? PATCHES : Math.max(2, Math.round((PATCHES * widthM) / depthM));
  const rows = widthM >= depthM ? Math.max(2, Math.round((PATCHES * depthM) / widthM)) : PATCHES;
  const patchM2 = (widthM * depthM) / (columns * rows);
  const lit: { at: readonly [number, number, number]; arrivingLm: number }[] = [];
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const at = [
        ((column + 0.5) / columns - 0.5) * widthM,
        ((row + 0.5) / rows - 0.5) * depthM,
        heightM,
      ] as const;
      lit.push({ at, arrivingLm: illuminanceLx(field, at, [0, 0, 1]) * patchM2 });
    }
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
