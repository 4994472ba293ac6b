import type { Arrangement } from './arrangement';
import type { Prepared } from '../field/prepare';
import type { SurveyPart } from '../field/survey';
import { MAP_CELLS, PLANES, ZONES } from './pack';
import type { Tally } from './tally';

/** Outcome of a run, as shares of the emitted light; plain data. */
export interface Transported {
  photons: number;
  seed: number;
  /** share of the lamps' light that leaves by the mouth, and its standard error */
  efficiency: number;
  standardError: number;
  /** share that leaves elsewhere: open edges, sides of a drape */
  spilled: number;
  /** share taken by each surface, in the arrangement's order */
  absorbed: { name: string; share: number }[];
  /** share given up at the bounce cap or flown off */
  unaccounted: number;
  meanBounces: number;
  /** share of what leaves by the mouth in each of its cells, row by row from −x, −y, as counted */
  cellShares: number[];
  /** photons in each of them that did not come straight from a lamp */
  turnedCounts: Uint32Array;
  /** a round mouth in its bounding square */
  round: boolean;
  /** min/mean over whole cells of an 8 × 8 aggregation, 0…1, as counted; the mouth’s map tells it better */
  uniformity: number;
  /** intensity per lumen out of the mouth, cd/lm, in 5° zones from its normal */
  zonesCdPerLm: number[];
  /** the same, by zone and 15° plane from +x round */
  planesCdPerLm: number[][];
  /** parts of the survey: what arrives where, and what leaves layers by which way */
  survey: readonly SurveyPart[];
  /** of the survey, what a worker has made ready already */
  prepared?: Prepared;
  /** made only where it is shown */
  mouth?: MouthMap | null;
}

/** How bright the mouth is from place to place, as shares of what the lamps send; plain data. */
export interface MouthMap {
  /** by cell, row by row from −x, −y; 0 where a cell is not wholly inside */
  shares: number[];
  /** a round mouth in its bounding square */
  round: boolean;
  /** standard error of a cell, of its own value: half are known better */
  cellError: number;
  /** min/mean over whole cells of an 8 × 8 aggregation, 0…1, and its standard error */
  uniformity: number;
  uniformityError: number;
}

/** Uniformity is told on this many cells a side: finer is biased low by counting noise. */
export const UNIFORMITY_CELLS = 8;

export function readTally(tally: Tally, arrangement: Arrangement, seed: number): Transported {
  const n = Math.max(1, tally.emitted);
  const through = tally.left[0] ?? 0;
  const efficiency = through / n;
  const mouth = arrangement.surfaces.find(
    ({ matter }) => matter.kind === 'layer' && matter.leads === 'out',
  );
  const round = mouth?.shape.kind === 'disc';
  return {
    photons: tally.emitted,
    seed,
    efficiency,
    standardError: Math.sqrt((efficiency * (1 - efficiency)) / n),
    spilled: tally.left.slice(1).reduce((sum, count) => sum + count, 0) / n,
    absorbed: arrangement.surfaces.map(({ name }, k) => ({ name, share: tally.absorbed[k]! / n })),
    unaccounted: (tally.stopped + tally.lost) / n,
    meanBounces: tally.bounces / n,
    cellShares: Array.from(tally.map, (count) => count / Math.max(1, through)),
    turnedCounts: tally.turnedMap.slice(),
    round,
    uniformity: uniformityOf(tally.map, round),
    zonesCdPerLm: zonesOf(tally.directions, Math.max(1, through)),
    planesCdPerLm: planesOf(tally.directions, Math.max(1, through)),
    survey: tally.survey.flatMap((part) => part ?? []),
  };
}

/** Whether cell k of a row of n lies wholly inside the circle in its square. */
function wholeCell(column: number, row: number, cells: number, round: boolean): boolean {
  if (!round) return true;
  const far = (k: number) =>
    Math.max(Math.abs((2 * k) / cells - 1), Math.abs((2 * (k + 1)) / cells - 1));
  return Math.hypot(far(column), far(row)) <= 1 + 1e-12;
}

/**
 * Exitance by cell relative to the mean of the whole cells; null where a cell is not wholly inside.
 * @param by cells of the map along a side of one cell here, a divisor of their number
 */
export function relativeExitance(
  shares: ArrayLike<number>,
  round: boolean,
  by = 1,
): (number | null)[] {
  const cells = MAP_CELLS / by;
  const coarse = new Float64Array(cells * cells);
  for (let k = 0; k < shares.length; k++) {
    const [column, row] = [k % MAP_CELLS, Math.floor(k / MAP_CELLS)];
    coarse[Math.floor(row / by) * cells + Math.floor(column / by)]! += shares[k]!;
  }
  const whole = Array.from(coarse, (share, k) =>
    wholeCell(k % cells, Math.floor(k / cells), cells, round) ? share : null,
  );
  const inside = whole.filter((share) => share !== null);
  const mean = inside.reduce((sum, share) => sum + share, 0) / Math.max(1, inside.length);
  return whole.map((share) => (share === null ? null : mean > 0 ? share / mean : 0));
}

export function uniformityOf(counts: ArrayLike<number>, round: boolean): number {
  const relative = relativeExitance(counts, round, MAP_CELLS / UNIFORMITY_CELLS);
  const inside = relative.filter((value) => value !== null);
  return inside.length ? Math.min(...inside) : 0;
}

/** Solid angle of a 5° zone: 2π·(cos θ0 − cos θ1) [docs/model/transport.md]. */
export const zoneSr = (zone: number): number => {
  const edge = (k: number) => Math.cos((k * Math.PI) / 2 / ZONES);
  return 2 * Math.PI * (edge(zone) - edge(zone + 1));
};

function zonesOf(directions: Uint32Array, through: number): number[] {
  return Array.from({ length: ZONES }, (_, zone) => {
    const row = directions.subarray(zone * PLANES, (zone + 1) * PLANES);
    return row.reduce((sum, count) => sum + count, 0) / through / zoneSr(zone);
  });
}

function planesOf(directions: Uint32Array, through: number): number[][] {
  return Array.from({ length: ZONES }, (_, zone) =>
    Array.from(
      { length: PLANES },
      (_, plane) => (directions[zone * PLANES + plane]! / through / zoneSr(zone)) * PLANES,
    ),
  );
}
