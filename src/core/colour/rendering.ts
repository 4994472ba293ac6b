import { columnOf, type Spectrum } from './grid';
import { cctOfUv, type Chromaticity } from './planck';
import { referenceFor } from './reference';
import { TEST_SAMPLES } from './tables/testSamples';
import { duvOf, uvOf, xyOf } from './chromaticity';
import { ofUnitLuminance, xyzOf } from './tristimulus';

export const SAMPLES = 14;
const REFLECTANCES = Array.from({ length: SAMPLES }, (_, k) => columnOf(TEST_SAMPLES, k));

/** Beyond this distance from the reference, in CIE 1960 u, v, the index means little [std: CIE 13.3]. */
const FAR_UV = 5.4e-3;

/** What a spectrum says of its light. */
export interface ColourFigures {
  x: number;
  y: number;
  /** CIE 1976 */
  uPrime: number;
  vPrime: number;
  cctK: number;
  duv: number;
  /** general colour rendering index; may be negative */
  ra: number;
  /** special indices R1…R14 */
  special: number[];
  /** false where the light lies too far from white for the index to mean anything */
  meaningful: boolean;
}

/** The c and d of CIE 13.3's chromatic adaptation. */
const adapted = ({ u, v }: Chromaticity) => ({
  c: (4 - u - 10 * v) / v,
  d: (1.708 * v + 0.404 - 1.481 * u) / v,
});

type Uvw = readonly [u: number, v: number, w: number];

/** CIE 1964 U*, V*, W* of every sample under a light of unit luminance, adapted to a white. */
function samplesUnder(light: Spectrum, white: Chromaticity): Uvw[] {
  const own = adapted(uvOf(xyzOf(light)));
  const wanted = adapted(white);
  return REFLECTANCES.map((reflectance) => {
    const xyz = xyzOf(light, reflectance);
    const { c, d } = adapted(uvOf(xyz));
    const [cc, dd] = [(wanted.c / own.c) * c, (wanted.d / own.d) * d];
    const denominator = 16.518 + 1.481 * cc - dd;
    const u = (10.872 + 0.404 * cc - 4 * dd) / denominator;
    const v = 5.52 / denominator;
    const w = 25 * Math.cbrt(100 * xyz[1]) - 17;
    return [13 * w * (u - white.u), 13 * w * (v - white.v), w];
  });
}

/**
 * Chromaticity, colour temperature and colour rendering of a light [std: CIE 15, CIE 13.3-1995].
 * Throws on a spectrum without visible power; those are refused at the door.
 */
export function colourFigures(spectrum: Spectrum): ColourFigures {
  const light = ofUnitLuminance(spectrum);
  const xyz = xyzOf(light);
  const place = uvOf(xyz);
  const cctK = cctOfUv(place);
  const reference = referenceFor(cctK);
  const white = uvOf(xyzOf(reference));
  const under = samplesUnder(light, white);
  const beside = samplesUnder(reference, white);
  const special = under.map(
    ([u, v, w], k) =>
      100 - 4.6 * Math.hypot(u - beside[k]![0], v - beside[k]![1], w - beside[k]![2]),
  );
  const [x, y] = xyOf(xyz);
  return {
    x,
    y,
    uPrime: place.u,
    vPrime: 1.5 * place.v,
    cctK,
    duv: duvOf(place, cctK),
    ra: special.slice(0, 8).reduce((sum, index) => sum + index, 0) / 8,
    special,
    meaningful: Math.hypot(place.u - white.u, place.v - white.v) <= FAR_UV,
  };
}
