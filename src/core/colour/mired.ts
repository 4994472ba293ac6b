/** Reciprocal colour temperature, M = 10⁶/K; its own inverse. */
export const mired = (cctK: number): number => 1e6 / cctK;

export type Clash = 'unseen' | 'slight' | 'visible' | 'obvious';

/** How two sources sit together by |Δ mired| [common practice, docs/model/light.md]. */
export function clashOf(shiftMired: number): Clash {
  const size = Math.abs(shiftMired);
  if (size < 10) return 'unseen';
  if (size <= 25) return 'slight';
  return size <= 60 ? 'visible' : 'obvious';
}
