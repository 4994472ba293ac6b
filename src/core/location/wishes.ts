import * as z from 'zod/mini';
import {
  choice,
  count,
  defineRecord,
  mass,
  maybe,
  maybeMoney,
  measured,
  money,
  share,
} from '../record/define';
import { list } from '../schema';
import { CRI_GATE, type Use } from './use';

/** What an answer to “what should I build?” is held against. */
export const WISHES = {
  light: 'light enough',
  softness: 'as soft',
  evenness: 'as even',
  colour: 'near the shot’s colour',
  cri: 'rendering',
  flicker: 'no flicker',
  money: 'money',
  hours: 'hours of making',
  watts: 'watts',
  mass: 'mass',
  folded: 'size in the car',
  skill: 'skill',
} as const;
export type WishId = keyof typeof WISHES;
export const WISH_IDS = Object.keys(WISHES) as [WishId, ...WishId[]];

/** How practised one must be; each takes in those before it. */
export const SKILLS = { first: 'a first build', some: 'some practice', any: 'any' } as const;
export const MOST_SKILL = { first: 1, some: 2, any: 3 } as const;

const NO_LIMIT = 'no limit';

/** What a shot wants of a light beside its level, softness, evenness, colour and budget. */
export const WISH_RECORD = defineRecord({
  leastRa: count('CRI at least', { min: 0, max: 100, start: 90 }),
  mostMired: count('Colour off by at most, mired', { min: 0, max: 300, start: 60 }),
  mostHours: maybe(
    measured('count', 'h', 0.5)('Hours of making at most', { min: 0, max: 1000, start: 8 }),
    NO_LIMIT,
  ),
  mostW: maybe(
    measured('power', 'W', 10)('Watts at most', { min: 1, max: 50_000, start: 200 }),
    NO_LIMIT,
  ),
  mostKg: maybe(mass('Mass at most', { min: 0.1, max: 500, start: 5 }), NO_LIMIT),
  mostFoldedM: maybe(
    measured('length', 'cm', 0.05)('Longest side in the car', { min: 0.05, max: 10, start: 1 }),
    NO_LIMIT,
  ),
  skill: choice('Skill', SKILLS, 'any'),
  owned: choice(
    'Made from',
    { any: 'whatever serves', lamps: 'lamps I own', all: 'only what I own' },
    'any',
  ),
  rateMinorPerHour: money('An hour of yours is worth', 10_000_000),
  days: count('Shoot days', { min: 1, max: 1000, start: 1 }),
  hoursADay: measured('count', 'h', 1)('Lit on a day', { min: 0, max: 24, start: 8 }),
  resale: share('Sold again for', { min: 0, max: 1, start: 0 }),
  minorPerKwh: maybeMoney('A kilowatt-hour costs', 10_000_000, 'not counted'),
});

/** Wishes that cut where nobody said otherwise; the others rank. */
const HARD: WishId[] = ['light', 'colour', 'cri', 'flicker', 'money'];

export const wishesSchema = z.object({
  ...WISH_RECORD.shape,
  /** what cuts; every other wish ranks */
  hard: list(z.enum(WISH_IDS), 0, WISH_IDS.length),
});
export type Wishes = z.infer<typeof wishesSchema>;

/** What a use asks for before anybody has said more. */
export const firstWishes = (use: Use): Wishes => ({
  ...WISH_RECORD.starts,
  leastRa: CRI_GATE[use],
  hard: [...HARD, ...(use === 'green' || use === 'wash' ? (['evenness'] as const) : [])],
});
