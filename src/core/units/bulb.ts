import { z } from 'zod';
import { bulbIdSchema } from '../ids';
import { spreadSchema } from './spread';

export const BULB_KINDS = [
  'led',
  'led-filament',
  'corn',
  'cfl',
  'halogen',
  'incandescent',
] as const;
export type BulbKind = (typeof BULB_KINDS)[number];

export const BASES = ['E27', 'E26', 'E14', 'E12', 'B22', 'GU10', 'GU5.3'] as const;
export type Base = (typeof BASES)[number];

/** Length of the cap that disappears into the holder [typ: IEC 60061 cap drawings; from memory]. */
export const CAP_LENGTH_M: Record<Base, number> = {
  E27: 0.026,
  E26: 0.025,
  E14: 0.024,
  E12: 0.021,
  B22: 0.022,
  GU10: 0.007,
  'GU5.3': 0.007,
};

/** Label figures whose origin is worth keeping. Those not named count as read from the label. */
export const SOURCED_FIELDS = ['wattsW', 'luminousFluxLm', 'cctK', 'criRa', 'powerFactor'] as const;
export type SourcedField = (typeof SOURCED_FIELDS)[number];
const labelOrigins = z.enum(['metered', 'label', 'user', 'typical']);

/** One household bulb as its label describes it; null means the label does not say. */
export const bulbSchema = z.object({
  id: bulbIdSchema,
  name: z.string().trim().min(1).max(120),
  kind: z.enum(BULB_KINDS),
  wattsW: z.number().min(0.1).max(2000),
  luminousFluxLm: z.number().min(1).max(100_000).nullable(),
  equivalentW: z.number().min(1).max(1000).nullable(),
  cctK: z.number().int().min(1000).max(20_000).nullable(),
  criRa: z.number().min(0).max(100).nullable(),
  base: z.enum(BASES),
  supplyV: z.number().min(5).max(250),
  spread: spreadSchema,
  dimmable: z.enum(['yes', 'no', 'unknown']),
  /** steady: driven with direct current; mains: ripples at twice the mains frequency. */
  flicker: z.enum(['steady', 'mains', 'unknown']),
  powerFactor: z.number().min(0.1).max(1).nullable(),
  globeDiameterM: z.number().min(0.005).max(0.4),
  lengthM: z.number().min(0.02).max(0.6),
  massKg: z.number().min(0.001).max(5),
  priceMinor: z.number().int().min(0).max(10_000_000),
  packCount: z.number().int().min(1).max(1000),
  ratedLifeH: z.number().min(1).max(200_000).nullable(),
  warmUpS: z.number().min(0).max(600),
  onHandCount: z.number().int().min(0).max(10_000),
  origins: z.partialRecord(z.enum(SOURCED_FIELDS), labelOrigins),
});
export type Bulb = z.infer<typeof bulbSchema>;
