import * as z from 'zod/mini';
import { range, text, wholeRange } from '../schema';
import { unitIdSchema } from '../ids';
import { TAPE_LOADS } from '../electrics/tapeLoad';
import { spectrumSchema } from './spectrum';
import { spreadSchema } from './spread';

/** Figures whose origin is worth keeping; those not named count as read from the label. */
const origins = z.partialRecord(
  z.enum(['wattsW', 'luminousFluxLm', 'cctK', 'criRa', 'powerFactor']),
  z.enum(['metered', 'label', 'user', 'typical']),
);

/** What every light-giving part other than a bulb says of itself; null where the label is silent. */
const common = {
  id: unitIdSchema,
  name: text(1, 120),
  cctK: z.nullable(wholeRange(1000, 20_000)),
  criRa: z.nullable(range(0, 100)),
  dimmable: z.enum(['yes', 'no', 'unknown']),
  flicker: z.enum(['steady', 'mains', 'unknown']),
  priceMinor: wholeRange(0, 10_000_000),
  packCount: wholeRange(1, 1000),
  /** pieces on hand; metres for tape */
  onHand: range(0, 100_000),
  onHandCounts: z.boolean(),
  /** metered; null for what is typical of its class */
  spectrum: z.nullable(spectrumSchema),
  origins,
};

/** A unit that plugs into the mains by itself. */
const mains = {
  ...common,
  wattsW: range(0.5, 5000),
  luminousFluxLm: z.nullable(range(1, 1_000_000)),
  powerFactor: z.nullable(range(0.1, 1)),
  supplyV: range(5, 250),
  massKg: range(0.01, 50),
};

export const STRIP_COLOURS = ['white', 'bi-colour', 'rgb', 'rgbw', 'addressable'] as const;

/** LED tape, bought by the reel. */
const stripSchema = z.object({
  ...common,
  category: z.literal('strip'),
  voltageV: range(3, 60),
  wattsPerM: range(0.5, 60),
  lumensPerM: z.nullable(range(1, 10_000)),
  ledsPerM: range(5, 1000),
  reelLengthM: range(0.1, 100),
  cutIncrementM: range(0.005, 1),
  tapeWidthM: range(0.003, 0.05),
  coated: z.boolean(),
  colour: z.enum(STRIP_COLOURS),
  /** how its sections take their current */
  load: z.enum(TAPE_LOADS),
  /** resistance of its copper out and back; null for what is typical of its width */
  loopOhmPerM: z.nullable(range(0.001, 20)),
  massKgPerM: range(0.005, 0.5),
});

/** A fluorescent or LED tube, a linkable LED bar, or a colour wand. */
const tubeSchema = z.object({
  ...mains,
  category: z.literal('tube'),
  technology: z.enum(['fluorescent', 'led-tube', 'led-bar', 'wand']),
  lengthM: range(0.1, 3),
  diameterM: range(0.005, 0.1),
  needsBallast: z.boolean(),
  /** how many may hang end to end on one plug; 1 for none */
  linkMost: wholeRange(1, 50),
  warmUpS: range(0, 600),
});

const workLightSchema = z.object({
  ...mains,
  category: z.literal('work-light'),
  lamp: z.enum(['halogen', 'led']),
  faceWidthM: range(0.03, 1),
  faceHeightM: range(0.03, 1),
  depthM: range(0.01, 0.6),
  spread: spreadSchema,
});

/** A shop-bought LED panel used as a unit. */
const panelSchema = z.object({
  ...mains,
  category: z.literal('panel'),
  faceWidthM: range(0.03, 2),
  faceHeightM: range(0.03, 2),
  depthM: range(0.005, 0.4),
  spread: spreadSchema,
});

export const unitSchema = z.discriminatedUnion('category', [
  stripSchema,
  tubeSchema,
  workLightSchema,
  panelSchema,
]);
export type Unit = z.infer<typeof unitSchema>;
export type Category = Unit['category'];
export type UnitOf<C extends Category> = Extract<Unit, { category: C }>;

/** Whose origin a figure of the label changes. */
export const ORIGIN_OF: Record<string, keyof Unit['origins']> = {
  wattsW: 'wattsW',
  wattsPerM: 'wattsW',
  luminousFluxLm: 'luminousFluxLm',
  lumensPerM: 'luminousFluxLm',
  cctK: 'cctK',
  criRa: 'criRa',
  powerFactor: 'powerFactor',
};
