import { leavesM } from '../../build/front';
import type { Production } from '../../document/production';
import { bestWash, washOver, type Wash } from '../../light/wash';
import type { Transported } from '../../light/transport/result';
import { litBuild } from './scene';

export interface BackdropAnswer {
  /** as the light stands in the shot */
  map: Wash;
  /** best places of one light and of two like it */
  one: Wash;
  two: Wash;
}

const MAP = { columns: 64, rows: 48 };

/** A build's light over its shot's coverage; null without light. */
export function backdropOf(
  document: Production,
  buildId: string,
  transported: Transported | null,
): BackdropAnswer | null {
  const lit = litBuild(document, buildId, transported);
  if (!lit || lit.light.totalLx <= 0) return null;
  const { field, resolved, shot } = lit;
  const backdrop = { widthM: shot.coverageWidthM, heightM: shot.coverageHeightM };
  const here = { lights: 1, distanceM: shot.distanceM, spacingM: 0, toeInRad: 0 } as const;
  const best = (lights: 1 | 2) =>
    bestWash(field, leavesM(resolved), backdrop, lights, shot.evennessStops);
  return {
    map: washOver(field, leavesM(resolved), backdrop, here, MAP.columns, MAP.rows),
    one: best(1),
    two: best(2),
  };
}
