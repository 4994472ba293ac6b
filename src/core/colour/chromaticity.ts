import { cctOfUv, planckianUv, type Chromaticity } from './planck';

/** X, Y, Z; for a source of unit luminance Y = 1. */
export type Xyz = readonly [x: number, y: number, z: number];

/** CIE 1960 u, v of tristimulus values [std: CIE 15]. */
export function uvOf([x, y, z]: Xyz): Chromaticity {
  const denominator = x + 15 * y + 3 * z;
  return { u: (4 * x) / denominator, v: (6 * y) / denominator };
}

/** Tristimulus values of luminance 1 from CIE 1960 u, v [std: CIE 15]. */
export function xyzOfUv({ u, v }: Chromaticity): Xyz {
  const denominator = 2 * u - 8 * v + 4;
  return xyzOfXy((3 * u) / denominator, (2 * v) / denominator);
}
/** The same from x, y. */
export const xyzOfXy = (x: number, y: number): Xyz => [x / y, 1, (1 - x - y) / y];

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

/** Chromaticity x, y of a daylight phase [std: CIE 15, eq. 3.2 to 3.4]. 4000…25 000 K */
export function daylightXy(cctK: number): readonly [x: number, y: number] {
  const t = 1000 / cctK;
  const x =
    cctK <= 7000
      ? -4.607 * t ** 3 + 2.9678 * t ** 2 + 0.09911 * t + 0.244063
      : -2.0064 * t ** 3 + 1.9018 * t ** 2 + 0.24748 * t + 0.23704;
  return [x, -3 * x ** 2 + 2.87 * x - 0.275];
}
