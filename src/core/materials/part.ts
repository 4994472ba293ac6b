import * as z from 'zod/mini';
import { list, range, text, wholeRange } from '../schema';
import { partIdSchema } from '../ids';
import { CORD_IDS } from '../electrics/cord';
import { BASES } from '../electrics/caps';
import { HARDWARE_IDS } from './hardware';

/** What a pack is counted in. */
export type Measure = 'piece' | 'm' | 'm²' | 'l';

const common = {
  id: partIdSchema,
  name: text(1, 120),
  /** price of one pack */
  priceMinor: wholeRange(0, 10_000_000),
  /** how much a pack holds, in `measure` */
  packSize: range(0.001, 10_000),
  onHand: range(0, 100_000),
  /** whether what is used from stock is money spent, or free */
  onHandCounts: z.boolean(),
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
  /** grain or flutes: pieces keep their direction */
  grain: z.boolean(),
  /** left-overs in the shed, used before a new sheet is cut */
  offCuts: list(
    z.object({ widthM: range(0.02, 4), heightM: range(0.02, 4), count: wholeRange(1, 100) }),
    0,
    50,
  ),
});
const stick = z.object({
  ...common,
  role: z.literal('stick'),
  measure: z.literal('piece'),
  stockLengthM: range(0.1, 12),
  profile: z.enum(['round', 'square']),
  /** outer size across */
  diameterM: range(0.003, 0.4),
  /** wall thickness; 0 for a solid bar */
  wallM: range(0, 0.05),
  massKgPerM: range(0.01, 20),
  /** Young's modulus, for its sag; GPa */
  stiffnessGPa: range(0.5, 250),
  offCuts: list(z.object({ lengthM: range(0.02, 12), count: wholeRange(1, 100) }), 0, 50),
});
const diffusion = z.object({
  ...common,
  role: z.literal('diffusion'),
  measure: z.literal('m'),
  /** width of the roll or bolt */
  widthM: range(0.1, 6),
  transmittance: range(0.02, 1),
  backReflectance: range(0, 0.9),
  /** half-peak width of a beam after it, degrees; 110 and more scatters fully */
  spreadDeg: range(0, 180),
  shiftMired: range(-100, 100),
  limitC: range(40, 600),
  origin: z.enum(['typical', 'label', 'metered', 'user']),
});
const supply = z.object({
  ...common,
  role: z.literal('supply'),
  measure: z.literal('piece'),
  voltageV: range(3, 60),
  ratedW: range(1, 2000),
  powerFactor: range(0.3, 1),
  massKg: range(0.02, 10),
});
const ballast = z.object({
  ...common,
  role: z.literal('ballast'),
  measure: z.literal('piece'),
  kind: z.enum(['magnetic', 'electronic']),
  tubes: wholeRange(1, 4),
  massKg: range(0.05, 5),
});
const clampLamp = z.object({
  ...common,
  role: z.literal('clamp-lamp'),
  measure: z.literal('piece'),
  base: z.enum(BASES),
  ratedW: range(5, 1000),
  reflectorDiameterM: range(0.05, 1),
  massKg: range(0.05, 5),
});
const softbox = z.object({
  ...common,
  role: z.literal('softbox'),
  measure: z.literal('piece'),
  diameterM: range(0.2, 3),
  depthM: range(0.1, 2),
  reflectance: range(0.2, 0.98),
  massKg: range(0.1, 10),
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
  massKgPerM2: range(0.01, 2),
});
const hardware = z.object({
  ...common,
  role: z.literal('hardware'),
  kind: z.enum(HARDWARE_IDS),
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
  stick,
  diffusion,
  supply,
  ballast,
  clampLamp,
  softbox,
]);
export type Part = z.infer<typeof partSchema>;
export type Role = Part['role'];
export type PartOf<R extends Role> = Extract<Part, { role: R }>;
