import { JUDGED } from '../../location/use';
import type { Question } from './question';
import { costOf, missesOf, type Judged, type Miss } from './judged';

/** More light than this over the target, and a front so much wider than asked for, is no better. */
const ENOUGH_STOPS = 1;
const ENOUGH_SOFT = 1.5;
/** What separate shadows are worth of an angle. */
const SEPARATE = 0.5;

/**
 * What is weighed against each other, less is better: what it costs, what a ranking wish misses, hours, light and
 * softness short of plenty.
 */
export function objectives(
  found: Judged,
  question: Pick<Question, 'shot'>,
  misses: readonly Miss[] = missesOf(found, question),
): readonly number[] {
  const { shot } = question;
  const soft = found.angleDeg * (found.separate ? SEPARATE : 1);
  const missed = misses.reduce((sum, { share }) => sum + share, 0);
  return [
    costOf(found, question),
    missed,
    found.hours,
    -Math.min(found.stops, ENOUGH_STOPS),
    JUDGED[shot.use].by.includes('softness') ? -Math.min(soft, shot.softnessDeg * ENOUGH_SOFT) : 0,
    found.fullMinor,
  ];
}

/** What is made, bought and hired is not weighed against each other: one is kept, one goes back. */
const kindOf = ({ way }: Judged) => (way === 'have' ? 'build' : way);

/** In nothing worse and in something better; of equals the first by name stays. */
function dominates(one: Ranked, other: Ranked): boolean {
  if (kindOf(one.found) !== kindOf(other.found)) return false;
  let better = false;
  for (let k = 0; k < one.by.length; k++) {
    if (one.by[k]! > other.by[k]!) return false;
    if (one.by[k]! < other.by[k]!) better = true;
  }
  return better || one.found.id < other.found.id;
}

interface Ranked {
  found: Judged;
  by: readonly number[];
}

/** The undominated of all that were put in, whatever the order they came in. */
export class Front {
  private kept: Ranked[] = [];

  constructor(private readonly question: Pick<Question, 'shot'>) {}

  add(found: Judged, misses?: readonly Miss[]): void {
    const next = { found, by: objectives(found, this.question, misses) };
    if (this.kept.some((each) => each.found.id === found.id)) return;
    if (this.kept.some((each) => dominates(each, next))) return;
    this.kept = this.kept.filter((each) => !dominates(next, each));
    this.kept.push(next);
  }

  get all(): Judged[] {
    return this.kept.map(({ found }) => found).toSorted((a, b) => (a.id < b.id ? -1 : 1));
  }
}

export function frontOf(all: readonly Judged[], question: Pick<Question, 'shot'>): Judged[] {
  const front = new Front(question);
  for (const found of all) front.add(found);
  return front.all;
}
