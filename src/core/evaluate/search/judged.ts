import type { Accessory } from '../../accessories/carried';
import type { BuildParameters } from '../../document/production';
import type { WishId } from '../../location/wishes';
import { MOST_SKILL } from '../../location/wishes';
import { JUDGED } from '../../location/use';
import type { Question } from './question';
import type { Cell } from './shells';

/** How one comes by a light. */
export const WAYS = {
  build: 'build it',
  have: 'drawn already',
  buy: 'buy it',
  hire: 'hire it',
} as const;
export type Way = keyof typeof WAYS;

/** How far an estimate of the light at once may be off, stops, and one of a fixture’s sheet [typ: docs/model/search.md]. */
export const ERROR_STOPS = { estimate: 0.4, sheet: 0.3, simulated: 0.15 } as const;

/** What one way to light a shot comes to. Money in minor units, SI else. */
export interface Judged {
  /** the same for the same thing, whoever judged it */
  id: string;
  way: Way;
  /** of what: a form, a build, a fixture */
  of: string;
  name: string;
  /** what it is made of, in a few words */
  what: string;
  /** to open it as a build; null for a fixture and for a build that is there */
  parameters: BuildParameters | null;
  /** what it carries, and its names */
  accessories: readonly Accessory[];
  worn: readonly string[];
  /** id of the lamp, for telling answers apart */
  lamp: string | null;
  /** size of its front, m */
  front: { widthM: number; heightM: number };
  /** names of the layers before it */
  layers: readonly string[];
  /** where it stands on the axes of its form, for looking beside it; null for what is no new design */
  cell: Cell | null;
  lux: number;
  /** against the target */
  stops: number;
  errorStops: number;
  angleDeg: number;
  /** its lamps throw shadows apart from one another */
  separate: boolean;
  /** ± over the coverage; null where nobody looked */
  evennessStops: number | null;
  /** null where a sheet does not state it */
  ra: number | null;
  cctK: number | null;
  miredOff: number;
  /** null where its label is silent */
  flickers: boolean | null;
  /** to be spent before the shoot, and with nothing on hand */
  nowMinor: number;
  fullMinor: number;
  /** things in it without a price: both are lower bounds then */
  unpriced: number;
  /** every unit and part that is bought has a price */
  priced: boolean;
  /** nothing but small hardware has to be bought for it */
  owned: boolean;
  hours: number;
  watts: number;
  /** null where a sheet does not state it */
  massKg: number | null;
  /** longest side as it travels; null where nobody knows */
  foldedM: number | null;
  skill: 1 | 2 | 3;
  /** simulated and judged by every engine, not estimated */
  sure: boolean;
}

/** A wish that is missed, and by how much of it: 0.2 is a fifth too little, or a fifth too much. */
export interface Miss {
  wish: WishId;
  share: number;
  hard: boolean;
}

/** Light a tenth of a stop under the target is on it. */
export const LEVEL_STOPS = 0.1;
/** What a fault without an amount counts as. */
const WHOLE = 1;

const over = (value: number | null, most: number | null): number =>
  value === null || most === null || most <= 0 ? 0 : Math.max(0, value / most - 1);
const under = (value: number | null, least: number): number =>
  value === null || least <= 0 ? 0 : Math.max(0, 1 - value / least);

/**
 * What of the wishes a light misses. What is not known misses nothing where it ranks, and all where it cuts; but for
 * flicker, of which labels and sheets are silent: that it is not known is said in words.
 */
export function missesOf(found: Judged, { shot }: Pick<Question, 'shot'>): Miss[] {
  const { wishes } = shot;
  const judgedBy = JUDGED[shot.use].by;
  const hard = new Set<WishId>(wishes.hard);
  const unknown = (value: unknown, wish: WishId) => (value === null && hard.has(wish) ? WHOLE : 0);
  const shares: Record<WishId, number> = {
    // Half the light is a share of one.
    light: Math.max(0, -found.stops - LEVEL_STOPS),
    softness: judgedBy.includes('softness')
      ? Math.max(under(found.angleDeg, shot.softnessDeg), found.separate ? WHOLE / 2 : 0)
      : 0,
    evenness: judgedBy.includes('evenness')
      ? over(found.evennessStops, shot.evennessStops) + unknown(found.evennessStops, 'evenness')
      : 0,
    colour: over(found.miredOff, wishes.mostMired),
    cri: under(found.ra, wishes.leastRa) + unknown(found.ra, 'cri'),
    flicker: found.flickers === true ? WHOLE : 0,
    money:
      over(found.nowMinor, shot.budgetMinor) +
      (shot.budgetMinor === 0 && found.nowMinor > 0 ? WHOLE : 0) +
      (shot.budgetMinor === null || found.priced ? 0 : unknown(null, 'money')),
    hours:
      over(found.hours, wishes.mostHours) + (wishes.mostHours === 0 && found.hours > 0 ? WHOLE : 0),
    watts: over(found.watts, wishes.mostW),
    mass:
      over(found.massKg, wishes.mostKg) +
      (wishes.mostKg === null ? 0 : unknown(found.massKg, 'mass')),
    folded:
      over(found.foldedM, wishes.mostFoldedM) +
      (wishes.mostFoldedM === null ? 0 : unknown(found.foldedM, 'folded')),
    skill: Math.max(0, found.skill - MOST_SKILL[wishes.skill]),
  };
  return (Object.entries(shares) as [WishId, number][]).flatMap(([wish, share]) =>
    share > 0 ? [{ wish, share, hard: hard.has(wish) }] : [],
  );
}

/** Everything in money: what is spent, and the hours at their rate. */
export const costOf = (
  found: Pick<Judged, 'nowMinor' | 'hours'>,
  { shot }: Pick<Question, 'shot'>,
) => found.nowMinor + found.hours * shot.wishes.rateMinorPerHour;
