import { daylightXy } from './chromaticity';
import { blend, columnOf, spectrumOf, type Spectrum } from './grid';
import { C2_M_K } from './planck';
import { DAYLIGHT } from './tables/daylight';
import { ofUnitLuminance } from './tristimulus';

/** Black body of a temperature, at unit luminance. @param temperatureK 1000…25 000 */
export const planckian = (temperatureK: number): Spectrum =>
  ofUnitLuminance(
    spectrumOf((nm) => {
      const metres = nm * 1e-9;
      return 1 / ((metres * 1e7) ** 5 * Math.expm1(C2_M_K / (metres * temperatureK)));
    }),
  );

const S = [0, 1, 2].map((column) => columnOf(DAYLIGHT, column));

/** A phase of daylight, at unit luminance [std: CIE 15]. @param cctK 4000…25 000 */
export function daylight(cctK: number): Spectrum {
  const [x, y] = daylightXy(cctK);
  const m = 0.0241 + 0.2562 * x - 0.7341 * y;
  const m1 = (-1.3515 - 1.7703 * x + 5.9114 * y) / m;
  const m2 = (0.03 - 31.4424 * x + 30.0717 * y) / m;
  return ofUnitLuminance(
    blend([
      [1, S[0]!],
      [m1, S[1]!],
      [m2, S[2]!],
    ]),
  );
}

/** What a source is judged against: a black body below 5000 K, daylight from there [std: CIE 13.3]. */
export const referenceFor = (cctK: number): Spectrum =>
  cctK < 5000 ? planckian(cctK) : daylight(Math.min(25_000, cctK));
