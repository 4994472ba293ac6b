import * as z from 'zod/mini';
import { list, range } from '../schema';

/** A metered spectrum, relative power by wavelength. */
export const spectrumSchema = z
  .object({
    wavelengthsNm: list(range(200, 1200), 5, 600),
    power: list(range(0, 1e12), 5, 600),
  })
  .check(
    z.refine(
      ({ wavelengthsNm, power }) =>
        wavelengthsNm.length === power.length &&
        wavelengthsNm.every((nm, k) => k === 0 || nm > wavelengthsNm[k - 1]!) &&
        power.some((each) => each > 0),
      'wavelengths must rise, one power each, and not all dark',
    ),
  );
export type MeasuredSpectrum = z.infer<typeof spectrumSchema>;
