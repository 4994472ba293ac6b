import type { WishId } from '../../location/wishes';
import { Front } from './front';
import { missesOf, type Judged, type Miss } from './judged';
import type { Question } from './question';

/** Why designs fell before or while they were judged. */
export type Fall = 'mains' | 'owned' | 'unmakeable' | 'stop' | 'wish';
export type Tally = Partial<Record<Fall, number>>;

/** What one piece of a search found. */
export interface Found {
  front: Judged[];
  /** best of those that miss one hard wish alone, by that wish */
  near: Partial<Record<WishId, Judged>>;
  /** the nearest of all that miss some; null where none was looked at */
  nearest: Judged | null;
  judged: number;
  fell: Tally;
}

export const emptyFound = (): Found => ({
  front: [],
  near: {},
  nearest: null,
  judged: 0,
  fell: {},
});

/** What misses a hard wish, with what tells which of two is nearer: how many, how far in sum, money. */
interface Near {
  judged: Judged;
  rank: readonly [count: number, sum: number, minor: number];
}

const nearOf = (judged: Judged, hard: readonly Miss[]): Near => ({
  judged,
  rank: [hard.length, hard.reduce((sum, { share }) => sum + share, 0), judged.nowMinor],
});

function nearer(one: Near | null | undefined, other: Near): Near {
  if (!one) return other;
  const k = one.rank.findIndex((value, at) => value !== other.rank[at]);
  if (k < 0) return one.judged.id < other.judged.id ? one : other;
  return one.rank[k]! < other.rank[k]! ? one : other;
}

/** Lets through what misses no hard wish, and remembers the nearest of the others, in whatever order they come. */
export class Sieve {
  private readonly front: Front;
  private readonly fallen: Tally = {};
  private readonly near: Partial<Record<WishId, Near>> = {};
  private nearest: Near | null = null;
  private judged = 0;

  constructor(private readonly question: Question) {
    this.front = new Front(question);
  }

  fell(by: Fall, count = 1): void {
    this.judged += count;
    this.fallen[by] = (this.fallen[by] ?? 0) + count;
  }

  take(judged: Judged): void {
    const { question } = this;
    if (question.shot.wishes.owned === 'all' && !judged.owned) return this.fell('owned');
    const misses = missesOf(judged, question);
    if (!misses.some(({ hard }) => hard)) {
      this.judged++;
      return this.front.add(judged, misses);
    }
    this.fell('wish');
    this.remember(judged, misses);
  }

  private remember(judged: Judged, misses: readonly Miss[]): void {
    const hard = misses.filter((miss) => miss.hard);
    const next = nearOf(judged, hard);
    this.nearest = nearer(this.nearest, next);
    const [{ wish }] = hard as [Miss];
    if (hard.length === 1) this.near[wish] = nearer(this.near[wish], next);
  }

  /** What another sieve of the same question found. */
  add(found: Found): void {
    for (const each of found.front) this.front.add(each);
    for (const each of [...Object.values(found.near), ...(found.nearest ? [found.nearest] : [])])
      this.remember(each, missesOf(each, this.question));
    for (const [fall, count] of Object.entries(found.fell) as [Fall, number][])
      this.fallen[fall] = (this.fallen[fall] ?? 0) + count;
    this.judged += found.judged;
  }

  get found(): Found {
    const near = Object.fromEntries(
      Object.entries(this.near).map(([wish, { judged }]) => [wish, judged]),
    );
    const nearest = this.nearest?.judged ?? null;
    return { front: this.front.all, near, nearest, judged: this.judged, fell: { ...this.fallen } };
  }
}
