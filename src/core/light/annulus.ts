import { backwardShare, prepareSpread, spreadKey } from '../units/spread';
import type { AnnulusSurface } from './surfaces';
import type { Emitter } from './emitter';

const AZIMUTHS = 48;
const PATCHES_AROUND = 32;

/**
 * Share of an emitter's flux that lands on an annulus in the plane below it. The emitter's axis
 * stands on the plane. Each azimuth's stretches of the ring are integrated in closed form, the
 * azimuths by the midpoint rule.
 * @returns 0…1; 0 for an emitter in or below the plane
 */
export function shareOnAnnulus(emitter: Emitter, annulus: AnnulusSurface): number {
  const height = emitter.positionM[2] - annulus.heightM;
  if (height <= 0 || emitter.axis[2] < 1 - 1e-9) return 0;
  const spread = prepareSpread(emitter.spread);
  const away = Math.hypot(emitter.positionM[0], emitter.positionM[1]);
  const within = (radius: number) => backwardShare(spread, Math.atan2(radius, height));
  let sum = 0;
  for (let k = 0; k < AZIMUTHS; k++) {
    const azimuth = ((k + 0.5) / AZIMUTHS) * 2 * Math.PI;
    const outer = chordAlong(away, azimuth, annulus.outerRadiusM);
    const inner = chordAlong(away, azimuth, annulus.innerRadiusM);
    if (outer) sum += within(outer[1]) - within(outer[0]);
    if (inner) sum -= within(inner[1]) - within(inner[0]);
  }
  return sum / AZIMUTHS;
}

/** Where a ray in the plane, starting `away` from a circle's centre, is inside the circle. */
function chordAlong(away: number, azimuth: number, radius: number): [number, number] | null {
  const middle = -away * Math.cos(azimuth);
  const halfSquared = radius * radius - (away * Math.sin(azimuth)) ** 2;
  if (halfSquared <= 0) return null;
  const half = Math.sqrt(halfSquared);
  if (middle + half <= 0) return null;
  return [Math.max(0, middle - half), middle + half];
}

/** Two-point Gauss abscissae on 0…1; in radius² they weigh equal areas. */
const GAUSS = [0.5 - Math.sqrt(3) / 6, 0.5 + Math.sqrt(3) / 6];

/**
 * The annulus's returned light as Lambertian patches: its exitance ρ·Φ/A is taken as even over
 * the whole ring, which is a fair estimate beyond about one ring width away.
 * @param arrivingLm flux that lands on the ring
 */
export function annulusPatches(annulus: AnnulusSurface, arrivingLm: number): Emitter[] {
  const luminousFluxLm = (arrivingLm * annulus.reflectance) / (PATCHES_AROUND * GAUSS.length);
  const inner = annulus.innerRadiusM ** 2;
  const outer = annulus.outerRadiusM ** 2;
  return GAUSS.flatMap((fraction) => {
    const radius = Math.sqrt(inner + (outer - inner) * fraction);
    return Array.from({ length: PATCHES_AROUND }, (_, k): Emitter => {
      const angle = (2 * Math.PI * (k + fraction)) / PATCHES_AROUND;
      return {
        positionM: [radius * Math.cos(angle), radius * Math.sin(angle), annulus.heightM],
        axis: [0, 0, 1],
        luminousFluxLm,
        spread: { class: 'lambert' },
      };
    });
  });
}

/** Light that returns from a ring, as patches. */
export function annulusReturn(emitters: readonly Emitter[], surface: AnnulusSurface): Emitter[] {
  const seen = new Map<string, number>();
  const arriving = emitters.reduce((sum, emitter) => {
    // Rings repeat the same height and radius: one integral serves all of them.
    const away = Math.hypot(emitter.positionM[0], emitter.positionM[1]);
    const key = `${away.toFixed(6)} ${emitter.positionM[2]} ${spreadKey(emitter.spread)}`;
    const share = seen.get(key) ?? shareOnAnnulus(emitter, surface);
    seen.set(key, share);
    return sum + share * emitter.luminousFluxLm;
  }, 0);
  return arriving > 0 ? annulusPatches(surface, arriving) : [];
}
