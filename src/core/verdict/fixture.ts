import { z } from 'zod';
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
  name: z.string().trim().min(1).max(120),
  illuminanceLx: z.number().min(0.1).max(10_000_000),
  atDistanceM: z.number().min(0.1).max(50),
  frontWidthM: z.number().min(0.005).max(10),
  frontHeightM: z.number().min(0.005).max(10),
  wattsW: z.number().min(0.5).max(50_000),
  cctK: z.number().int().min(1500).max(15_000),
  criRa: z.number().min(0).max(100).nullable(),
  massKg: z.number().min(0.05).max(500).nullable(),
  priceMinor: z.number().int().min(0).max(100_000_000),
  hirePerDayMinor: z.number().int().min(0).max(10_000_000).nullable(),
  features: z.array(z.enum(FEATURE_IDS)).max(FEATURE_IDS.length),
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
