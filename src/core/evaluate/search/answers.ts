import { JUDGED } from '../../location/use';
import { frontOf } from './front';
import { costOf, missesOf, type Judged } from './judged';
import type { Question } from './question';

/** What an answer is the best of. */
export const BESTS = {
  weighed: 'closest to every wish',
  cheapest: 'cheapest to make',
  softest: 'softest for the money',
  evenest: 'most even',
  own: 'from what you own',
  quickest: 'least work',
  drawn: 'drawn already',
  bought: 'if you buy or hire',
} as const;
export type BestId = keyof typeof BESTS;

/** One of the short list: a light, and all it is the best of. */
export interface Answer {
  found: Judged;
  bests: BestId[];
}

export const MOST_ANSWERS = 7;

/** Softness within this factor looks alike [common practice, docs/model/light.md]. */
export const ALIKE = 1.2;
/** What a whole wish missed costs beside the budget: missed by half it weighs as all the money. */
export const WISH_WEIGHT = 2;
/** What a budget nobody has told is taken for where money is weighed, minor units. */
const SOME_BUDGET_MINOR = 10_000;

/** What an answer is weighed by: money and paid hours as a share of the budget, every wish missed, hours of the evening. */
export function weightOf(found: Judged, question: Pick<Question, 'shot'>): number {
  const { budgetMinor, wishes } = question.shot;
  const missed = missesOf(found, question).reduce((sum, { share }) => sum + share, 0);
  const money = costOf(found, question) / (budgetMinor || SOME_BUDGET_MINOR);
  const hours = found.hours / (wishes.mostHours || HOURS_OF_AN_EVENING);
  return money + hours * HOUR_WEIGHT + WISH_WEIGHT * missed;
}
export const HOURS_OF_AN_EVENING = 8;
export const HOUR_WEIGHT = 0.5;

const HALF = 0.5;
const made = ({ way }: Judged): boolean => way === 'build' || way === 'have';

type Rank = (found: Judged) => number;

interface Best {
  id: BestId;
  among: (found: Judged) => boolean;
  rank: Rank;
}

function bestsOf(question: Pick<Question, 'shot'>, all: readonly Judged[]): Best[] {
  const { by } = JUDGED[question.shot.use];
  const cost: Rank = (found) => costOf(found, question);
  const weight: Rank = (found) => weightOf(found, question);
  const any = () => true;
  const whole = (found: Judged) => !found.separate;
  // A ranking wish that is missed by half is no answer to the question any more, unless all do.
  const missed = (found: Judged) =>
    Math.max(0, ...missesOf(found, question).map(({ share }) => share));
  const some = all.some((found) => made(found) && missed(found) <= HALF);
  const fair = (found: Judged) => !some || missed(found) <= HALF;
  const widest = Math.max(0, ...all.filter(whole).map(({ angleDeg }) => angleDeg));
  const most: Best[] = by.includes('softness')
    ? [
        {
          id: 'softest',
          // Among those that look as soft as the softest the cheapest.
          among: (found) => whole(found) && found.angleDeg >= widest / ALIKE,
          rank: cost,
        },
      ]
    : by.includes('evenness')
      ? [
          {
            id: 'evenest',
            among: ({ evennessStops }) => evennessStops !== null,
            rank: ({ evennessStops }) => evennessStops!,
          },
        ]
      : [];
  return [
    { id: 'weighed', among: any, rank: weight },
    { id: 'cheapest', among: (found) => made(found) && fair(found), rank: cost },
    ...most,
    { id: 'own', among: ({ owned }) => owned, rank: weight },
    {
      id: 'quickest',
      among: (found) => found.way === 'build' && fair(found),
      rank: ({ hours }) => hours,
    },
    { id: 'drawn', among: (found) => found.way === 'have' && fair(found), rank: weight },
    { id: 'bought', among: ({ way }) => way === 'buy' || way === 'hire', rank: cost },
  ];
}

/** The first by a rank; equals by what else they are worth, then by name. */
const first = (all: readonly Judged[], { among, rank }: Best, weight: Rank): Judged | undefined =>
  all
    .filter(among)
    .toSorted((a, b) => rank(a) - rank(b) || weight(a) - weight(b) || (a.id < b.id ? -1 : 1))[0];

/** One design in two sizes or numbers that differ by less than anybody sees is one answer. */
const alike = (a: Judged, b: Judged): boolean =>
  a.id === b.id ||
  (a.way === b.way &&
    a.of === b.of &&
    a.lamp === b.lamp &&
    Math.max(a.angleDeg, b.angleDeg) <= ALIKE * Math.min(a.angleDeg, b.angleDeg) &&
    Math.abs(a.stops - b.stops) <= a.errorStops + b.errorStops &&
    Math.abs(a.nowMinor - b.nowMinor) <= 0.15 * Math.max(a.nowMinor, b.nowMinor));

/** At most seven different answers, the best weighed first; none of them is worse than another in everything. */
export function answersOf(all: readonly Judged[], question: Pick<Question, 'shot'>): Answer[] {
  const front = frontOf(all, question);
  const weight: Rank = (found) => weightOf(found, question);
  const answers: Answer[] = [];
  for (const best of bestsOf(question, front)) {
    const found = first(front, best, weight);
    if (!found) continue;
    const known = answers.find((each) => alike(each.found, found));
    if (known) known.bests.push(best.id);
    else answers.push({ found, bests: [best.id] });
  }
  return answers.slice(0, MOST_ANSWERS);
}

/** In light and softness two answers lie nearer to each other than they are known. */
export const cannotTell = (a: Judged, b: Judged): boolean =>
  a.separate === b.separate &&
  Math.abs(a.stops - b.stops) <= Math.hypot(a.errorStops, b.errorStops) &&
  Math.max(a.angleDeg, b.angleDeg) <= ALIKE * Math.min(a.angleDeg, b.angleDeg);
