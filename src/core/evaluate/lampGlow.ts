import type { ResolvedBuild } from '../build/resolvedBuild';
import { cctAtLevel } from '../power/watts';

/** How lamps that are dimmed together look while they are lit. */
export interface LampGlow {
  /** at its level, K */
  cctK: number;
  /** light level 0…1 */
  level: number;
  /** indices of its emitters; where bulbs of several kinds hang, one a seat */
  emitters: readonly number[];
}

/** What glows in a build's drawings, one for each group of lamps. */
export const lampGlows = ({ groups }: Pick<ResolvedBuild, 'groups'>): LampGlow[] =>
  groups.map((group) => ({
    cctK: cctAtLevel(group),
    level: group.level,
    emitters: group.emitters,
  }));

/**
 * The glow of what a drawing calls `ref`: a seat's own, and what shows the light of all lamps by their
 * common colour at the level of the brightest; null where nothing is lit.
 */
export function glowAt(
  glows: readonly LampGlow[],
  commonCctK: number | null,
  ref: string | undefined,
): Omit<LampGlow, 'emitters'> | null {
  const seat = /^seat-(\d+)$/.exec(ref ?? '');
  const own =
    glows.length > 1 && seat
      ? glows.find(({ emitters }) => emitters.includes(Number(seat[1])))
      : { cctK: commonCctK ?? 0, level: Math.max(0, ...glows.map(({ level }) => level)) };
  return own && commonCctK !== null && own.level > 0 ? own : null;
}
