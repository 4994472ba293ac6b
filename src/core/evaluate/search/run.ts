import { answersOf, type Answer } from './answers';
import { frontOf } from './front';
import { Sieve, type Found } from './sieve';
import type { Judged } from './judged';
import { tasksBeside, tasksOf, type Task } from './tasks';
import type { Question } from './question';

/** One who does pieces of a search: a worker, or this thread. */
export interface Helper {
  judge: (task: Task) => Promise<Found>;
  /** null for what does not stand up */
  refine: (found: Judged) => Promise<Judged | null>;
}

/** How a search stands. */
export interface Standing extends Found {
  stage: 'judging' | 'looking closer' | 'simulating' | 'done';
  answers: Answer[];
  /** pieces done of those known so far */
  share: number;
}

/** Rounds of simulating what leads; each drops what does not stand up. */
const MOST_ROUNDS = 10;

/** How it stands when somebody looks; working the answers out for nobody would take longer than finding them. */
export type Told = (so: () => Standing, always?: true) => void;

function standingOf(
  found: Found,
  question: Question,
  stage: Standing['stage'],
  share: number,
): Standing {
  const known = stage === 'done' ? found.front.filter(({ sure }) => sure) : found.front;
  return { ...found, stage, share, answers: answersOf(known, question) };
}

/**
 * Answers a question with any number of helpers: everything is judged, what lies beside the best is looked at closer,
 * and the short list is simulated until all of it stands. The result depends neither on the number of helpers nor on
 * who was quicker.
 * @param told  how it stands, after every piece
 * @returns null when it was stopped
 */
export async function search(
  question: Question,
  helpers: readonly Helper[],
  told: Told,
  signal: AbortSignal,
): Promise<Standing | null> {
  const sieve = new Sieve(question);
  const judgeAll = async (tasks: readonly Task[], stage: Standing['stage']) => {
    let done = 0;
    await shared(tasks, helpers, signal, async (helper, task) => {
      sieve.add(await helper.judge(task));
      const share = ++done / tasks.length;
      if (!signal.aborted) told(() => standingOf(sieve.found, question, stage, share));
    });
  };
  await judgeAll(tasksOf(question), 'judging');
  if (signal.aborted) return null;
  await judgeAll(tasksBeside(sieve.found.front, question), 'looking closer');
  if (signal.aborted) return null;
  let pool = sieve.found.front;
  const judgedAll = sieve.found;
  told(() => standingOf(judgedAll, question, 'simulating', 0), true);
  for (let round = 0; round < MOST_ROUNDS && !signal.aborted; round++) {
    const open = answersOf(pool, question).flatMap(({ found }) => (found.sure ? [] : [found]));
    if (open.length === 0) break;
    const known = new Map<string, Judged | null>();
    await shared(open, helpers, signal, async (helper, found) => {
      known.set(found.id, await helper.refine(found));
    });
    const learnt = shiftsOf(open, known);
    pool = pool.flatMap((each) => {
      const now = known.has(each.id) ? known.get(each.id)! : shifted(each, learnt);
      return now && fits(now, question) ? [now] : [];
    });
    const so = { ...sieve.found, front: pool };
    if (!signal.aborted)
      told(() => standingOf(so, question, 'simulating', (round + 1) / MOST_ROUNDS));
  }
  if (signal.aborted) return null;
  return standingOf({ ...sieve.found, front: frontOf(pool, question) }, question, 'done', 1);
}

const familyOf = ({ of, lamp, layers }: Judged): string => [of, lamp, ...layers].join(' ');

/** By how much the light of a family of designs was estimated wrongly, stops: the mean of those that were simulated. */
function shiftsOf(
  open: readonly Judged[],
  known: ReadonlyMap<string, Judged | null>,
): ReadonlyMap<string, number> {
  const all = new Map<string, number[]>();
  for (const found of open) {
    const now = known.get(found.id);
    if (!now) continue;
    const family = familyOf(found);
    all.set(family, [...(all.get(family) ?? []), now.stops - found.stops]);
  }
  return new Map(
    [...all].map(([family, shifts]) => [
      family,
      shifts.reduce((sum, each) => sum + each, 0) / shifts.length,
    ]),
  );
}

/** What was learnt of one of a family holds for the others until they are simulated themselves. */
function shifted(found: Judged, learnt: ReadonlyMap<string, number>): Judged {
  const by = learnt.get(familyOf(found));
  if (by === undefined || found.sure) return found;
  return { ...found, stops: found.stops + by, lux: found.lux * 2 ** by };
}

const fits = (found: Judged, question: Question): boolean => {
  const sieve = new Sieve(question);
  sieve.take(found);
  return sieve.found.front.length > 0;
};

/** Shares work out: whoever is free takes the next piece. */
async function shared<T>(
  work: readonly T[],
  helpers: readonly Helper[],
  signal: AbortSignal,
  each: (helper: Helper, piece: T) => Promise<void>,
): Promise<void> {
  let next = 0;
  await Promise.all(
    helpers.map(async (helper) => {
      while (next < work.length && !signal.aborted) await each(helper, work[next++]!);
    }),
  );
}
