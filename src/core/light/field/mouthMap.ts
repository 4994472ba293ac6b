import type { Arrangement } from '../transport/arrangement';
import { MAP_CELLS } from '../transport/pack';
import {
  relativeExitance,
  UNIFORMITY_CELLS,
  uniformityOf,
  type MouthMap,
  type Transported,
} from '../transport/result';
import { mouthField } from './mouthField';
import { straightRows } from './mouthStraight';
import { Smoother } from './smoothCounts';

const SQUARE = MAP_CELLS * MAP_CELLS;

/** What a map takes of a run. */
export type MouthCounts = Pick<Transported, 'turnedCounts' | 'photons' | 'round'>;

/** The map of a run, all of it made on this thread; null for a mouth without one. */
export const mouthOf = (arrangement: Arrangement, run: Transported): MouthMap | null =>
  run.survey.length > 0
    ? mouthMap(arrangement, run, straightRows(mouthField(arrangement, run.survey)))
    : null;

/**
 * How bright each cell of the mouth is: what comes straight from the lamps as it is, and of all other light the smooth
 * surface that its photons were counted from [docs/model/transport.md, “The mouth’s map”].
 * @param known  all rows of `straightRows`; null for a mouth without a map
 */
export function mouthMap(
  arrangement: Arrangement,
  run: MouthCounts,
  known: Float32Array | null,
): MouthMap | null {
  const mouth = arrangement.surfaces.find(
    ({ matter }) => matter.kind === 'layer' && matter.leads === 'out',
  );
  if (!known || mouth?.matter.kind !== 'layer') return null;
  const { transmittance } = mouth.matter;
  const whole = relativeExitance(new Float64Array(SQUARE).fill(1), run.round);
  const turned = smootherOf(run.round, whole).of(run.turnedCounts);
  const shares = whole.map((one, cell) =>
    one === null ? 0 : known[cell]! * transmittance + turned.values[cell]! / run.photons,
  );
  const errors = turned.errors.map((error) => error / run.photons);
  const uniformity = uniformityOf(shares, run.round);
  return {
    shares,
    round: run.round,
    cellError: cellError(shares, errors, run.round),
    uniformity,
    uniformityError: uniformityError(shares, errors, run.round) * uniformity,
  };
}

const smoothers = new Map<boolean, Smoother>();

function smootherOf(round: boolean, whole: readonly (number | null)[]): Smoother {
  const known =
    smoothers.get(round) ??
    new Smoother(
      MAP_CELLS,
      whole.map((share) => share !== null),
    );
  smoothers.set(round, known);
  return known;
}

/** Half of the whole cells are known better than this, of their own value. */
function cellError(shares: readonly number[], errors: Float64Array, round: boolean): number {
  const relative = relativeExitance(shares, round)
    .flatMap((share, cell) => (share ? errors[cell]! / shares[cell]! : []))
    .toSorted((a, b) => a - b);
  return relative[Math.floor(relative.length / 2)] ?? 0;
}

/** Of the darkest of the coarse cells: the errors of neighbours in it go together, for their fits share counts. */
function uniformityError(shares: readonly number[], errors: Float64Array, round: boolean): number {
  const by = MAP_CELLS / UNIFORMITY_CELLS;
  const coarse = relativeExitance(shares, round, by);
  const inside = coarse.filter((value) => value !== null);
  const darkest = coarse.indexOf(Math.min(...inside));
  const [column, row] = [darkest % UNIFORMITY_CELLS, Math.floor(darkest / UNIFORMITY_CELLS)];
  let [sum, off] = [0, 0];
  for (let k = 0; k < by * by; k++) {
    const cell = (row * by + Math.floor(k / by)) * MAP_CELLS + column * by + (k % by);
    sum += shares[cell]!;
    off += errors[cell]!;
  }
  return sum > 0 ? off / sum : 0;
}
