import { cctOfUv, planckianUv, type Chromaticity } from './planck';

/** One source's part in a mixture at the subject. */
export interface MixPart {
  cctK: number;
  /** where a colour lies off the locus; its cctK is then the nearest */
  uv?: Chromaticity | null;
  /** its illuminance at the subject, any one unit for all parts, ≥ 0 */
  illuminanceLx: number;
}

/**
 * Chromaticity of several sources mixed at the subject, each taken to lie on the Planckian locus unless it tells its own place.
 * In u, v = (4X, 6Y)/(X+15Y+3Z) a source of luminance Y has X+15Y+3Z = 6Y/v, so the mixture is
 * the mean of u, v weighted by Y/v [std: CIE 15 additivity of tristimulus values].
 * @returns null when no part gives light
 */
export function mixedUv(parts: readonly MixPart[]): Chromaticity | null {
  let [sumU, sumV, total] = [0, 0, 0];
  for (const { cctK, uv, illuminanceLx } of parts) {
    if (!(illuminanceLx > 0)) continue;
    const locus = uv ?? planckianUv(cctK);
    const weight = illuminanceLx / locus.v;
    sumU += weight * locus.u;
    sumV += weight * locus.v;
    total += weight;
  }
  return total > 0 ? { u: sumU / total, v: sumV / total } : null;
}

/** CCT of the same mixture, K; null when no part gives light. */
export function mixedCctK(parts: readonly MixPart[]): number | null {
  const lit = parts.filter((part) => part.illuminanceLx > 0);
  const uv = mixedUv(lit);
  if (uv === null) return null;
  // One and the same colour comes back as it is, without the locus' rounding.
  return lit.every((part) => !part.uv && part.cctK === lit[0]!.cctK) ? lit[0]!.cctK : cctOfUv(uv);
}

/** A colour moved as the white nearest to it moves from one temperature to another: behind a gel or a layer that shifts it. */
export function movedAs({ u, v }: Chromaticity, fromK: number, toK: number): Chromaticity {
  const [from, to] = [planckianUv(fromK), planckianUv(toK)];
  return { u: u + to.u - from.u, v: v + to.v - from.v };
}
