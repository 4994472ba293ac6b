import * as z from 'zod/mini';
import { list, range, text, wholeRange } from '../schema';
import { fixtureIdSchema } from '../ids';

export const FEATURES = {
  battery: 'runs from a battery',
  dimmer: 'dims without colour shift',
  weather: 'stands drizzle',
  'quick-rigging': 'is up in a minute',
  warranty: 'has a warranty',
  silent: 'makes no noise',
} as const;
export type Feature = keyof typeof FEATURES;
const FEATURE_IDS = Object.keys(FEATURES) as [Feature, ...Feature[]];

/** A shop-bought light as its data sheet gives it: lux at a distance, and the size of its front. */
export const fixtureSchema = z.object({
  id: fixtureIdSchema,
  name: text(1, 120),
  illuminanceLx: range(0.1, 10_000_000),
  atDistanceM: range(0.1, 50),
  frontWidthM: range(0.005, 10),
  frontHeightM: range(0.005, 10),
  wattsW: range(0.5, 50_000),
  cctK: wholeRange(1500, 15_000),
  criRa: z.nullable(range(0, 100)),
  massKg: z.nullable(range(0.05, 500)),
  priceMinor: wholeRange(0, 100_000_000),
  hirePerDayMinor: z.nullable(wholeRange(0, 10_000_000)),
  features: list(z.enum(FEATURE_IDS), 0, FEATURE_IDS.length),
  origin: z.enum(['typical', 'label', 'metered', 'user']),
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
