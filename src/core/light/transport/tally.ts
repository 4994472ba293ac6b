import type { SurveyPart } from '../field/survey';
import { MAP_CELLS, PLANES, ZONES, type PackedArrangement } from './pack';

/** Independent parts of a survey: how far they lie apart is the error of what is read from their mean. */
export const SURVEY_PARTS = 8;

/**
 * What became of a number of photons, as counts, so that partial tallies add up to the same whole in
 * any order.
 */
export interface Tally {
  emitted: number;
  /** given up at the bounce cap */
  stopped: number;
  /** flew off: an emitter outside, or a gap between surfaces */
  lost: number;
  bounces: number;
  /** by surface */
  absorbed: Uint32Array;
  /** by exit; the first is the mouth */
  left: Uint32Array;
  /** cells of the mouth, row by row */
  map: Uint32Array;
  /** of those, the ones that did not come straight from a lamp */
  turnedMap: Uint32Array;
  /** zones × planes of directions out of the mouth */
  directions: Uint32Array;
  /** parts of the survey that were made so far, each by its place: what arrives where */
  survey: (SurveyPart | null)[];
}

export function emptyTally({ surfaceCount, exitCount }: PackedArrangement): Tally {
  return {
    emitted: 0,
    stopped: 0,
    lost: 0,
    bounces: 0,
    absorbed: new Uint32Array(surfaceCount),
    left: new Uint32Array(exitCount),
    map: new Uint32Array(MAP_CELLS * MAP_CELLS),
    turnedMap: new Uint32Array(MAP_CELLS * MAP_CELLS),
    directions: new Uint32Array(ZONES * PLANES),
    survey: new Array<SurveyPart | null>(SURVEY_PARTS).fill(null),
  };
}

export function addTallyInPlace(sum: Tally, more: Tally): void {
  sum.emitted += more.emitted;
  sum.stopped += more.stopped;
  sum.lost += more.lost;
  sum.bounces += more.bounces;
  more.survey.forEach((part, k) => (sum.survey[k] ??= part));
  for (const field of ['absorbed', 'left', 'map', 'turnedMap', 'directions'] as const) {
    const [into, from] = [sum[field], more[field]];
    for (let k = 0; k < into.length; k++) into[k] = into[k]! + from[k]!;
  }
}
