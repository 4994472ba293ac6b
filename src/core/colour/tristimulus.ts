import { columnOf, COUNT, type Spectrum } from './grid';
import { cctOfUv, planckianUv, type Chromaticity } from './planck';
import { CIE1931_FINE } from './tables/cie1931Fine';

/** X, Y, Z; for a source of unit luminance Y = 1. */
export type Xyz = readonly [x: number, y: number, z: number];

const OBSERVER = [0, 1, 2].map((column) => columnOf(CIE1931_FINE, column));

/** Tristimulus values by summation at 1 nm over 360–830 nm [std: CIE 15], Y not normalised. */
export function xyzOf(spectrum: Spectrum, reflectance?: Spectrum): Xyz {
  const [xbar, ybar, zbar] = OBSERVER as [Spectrum, Spectrum, Spectrum];
  let [x, y, z] = [0, 0, 0];
  for (let k = 0; k < COUNT; k++) {
    const power = reflectance ? spectrum[k]! * reflectance[k]! : spectrum[k]!;
    x += xbar[k]! * power;
    y += ybar[k]! * power;
    z += zbar[k]! * power;
  }
  return [x, y, z];
}

/** The same spectrum with Y = 1, so that spectra mix by their lux. Throws on a dark one. */
export function ofUnitLuminance(spectrum: Spectrum): Spectrum {
  const [, luminance] = xyzOf(spectrum);
  if (!(luminance > 0)) throw new RangeError('a spectrum without visible power has no colour');
  return spectrum.map((power) => power / luminance);
}

/** CIE 1960 u, v of tristimulus values [std: CIE 15]. */
export function uvOf([x, y, z]: Xyz): Chromaticity {
  const denominator = x + 15 * y + 3 * z;
  return { u: (4 * x) / denominator, v: (6 * y) / denominator };
}

/** CIE 1931 chromaticity x, y. */
export function xyOf([x, y, z]: Xyz): readonly [x: number, y: number] {
  const sum = x + y + z;
  return [x / sum, y / sum];
}

/**
 * Distance from the Planckian locus in CIE 1960 u, v: positive above it (greenish), negative below
 * (pinkish) [std: ANSI C78.377].
 */
export function duvOf(place: Chromaticity, cctK = cctOfUv(place)): number {
  const locus = planckianUv(cctK);
  return Math.sign(place.v - locus.v) * Math.hypot(place.u - locus.u, place.v - locus.v);
}
