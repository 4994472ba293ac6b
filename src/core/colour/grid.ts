/** A published table at equal steps of wavelength, one row a step. */
export interface SampledTable {
  startNm: number;
  stepNm: number;
  rows: readonly (readonly number[])[];
}

/** The wavelengths every spectrum is worked with: 360–830 nm at 1 nm, the range of the CIE 1931 observer. */
export const START_NM = 360;
export const COUNT = 471;

/** Spectral power, or reflectance, on the grid above; relative units. */
export type Spectrum = Float64Array;

/** A spectrum from a function of the wavelength in nm. */
export const spectrumOf = (at: (nm: number) => number): Spectrum =>
  Float64Array.from({ length: COUNT }, (_, k) => at(START_NM + k));

/**
 * One column of a table brought to the grid: straight lines between its rows, its end values held
 * [common practice; CIE 15 allows either].
 */
export function columnOf({ startNm, stepNm, rows }: SampledTable, column: number): Spectrum {
  return spectrumOf((nm) => {
    const place = Math.min(rows.length - 1, Math.max(0, (nm - startNm) / stepNm));
    const low = Math.min(rows.length - 2, Math.floor(place));
    const [from, to] = [rows[low]![column]!, rows[low + 1]![column]!];
    return from + (to - from) * (place - low);
  });
}

/** Σ weight·spectrum; the spectra are of equal length. */
export function blend(parts: readonly (readonly [weight: number, spectrum: Spectrum])[]): Spectrum {
  const sum = new Float64Array(COUNT);
  for (const [weight, spectrum] of parts)
    for (let k = 0; k < COUNT; k++) sum[k]! += weight * spectrum[k]!;
  return sum;
}
