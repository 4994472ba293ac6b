import * as z from 'zod/mini';
import { range } from '../schema';

/** Spread classes of handbook 02; θ is measured from the unit's axis, 0 = away from the base. */
export const spreadSchema = z.discriminatedUnion('class', [
  z.object({ class: z.literal('omni') }),
  z.object({ class: z.literal('forward') }),
  z.object({ class: z.literal('side') }),
  z.object({ class: z.literal('lambert') }),
  z.object({ class: z.literal('tube') }),
  z.object({ class: z.literal('reflector'), beamAngleDeg: range(2, 170) }),
]);
export type Spread = z.infer<typeof spreadSchema>;

/**
 * A distribution made ready for the kernels: I(θ) per lumen of total flux is
 * `peakPerLm` · shape(cos θ), so that the total flux is kept whatever the class.
 */
export interface PreparedSpread {
  class: Spread['class'];
  /** cd per lm */
  peakPerLm: number;
  /** cosine exponent m; only a reflector uses it */
  exponent: number;
}

/** Mean of the side-emitting shape over the sphere, (0.35·2 + 0.65·π/2)/2. */
const SIDE_MEAN = 0.35 + (0.65 * Math.PI) / 4;

/** Exponent m of cos^m θ whose full width at half the peak is the beam angle [handbook 02]. */
export const exponentOfBeam = (beamAngleDeg: number): number =>
  Math.log(0.5) / Math.log(Math.cos((beamAngleDeg * Math.PI) / 360));

export function prepareSpread(spread: Spread): PreparedSpread {
  const sphere = 4 * Math.PI;
  switch (spread.class) {
    case 'omni':
      return { class: 'omni', peakPerLm: 1 / sphere, exponent: 0 };
    case 'forward':
      return { class: 'forward', peakPerLm: 2 / sphere, exponent: 0 };
    case 'side':
      return { class: 'side', peakPerLm: 1 / (sphere * SIDE_MEAN), exponent: 0 };
    case 'lambert':
      return { class: 'lambert', peakPerLm: 1 / Math.PI, exponent: 1 };
    // I ∝ sin(angle to the tube's axis); Φ = π²·I0 [handbook 02].
    case 'tube':
      return { class: 'tube', peakPerLm: 1 / Math.PI ** 2, exponent: 0 };
    case 'reflector': {
      const exponent = exponentOfBeam(spread.beamAngleDeg);
      return { class: 'reflector', peakPerLm: (exponent + 1) / (2 * Math.PI), exponent };
    }
  }
}

/** Luminous intensity per lumen (cd/lm) at an angle of the given cosine from the axis. */
export function intensityPerLm(spread: PreparedSpread, cosTheta: number): number {
  switch (spread.class) {
    case 'omni':
      return spread.peakPerLm;
    case 'forward':
      return spread.peakPerLm * 0.5 * (1 + cosTheta);
    case 'side':
      return spread.peakPerLm * (0.35 + 0.65 * Math.sqrt(Math.max(0, 1 - cosTheta * cosTheta)));
    case 'tube':
      return spread.peakPerLm * Math.sqrt(Math.max(0, 1 - cosTheta * cosTheta));
    case 'lambert':
      return cosTheta > 0 ? spread.peakPerLm * cosTheta : 0;
    case 'reflector':
      return cosTheta > 0 ? spread.peakPerLm * cosTheta ** spread.exponent : 0;
  }
}

/**
 * Share of the total flux sent backwards within the half-angle ψ (0…π/2) round the axis's back:
 * 2π·∫₀^ψ I(π−t)·sin t dt per lumen, in closed form.
 */
export function backwardShare(spread: PreparedSpread, psiRad: number): number {
  const cosine = Math.cos(psiRad);
  const front = 2 * Math.PI * spread.peakPerLm;
  switch (spread.class) {
    case 'omni':
      return front * (1 - cosine);
    case 'forward':
      return (front / 2) * (1 - cosine) ** 2 * 0.5;
    case 'side':
      return front * (0.35 * (1 - cosine) + 0.65 * (psiRad / 2 - Math.sin(2 * psiRad) / 4));
    case 'tube':
      return front * (psiRad / 2 - Math.sin(2 * psiRad) / 4);
    case 'lambert':
    case 'reflector':
      return 0;
  }
}
