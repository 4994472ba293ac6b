import type { Production } from '../../document/production';
import { stopsBetween } from '../../light/exposure';
import { MAP_CELLS } from '../../light/transport/pack';
import { mouthOf } from '../../light/field/mouthMap';
import { relativeExitance, type Transported } from '../../light/transport/result';
import { cannotRun, simulate, type Run } from '../../light/transport/run';
import { cavityOf } from '../readouts';
import { litBuild } from './scene';

/** Light of one way to have the build, short enough for a row. */
export interface LightRow {
  lx: number;
  /** against the build as it stands */
  stops: number;
  angleDeg: number;
  cctK: number | null;
  /** evenness of the mouth, min/mean; null for an open array */
  uniformity: number | null;
  efficiency: number | null;
  /** exitance by cell of 8 × 8, relative to the mean; null outside the mouth or for an open array */
  map: (number | null)[] | null;
}

const SMALL_MAP = 8;

/** The run of a build's room; null for an open array, or a room that cannot be followed. */
export function runFor(document: Production, buildId: string, run: Run): Transported | null {
  const lit = litBuild(document, buildId, null);
  const room = lit && cavityOf(lit.resolved, lit.shot);
  if (!room || cannotRun(room.arrangement, run) !== null) return null;
  const found = simulate(room.arrangement, run);
  return { ...found, mouth: mouthOf(room.arrangement, found) };
}

export function rowOf(
  document: Production,
  buildId: string,
  run: Run,
  nowLx: number | null,
): LightRow | null {
  const found = runFor(document, buildId, run);
  const lit = litBuild(document, buildId, found);
  if (!lit) return null;
  const { light } = lit;
  return {
    lx: light.totalLx,
    stops: nowLx === null ? 0 : stopsBetween(light.totalLx, nowLx),
    angleDeg: light.angleDeg,
    cctK: light.cctK,
    uniformity: found?.mouth?.uniformity ?? null,
    efficiency: light.extraction,
    map:
      (found?.mouth && relativeExitance(found.mouth.shares, found.round, MAP_CELLS / SMALL_MAP)) ??
      null,
  };
}
