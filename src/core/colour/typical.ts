import type { Emission } from './emission';
import { blend, columnOf, spectrumOf, type Spectrum } from './grid';
import { planckianUv, type Chromaticity } from './planck';
import { daylight, planckian, referenceFor } from './reference';
import { colourFigures } from './rendering';
import { FLUORESCENT } from './tables/fluorescent';
import { uvOf, type Xyz } from './chromaticity';
import { ofUnitLuminance, xyzOf } from './tristimulus';

/** A peak of a given full width at half its height. */
const peak = (atNm: number, widthNm: number): Spectrum =>
  spectrumOf((nm) => Math.exp(-4 * Math.LN2 * ((nm - atNm) / widthNm) ** 2));

/** Weights that bring three lights of unit luminance to a chromaticity: Y stays 1. */
export function weightsFor(parts: readonly Spectrum[], { u, v }: Chromaticity): number[] {
  // At Y = 1, u and v give X and Z [std: CIE 15]; three linear equations in three weights.
  const x = (3 * u) / (2 * v);
  const z = (4 - u - 10 * v) / (2 * v);
  const [a, b, c] = parts.map((part) => xyzOf(part)) as [Xyz, Xyz, Xyz];
  const determinant = (p: Xyz, q: Xyz, r: Xyz) =>
    p[0] * (q[1] * r[2] - q[2] * r[1]) -
    q[0] * (p[1] * r[2] - p[2] * r[1]) +
    r[0] * (p[1] * q[2] - p[2] * q[1]);
  const wanted: Xyz = [x, 1, z];
  const whole = determinant(a, b, c);
  return [
    determinant(wanted, b, c) / whole,
    determinant(a, wanted, c) / whole,
    determinant(a, b, wanted) / whole,
  ];
}

/** Three peaks mixed to a white of a colour temperature; null when that takes a negative part. */
function whiteOf(parts: readonly Spectrum[], cctK: number): Spectrum | null {
  const bright = parts.map(ofUnitLuminance);
  const place = cctK < 5000 ? planckianUv(cctK) : uvOf(xyzOf(referenceFor(cctK)));
  const weights = weightsFor(bright, place);
  if (weights.some((weight) => weight < 0)) return null;
  return blend(weights.map((weight, k) => [weight, bright[k]!] as const));
}

const RED_WIDTH_NM = 84;
/** Places of the red phosphor tried first. */
const COARSE_NM = [588, 596, 604, 612, 620, 628, 636, 644, 652];

/** The blue chip, the green-yellow phosphor and a red one of a white LED [typ: shape from memory]. */
const ledWith = (redNm: number, redWidthNm: number, cctK: number): Spectrum | null =>
  whiteOf([peak(452, 22), peak(537, 105), peak(redNm, redWidthNm)], cctK);

/**
 * A white LED with a blue chip, on the white line at its colour temperature: the red phosphor's place
 * is the one whose Ra comes nearest to the label's. A stand-in where nobody has measured [typ].
 */
export function phosphorLed(cctK: number, criRa: number): Spectrum {
  const tried = (redNm: number) => {
    const spectrum = ledWith(redNm, RED_WIDTH_NM, cctK);
    return spectrum ? [{ redNm, spectrum, off: Math.abs(colourFigures(spectrum).ra - criRa) }] : [];
  };
  const nearest = (some: ReturnType<typeof tried>) =>
    some.toSorted((one, other) => one.off - other.off)[0];
  const coarse = nearest(COARSE_NM.flatMap(tried));
  if (!coarse) return referenceFor(cctK);
  const fine = [-6, -4, -2, 2, 4, 6].flatMap((step) => tried(coarse.redNm + step));
  return nearest([coarse, ...fine])!.spectrum;
}

/** Red, green and blue diodes: narrow peaks, at unit luminance [typ]. */
export const DIODES = {
  red: ofUnitLuminance(peak(630, 18)),
  green: ofUnitLuminance(peak(525, 34)),
  blue: ofUnitLuminance(peak(462, 24)),
};
/** White from red, green and blue diodes. */
export const colourLed = (cctK: number): Spectrum =>
  whiteOf([DIODES.blue, DIODES.green, DIODES.red], cctK) ?? planckian(cctK);

/** Three-band fluorescent lamps of 3000, 4000 and 5000 K [std: CIE 15, F12, F11, F10]. */
const THREE_BAND: readonly (readonly [cctK: number, column: number])[] = [
  [3000, 11],
  [4000, 10],
  [5000, 9],
];

/** A three-band fluorescent lamp between those of CIE 15, mixed by mired; held outside 3000…5000 K. */
function threeBand(cctK: number): Spectrum {
  const lamp = (k: number) => ofUnitLuminance(columnOf(FLUORESCENT, THREE_BAND[k]![1]));
  const k = cctK < THREE_BAND[1]![0] ? 0 : 1;
  const [warm, cool] = [THREE_BAND[k]![0], THREE_BAND[k + 1]![0]];
  const share = Math.min(1, Math.max(0, (1 / cctK - 1 / warm) / (1 / cool - 1 / warm)));
  return blend([
    [1 - share, lamp(k)],
    [share, lamp(k + 1)],
  ]);
}

/** The spectrum that stands in for a source nobody has measured, at unit luminance [typ]. */
export function typicalSpectrum(emission: Emission, cctK: number, criRa: number): Spectrum {
  switch (emission) {
    case 'filament':
      return planckian(cctK);
    case 'phosphor-led':
      return phosphorLed(cctK, criRa);
    case 'colour-led':
      return colourLed(cctK);
    case 'fluorescent':
      return threeBand(cctK);
    case 'daylight':
      return cctK < 4000 ? planckian(cctK) : daylight(cctK);
  }
}
