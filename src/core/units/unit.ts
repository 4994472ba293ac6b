import * as z from 'zod/mini';
import { BASES } from '../electrics/caps';
import { PROTECTION_NAMES } from '../electrics/protection';
import { TAPE_LOAD_NAMES } from '../electrics/tapeLoad';
import { unitIdSchema } from '../ids';
import {
  choice,
  colourTemperature,
  count,
  defineRecord,
  figuresOf,
  flux,
  hours,
  kept,
  length,
  mass,
  maybe,
  number,
  only,
  onHand,
  originsSchema,
  power,
  price,
  seconds,
  unsaid,
  voltage,
  yesNo,
} from '../record/define';
import { text } from '../schema';
import { spectrumSchema } from './spectrum';
import { spreadSchema, type Spread } from './spread';

/** What the label of every light-giving thing may say. */
const light = {
  cctK: maybe(colourTemperature('Colour temperature', { min: 1000, max: 20_000, start: 4000 })),
  criRa: maybe(number('CRI Ra', { min: 0, max: 100, start: 80 })),
  dimmable: choice('Dimmable', { yes: 'yes', no: 'no', unknown: 'not known' }, 'unknown'),
  flicker: choice(
    'Flicker',
    // Steady: driven with direct current; mains: ripples at twice the mains frequency.
    { steady: 'steady driver', mains: 'follows the mains', unknown: 'not known' },
    'unknown',
  ),
  /** metered; null for what is typical of its class */
  spectrum: kept(z.nullable(spectrumSchema), null),
};
/** Colours of a lamp that can be mixed. */
const COLOURS = {
  white: 'one white',
  'bi-colour': 'two whites, mixed',
  rgb: 'red, green, blue',
  rgbw: 'red, green, blue and white',
} as const;
/** What a label says of each colour by itself, fully up. @param measure  “ a metre” for tape */
function channels(measure: '' | ' a metre') {
  const lumens = (label: string, is: string | string[]) =>
    unsaid(
      only(
        'colour',
        is,
        maybe(flux(`${label} alone${measure}`, { min: 0.1, max: 1e6, start: 100 })),
      ),
    );
  const white = (label: string, start: number) =>
    unsaid(
      only(
        'colour',
        'bi-colour',
        maybe(colourTemperature(label, { min: 1000, max: 20_000, start })),
      ),
    );
  const mixed = ['rgb', 'rgbw', 'addressable'];
  return {
    warmK: white('Warm white is', 2700),
    coolK: white('Cool white is', 6500),
    warmLm: lumens('Warm white', 'bi-colour'),
    coolLm: lumens('Cool white', 'bi-colour'),
    redLm: lumens('Red', mixed),
    greenLm: lumens('Green', mixed),
    blueLm: lumens('Blue', mixed),
    whiteLm: lumens('White', 'rgbw'),
  };
}
const stock = { packCount: count('In a pack', { min: 1, max: 1000, start: 1 }, 'stock') };

/** A unit that hangs on the mains by itself. */
const mains = (wattsW: { min: number; max: number; start: number }, mostLm: number) => ({
  wattsW: power('Watts', wattsW),
  luminousFluxLm: maybe(flux('Lumens', { min: 1, max: mostLm, start: 800 })),
  ...light,
  colour: unsaid(choice('Colours', COLOURS, 'white')),
  ...channels(''),
  supplyV: voltage('Supply', { min: 5, max: 250, start: 230 }),
  /** of a lamp for a range of mains, 100–240 V */
  supplyToV: maybe(voltage('… up to', { min: 5, max: 480, start: 240 }), 'that alone'),
  powerFactor: maybe(number('Power factor', { min: 0.1, max: 1, start: 0.9 })),
});
/** A body of its own that can be touched, and stood outdoors. */
const body = {
  protection: choice('Protection', PROTECTION_NAMES, 'unknown'),
  weather: choice(
    'Weather',
    { dry: 'indoors, or not said', IP44: 'IP44, splashes', IP65: 'IP65, rain' },
    'dry',
  ),
};
const spread = (start: Spread) => ({
  spread: {
    schema: spreadSchema,
    start,
    role: 'figure' as const,
    edited: { kind: 'spread' as const, label: 'Spread', role: 'figure' as const },
  },
});
const face = (mostM: number, [widthM, heightM]: readonly [number, number]) => ({
  faceWidthM: length('Face width', { min: 0.03, max: mostM, start: widthM }),
  faceHeightM: length('Face height', { min: 0.03, max: mostM, start: heightM }),
});

/** A household bulb; its flux, claims and cap as its box prints them. */
const bulb = defineRecord({
  kind: choice(
    'Kind',
    {
      led: 'LED',
      'led-filament': 'LED filament',
      corn: 'LED corn or stick',
      cfl: 'compact fluorescent',
      halogen: 'halogen',
      incandescent: 'incandescent',
    },
    'led',
  ),
  base: choice('Base', BASES, 'E27'),
  ...mains({ min: 0.1, max: 2000, start: 9 }, 100_000),
  equivalentW: maybe(power('“… W equivalent”', { min: 1, max: 1000, start: 60 }), 'no claim'),
  globeDiameterM: length('Globe Ø', { min: 0.005, max: 0.4, start: 0.06 }),
  lengthM: length('Length with cap', { min: 0.02, max: 0.6, start: 0.11 }),
  massKg: mass('Mass', { min: 0.001, max: 5, start: 0.06 }),
  ...spread({ class: 'forward' }),
  ratedLifeH: maybe(hours('Rated life, hours', { min: 1, max: 200_000, start: 15_000 })),
  warmUpS: seconds('Warm-up', { min: 0, max: 600, start: 0 }),
  priceMinor: price,
  ...stock,
  ...onHand('On hand'),
});

