import type { Dimension } from '@/core/quantity';
import type { Bulb } from '@/core/units/bulb';

type Measured = {
  [K in keyof Bulb]: Bulb[K] extends number | null ? K : never;
}[keyof Bulb];

interface BulbField {
  field: Exclude<Measured, 'priceMinor'>;
  label: string;
  dimension: Dimension;
  assumedUnit: string;
  step: number;
  min: number;
  max: number;
  whole?: boolean;
  /** what an empty field means, for figures a label may hide */
  emptyText?: string;
}

const count = { dimension: 'count', assumedUnit: '', step: 1 } as const;
const silent = 'label is silent';

/** Measured label fields in the order a box prints them; limits are the schema's. */
export const BULB_FIELDS: readonly BulbField[] = [
  {
    field: 'wattsW',
    label: 'Watts',
    dimension: 'power',
    assumedUnit: 'W',
    step: 0.5,
    min: 0.1,
    max: 2000,
  },
  {
    field: 'luminousFluxLm',
    label: 'Lumens',
    dimension: 'luminousFlux',
    assumedUnit: 'lm',
    step: 10,
    min: 1,
    max: 100_000,
    emptyText: silent,
  },
  {
    field: 'equivalentW',
    label: '“… W equivalent”',
    dimension: 'power',
    assumedUnit: 'W',
    step: 5,
    min: 1,
    max: 1000,
    emptyText: 'no claim',
  },
  {
    field: 'cctK',
    label: 'Colour temperature',
    dimension: 'colourTemperature',
    assumedUnit: 'K',
    step: 100,
    min: 1000,
    max: 20_000,
    whole: true,
    emptyText: silent,
  },
  { field: 'criRa', label: 'CRI Ra', ...count, min: 0, max: 100, emptyText: silent },
  {
    field: 'supplyV',
    label: 'Supply',
    dimension: 'voltage',
    assumedUnit: 'V',
    step: 1,
    min: 5,
    max: 250,
  },
  {
    field: 'powerFactor',
    label: 'Power factor',
    dimension: 'count',
    assumedUnit: '',
    step: 0.05,
    min: 0.1,
    max: 1,
    emptyText: silent,
  },
  {
    field: 'globeDiameterM',
    label: 'Globe Ø',
    dimension: 'length',
    assumedUnit: 'mm',
    step: 0.001,
    min: 0.005,
    max: 0.4,
  },
  {
    field: 'lengthM',
    label: 'Length with cap',
    dimension: 'length',
    assumedUnit: 'mm',
    step: 0.001,
    min: 0.02,
    max: 0.6,
  },
  {
    field: 'massKg',
    label: 'Mass',
    dimension: 'mass',
    assumedUnit: 'g',
    step: 0.005,
    min: 0.001,
    max: 5,
  },
  { field: 'packCount', label: 'In a pack', ...count, min: 1, max: 1000, whole: true },
  { field: 'onHandCount', label: 'On hand', ...count, min: 0, max: 10_000, whole: true },
  {
    field: 'ratedLifeH',
    label: 'Rated life, hours',
    ...count,
    step: 1000,
    min: 1,
    max: 200_000,
    emptyText: silent,
  },
  {
    field: 'warmUpS',
    label: 'Warm-up',
    dimension: 'time',
    assumedUnit: 's',
    step: 10,
    min: 0,
    max: 600,
  },
];
