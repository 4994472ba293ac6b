import { cctOfUv, planckianUv } from './planck';

/** One source's part in a mixture at the subject. */
export interface MixPart {
  cctK: number;
  /** its illuminance at the subject, any one unit for all parts, ≥ 0 */
  illuminanceLx: number;
}

/**
 * CCT of several sources mixed at the subject, each taken to lie on the Planckian locus.
 * In u, v = (4X, 6Y)/(X+15Y+3Z) a source of luminance Y has X+15Y+3Z = 6Y/v, so the mixture is
 * the mean of u, v weighted by Y/v [std: CIE 15 additivity of tristimulus values].
 * @returns null when no part gives light
 */
export function mixedCctK(parts: readonly MixPart[]): number | null {
  const lit = parts.filter((part) => part.illuminanceLx > 0);
  if (lit.length === 0) return null;
  if (lit.every((part) => part.cctK === lit[0]!.cctK)) return lit[0]!.cctK;
  let [u, v, total] = [0, 0, 0];
  for (const { cctK, illuminanceLx } of lit) {
    const locus = planckianUv(cctK);
    const weight = illuminanceLx / locus.v;
    u += weight * locus.u;
    v += weight * locus.v;
    total += weight;
  }
  return cctOfUv({ u: u / total, v: v / total });
}
