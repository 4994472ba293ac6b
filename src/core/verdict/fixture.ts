import * as z from 'zod/mini';
import {
  colourTemperature,
  defineRecord,
  maybe,
  maybeMoney,
  measured,
  money,
} from '../record/define';
import { list, text } from '../schema';
import { FIGURE_ORIGINS } from '../origin';
import { fixtureIdSchema } from '../ids';

export const FEATURES = {
  battery: 'runs from a battery',
  dimmer: 'dims without colour shift',
  weather: 'stands drizzle',
  'quick-rigging': 'is up in a minute',
  warranty: 'has a warranty',
  silent: 'makes no noise',
  linking: 'links to others like it',
  repeatable: 'gives the same light every time',
  certified: 'is tested and insured, as hired locations ask',
} as const;
export type Feature = keyof typeof FEATURES;
const FEATURE_IDS = Object.keys(FEATURES) as [Feature, ...Feature[]];

const across = measured('length', 'cm', 0.01);
const UNSTATED = 'not stated';

/** What a data sheet says: lux at a distance, the size of its front, and what it costs. */
export const FIXTURE_RECORD = defineRecord({
  illuminanceLx: measured(
    'illuminance',
    'lx',
    50,
  )('Light it gives', {
    min: 0.1,
    max: 10_000_000,
    start: 1000,
  }),
  atDistanceM: measured('length', 'm', 0.1)('at this distance', { min: 0.1, max: 50, start: 1 }),
  frontWidthM: across('Front width', { min: 0.005, max: 10, start: 0.3 }),
  frontHeightM: across('Front height', { min: 0.005, max: 10, start: 0.3 }),
  wattsW: measured('power', 'W', 5)('Power', { min: 0.5, max: 50_000, start: 60 }),
  cctK: colourTemperature('Colour', { min: 1500, max: 15_000, start: 5600 }),
  criRa: maybe(measured('count', '', 1)('CRI', { min: 0, max: 100, start: 95 }), UNSTATED),
  massKg: maybe(measured('mass', 'kg', 0.1)('Mass', { min: 0.05, max: 500, start: 2 }), UNSTATED),
  priceMinor: money('Price', 100_000_000),
  hirePerDayMinor: maybeMoney('Hire for a day', 10_000_000, 'not for hire'),
});

/** A shop-bought light as its data sheet gives it. */
export const fixtureSchema = z.object({
  id: fixtureIdSchema,
  name: text(1, 120),
  ...FIXTURE_RECORD.shape,
  features: list(z.enum(FEATURE_IDS), 0, FEATURE_IDS.length),
  origin: z.enum(FIGURE_ORIGINS),
});
export type Fixture = z.infer<typeof fixtureSchema>;

/**
 * Lux on the axis at another distance, the front taken as an even Lambertian disc of equal area:
 * E(d) ∝ 1/(d² + R²) [std: configuration factor disc to point], so that a large front close by is
 * not scaled by the inverse square.
 * @param distanceM > 0
 */
export function fixtureIlluminanceLx(fixture: Fixture, distanceM: number): number {
  const radiusSquared = (fixture.frontWidthM * fixture.frontHeightM) / Math.PI;
  return (
    (fixture.illuminanceLx * (fixture.atDistanceM ** 2 + radiusSquared)) /
    (distanceM ** 2 + radiusSquared)
  );
}