/** LED tape, bought by the reel; what is on hand counts in metres. */
const strip = defineRecord({
  voltageV: voltage('Volts', { min: 3, max: 60, start: 24 }),
  wattsPerM: power('Watts a metre', { min: 0.5, max: 60, start: 10 }),
  lumensPerM: maybe(flux('Lumens a metre', { min: 1, max: 10_000, start: 900 })),
  ...light,
  ledsPerM: number('LED a metre', { min: 5, max: 1000, start: 120 }),
  cutIncrementM: length('Cut marks apart', { min: 0.005, max: 1, start: 0.05 }),
  reelLengthM: length('Reel', { min: 0.1, max: 100, start: 5 }),
  tapeWidthM: length('Tape width', { min: 0.003, max: 0.05, start: 0.01 }),
  colour: choice('Colour', ['white', 'bi-colour', 'rgb', 'rgbw', 'addressable'], 'white'),
  ...channels(' a metre'),
  /** how its sections take their current */
  load: choice('Its sections', TAPE_LOAD_NAMES, 'string'),
  loopOhmPerM: maybe(
    number('Copper out and back, Ω/m', { min: 0.001, max: 20, start: 0.1 }),
    'typical of its width',
  ),
  coated: yesNo('Coat', { no: 'bare', yes: 'coated, will not bend' }),
  massKgPerM: number('Mass a metre, kg', { min: 0.005, max: 0.5, start: 0.02 }),
  priceMinor: price,
  ...stock,
  ...onHand('On hand, m'),
});

/** A fluorescent or LED tube, a linkable LED bar, or a colour wand. */
const tube = defineRecord({
  technology: choice(
    'Kind',
    {
      fluorescent: 'fluorescent',
      'led-tube': 'LED tube',
      'led-bar': 'LED bar, flat cover',
      wand: 'colour wand',
    },
    'led-tube',
  ),
  ...mains({ min: 0.5, max: 5000, start: 18 }, 1_000_000),
  ...body,
  lengthM: length('Length', { min: 0.1, max: 3, start: 1.2 }),
  diameterM: length('Across', { min: 0.005, max: 0.1, start: 0.026 }),
  massKg: mass('Mass', { min: 0.01, max: 50, start: 0.25 }),
  needsBallast: yesNo('Ballast', { no: 'wants none', yes: 'needs one' }),
  /** where the mains goes to an LED tube; wired at the wrong end it is a short */
  fedAt: choice(
    'Fed at',
    { one: 'one end', both: 'both ends, live here, neutral there', unknown: 'not read yet' },
    'unknown',
  ),
  /** how many may hang end to end on one plug; 1 for none */
  linkMost: count('Linked at most', { min: 1, max: 50, start: 1 }),
  warmUpS: seconds('Warm-up', { min: 0, max: 600, start: 0 }),
  priceMinor: price,
  ...stock,
  ...onHand('On hand'),
});

const workLight = defineRecord({
  lamp: choice('Lamp', { led: 'LED', halogen: 'halogen' }, 'led'),
  ...mains({ min: 0.5, max: 5000, start: 30 }, 1_000_000),
  ...body,
  ...face(1, [0.2, 0.15]),
  depthM: length('Depth', { min: 0.01, max: 0.6, start: 0.05 }),
  massKg: mass('Mass', { min: 0.01, max: 50, start: 1 }),
  ...spread({ class: 'lambert' }),
  priceMinor: price,
  ...stock,
  ...onHand('On hand'),
});

/** A shop-bought LED panel used as a unit. */
const panel = defineRecord({
  ...mains({ min: 0.5, max: 5000, start: 20 }, 1_000_000),
  ...body,
  ...face(2, [0.3, 0.2]),
  depthM: length('Depth', { min: 0.005, max: 0.4, start: 0.03 }),
  massKg: mass('Mass', { min: 0.01, max: 50, start: 0.8 }),
  ...spread({ class: 'lambert' }),
  priceMinor: price,
  ...stock,
  ...onHand('On hand'),
});

/** Everything that gives light, by category: its fields, what a new one says, what each is for. */
export const UNIT_RECORDS = { bulb, strip, tube, 'work-light': workLight, panel };
export type Category = keyof typeof UNIT_RECORDS;
export const CATEGORIES = Object.keys(UNIT_RECORDS) as Category[];

const common = {
  id: unitIdSchema,
  name: text(1, 120),
  origins: originsSchema(figuresOf(Object.values(UNIT_RECORDS))),
};

/** One light-giving thing as its label describes it; null means the label does not say. */
export const unitSchema = z.discriminatedUnion('category', [
  z.object({ ...common, category: z.literal('bulb'), ...bulb.shape }),
  z.object({ ...common, category: z.literal('strip'), ...strip.shape }),
  z.object({ ...common, category: z.literal('tube'), ...tube.shape }),
  z.object({ ...common, category: z.literal('work-light'), ...workLight.shape }),
  z.object({ ...common, category: z.literal('panel'), ...panel.shape }),
]);
export type Unit = z.infer<typeof unitSchema>;
export type UnitOf<C extends Category> = Extract<Unit, { category: C }>;
export type Bulb = UnitOf<'bulb'>;
export type BulbKind = Bulb['kind'];
export const BULB_KINDS = bulb.shape.kind.options;
