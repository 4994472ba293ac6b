import { cctOfUv, planckianUv, type Chromaticity } from './planck';

/** One source's part in a mixture at the subject. */
export interface MixPart {
  cctK: number;
  /** its illuminance at the subject, any one unit for all parts, ≥ 0 */
  illuminanceLx: number;
}

/**
 * Chromaticity of several sources mixed at the subject, each taken to lie on the Planckian locus.
 * In u, v = (4X, 6Y)/(X+15Y+3Z) a source of luminance Y has X+15Y+3Z = 6Y/v, so the mixture is
 * the mean of u, v weighted by Y/v [std: CIE 15 additivity of tristimulus values].
 * @returns null when no part gives light
 */
export function mixedUv(parts: readonly MixPart[]): Chromaticity | null {
  let [u, v, total] = [0, 0, 0];
  for (const { cctK, illuminanceLx } of parts) {
    if (!(illuminanceLx > 0)) continue;
    const locus = planckianUv(cctK);
    const weight = illuminanceLx / locus.v;
    u += weight * locus.u;
    v += weight * locus.v;
    total += weight;
  }
  return total > 0 ? { u: u / total, v: v / total } : null;
}

/** CCT of the same mixture, K; null when no part gives light. */
export function mixedCctK(parts: readonly MixPart[]): number | null {
  const lit = parts.filter((part) => part.illuminanceLx > 0);
  const uv = mixedUv(lit);
  if (uv === null) return null;
  // One and the same colour comes back as it is, without the locus' rounding.
  return lit.every((part) => part.cctK === lit[0]!.cctK) ? lit[0]!.cctK : cctOfUv(uv);
}
