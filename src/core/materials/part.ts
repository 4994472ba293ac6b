import * as z from 'zod/mini';
import { range, text, wholeRange } from '../schema';
import { partIdSchema } from '../ids';
import { CORD_IDS } from '../power/cord';
import { BASES } from '../units/bulb';

/** What a pack is counted in. */
export const MEASURES = ['piece', 'm', 'm²', 'l'] as const;
export type Measure = (typeof MEASURES)[number];

const common = {
  id: partIdSchema,
  name: text(1, 120),
  /** price of one pack */
  priceMinor: wholeRange(0, 10_000_000),
  /** how much a pack holds, in `measure` */
  packSize: range(0.001, 10_000),
  onHand: range(0, 100_000),
};

const sheet = z.object({
  ...common,
  role: z.literal('sheet'),
  measure: z.literal('piece'),
  widthM: range(0.05, 4),
  heightM: range(0.05, 4),
  thicknessM: range(0.0005, 0.06),
  densityKgPerM3: range(10, 9000),
  /** how it answers heat: wood chars, foam melts, metal does neither */
  burns: z.enum(['wood', 'foam', 'no']),
});
const socket = z.object({
  ...common,
  role: z.literal('socket'),
  measure: z.literal('piece'),
  base: z.enum(BASES),
  footprintDiameterM: range(0.01, 0.3),
  /** board face to the rim where the bulb's glass begins */
  heightM: range(0.005, 0.3),
  ratedW: range(1, 1000),
  ratedV: range(12, 500),
  massKg: range(0.001, 2),
});
const cord = z.object({
  ...common,
  role: z.literal('cord'),
  measure: z.literal('m'),
  cord: z.enum(CORD_IDS),
  massKgPerM: range(0.005, 2),
});
const plug = z.object({
  ...common,
  role: z.literal('plug'),
  measure: z.literal('piece'),
  ratedA: range(1, 32),
  /** fuse inside the plug, A; null for none */
  fuseA: z.nullable(range(1, 32)),
});
const dimmer = z.object({
  ...common,
  role: z.literal('dimmer'),
  measure: z.literal('piece'),
  edge: z.enum(['leading', 'trailing']),
  minimumW: range(0, 500),
  /** rating for filament lamps */
  maximumW: range(10, 10_000),
});
const paint = z.object({
  ...common,
  role: z.literal('paint'),
  measure: z.literal('l'),
  coverageM2PerL: range(1, 40),
});
const cloth = z.object({
  ...common,
  role: z.literal('cloth'),
  measure: z.literal('m'),
  widthM: range(0.2, 6),
});
const hardware = z.object({
  ...common,
  role: z.literal('hardware'),
  measure: z.enum(['piece', 'm']),
});

/** Anything bought for a build that does not give light itself. */
export const partSchema = z.discriminatedUnion('role', [
  sheet,
  socket,
  cord,
  plug,
  dimmer,
  paint,
  cloth,
  hardware,
]);
export type Part = z.infer<typeof partSchema>;
export type Role = Part['role'];
export type PartOf<R extends Role> = Extract<Part, { role: R }>;
