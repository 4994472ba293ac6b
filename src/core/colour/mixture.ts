import { blend, spectrumOf, type Spectrum } from './grid';
import { C2_M_K } from './planck';
import { ofUnitLuminance } from './tristimulus';

const C2_NM_K = C2_M_K * 1e9;

/** Spectra mixed by their lux at the subject, at unit luminance; null in the dark. */
export function mixed(
  parts: readonly { illuminanceLx: number; spectrum: Spectrum }[],
): Spectrum | null {
  const lit = parts.filter(({ illuminanceLx }) => illuminanceLx > 0);
  if (lit.length === 0) return null;
  return ofUnitLuminance(
    blend(lit.map(({ illuminanceLx, spectrum }) => [illuminanceLx, ofUnitLuminance(spectrum)])),
  );
}

/**
 * A spectrum behind a layer that shifts by so many mired (+ warmer): the filter e^(−c2·ΔM/λ), which moves
 * a black body by exactly that in Wien's approximation.
 */
export function shifted(spectrum: Spectrum, shiftMired: number): Spectrum {
  const filter = spectrumOf((nm) => Math.exp((-C2_NM_K * shiftMired * 1e-6) / nm));
  return ofUnitLuminance(spectrum.map((power, k) => power * filter[k]!));
}
