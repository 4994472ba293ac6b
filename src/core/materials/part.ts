import { z } from 'zod';
import { partIdSchema } from '../ids';
import { CORD_IDS } from '../power/cord';
import { BASES } from '../units/bulb';

/** What a pack is counted in. */
export const MEASURES = ['piece', 'm', 'm²', 'l'] as const;
export type Measure = (typeof MEASURES)[number];

const common = {
  id: partIdSchema,
  name: z.string().trim().min(1).max(120),
  /** price of one pack */
  priceMinor: z.number().int().min(0).max(10_000_000),
  /** how much a pack holds, in `measure` */
  packSize: z.number().positive().max(10_000),
  onHand: z.number().min(0).max(100_000),
};

const sheet = z.object({
  ...common,
  role: z.literal('sheet'),
  measure: z.literal('piece'),
  widthM: z.number().min(0.05).max(4),
  heightM: z.number().min(0.05).max(4),
  thicknessM: z.number().min(0.0005).max(0.06),
  densityKgPerM3: z.number().min(10).max(9000),
  /** how it answers heat: wood chars, foam melts, metal does neither */
  burns: z.enum(['wood', 'foam', 'no']),
});
const socket = z.object({
  ...common,
  role: z.literal('socket'),
  measure: z.literal('piece'),
  base: z.enum(BASES),
  footprintDiameterM: z.number().min(0.01).max(0.3),
  /** board face to the rim where the bulb's glass begins */
  heightM: z.number().min(0.005).max(0.3),
  ratedW: z.number().min(1).max(1000),
  ratedV: z.number().min(12).max(500),
  massKg: z.number().min(0.001).max(2),
});
const cord = z.object({
  ...common,
  role: z.literal('cord'),
  measure: z.literal('m'),
  cord: z.enum(CORD_IDS),
  massKgPerM: z.number().min(0.005).max(2),
});
const plug = z.object({
  ...common,
  role: z.literal('plug'),
  measure: z.literal('piece'),
  ratedA: z.number().min(1).max(32),
  /** fuse inside the plug, A; null for none */
  fuseA: z.number().min(1).max(32).nullable(),
});
const dimmer = z.object({
  ...common,
  role: z.literal('dimmer'),
  measure: z.literal('piece'),
  edge: z.enum(['leading', 'trailing']),
  minimumW: z.number().min(0).max(500),
  /** rating for filament lamps */
  maximumW: z.number().min(10).max(10_000),
});
const paint = z.object({
  ...common,
  role: z.literal('paint'),
  measure: z.literal('l'),
  coverageM2PerL: z.number().min(1).max(40),
});
const cloth = z.object({
  ...common,
  role: z.literal('cloth'),
  measure: z.literal('m'),
  widthM: z.number().min(0.2).max(6),
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
