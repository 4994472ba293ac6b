import * as z from 'zod/mini';
import { range, text, wholeRange } from '../schema';
import { bulbIdSchema } from '../ids';
import { BASES } from '../electrics/caps';
import { spectrumSchema } from './spectrum';
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

/** Label figures whose origin is worth keeping. Those not named count as read from the label. */
export const SOURCED_FIELDS = ['wattsW', 'luminousFluxLm', 'cctK', 'criRa', 'powerFactor'] as const;
export type SourcedField = (typeof SOURCED_FIELDS)[number];
const labelOrigins = z.enum(['metered', 'label', 'user', 'typical']);

/** One household bulb as its label describes it; null means the label does not say. */
export const bulbSchema = z.object({
  id: bulbIdSchema,
  name: text(1, 120),
  kind: z.enum(BULB_KINDS),
  wattsW: range(0.1, 2000),
  luminousFluxLm: z.nullable(range(1, 100_000)),
  equivalentW: z.nullable(range(1, 1000)),
  cctK: z.nullable(wholeRange(1000, 20_000)),
  criRa: z.nullable(range(0, 100)),
  base: z.enum(BASES),
  supplyV: range(5, 250),
  spread: spreadSchema,
  /** metered; null for what is typical of its kind */
  spectrum: z.nullable(spectrumSchema),
  dimmable: z.enum(['yes', 'no', 'unknown']),
  /** steady: driven with direct current; mains: ripples at twice the mains frequency. */
  flicker: z.enum(['steady', 'mains', 'unknown']),
  powerFactor: z.nullable(range(0.1, 1)),
  globeDiameterM: range(0.005, 0.4),
  lengthM: range(0.02, 0.6),
  massKg: range(0.001, 5),
  priceMinor: wholeRange(0, 10_000_000),
  packCount: wholeRange(1, 1000),
  ratedLifeH: z.nullable(range(1, 200_000)),
  warmUpS: range(0, 600),
  onHandCount: wholeRange(0, 10_000),
  /** whether what is used from stock is money spent, or free */
  onHandCounts: z.boolean(),
  origins: z.partialRecord(z.enum(SOURCED_FIELDS), labelOrigins),
});
export type Bulb = z.infer<typeof bulbSchema>;
