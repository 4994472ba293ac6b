import type { Severity } from '../findings/finding';
import type { Origin } from '../origin';
import type { Dimension } from '../quantity';

/** The ladder's fixed rungs, always in this order. */
export const RUNGS = [
  'light',
  'stops',
  'softness',
  'evenness',
  'colour',
  'flicker',
  'power',
  'heat',
  'cost',
] as const;
export type RungId = (typeof RUNGS)[number];

export type ReadoutDimension = Dimension | 'money';

export interface WorkingInput {
  symbol: string;
  name: string;
  value: number;
  dimension: ReadoutDimension;
  origin: Origin;
}

/** The explanation behind a number, made where the number is made. */
export interface Working {
  formula: string;
  /** the formula with the numbers put in, SI units */
  substituted: string;
  inputs: WorkingInput[];
  source: string;
  /** what the model leaves out */
  leavesOut?: string;
}

export interface Readout<Id extends string = RungId> {
  id: Id;
  label: string;
  /** SI, minor units for money; null while it cannot be known */
  value: number | null;
  dimension: ReadoutDimension;
  /** a second figure worth showing, such as amperes beside watts */
  second?: { value: number; dimension: ReadoutDimension; label: string };
  target?: { value: number; dimension: ReadoutDimension; label: string };
  /** signed distance to the target in stops, where stops make sense */
  marginStops?: number;
  /** the margin or judgement in words */
  words: string;
  state: Severity;
  /** the least sure origin among what went in */
  origin: Origin;
  working: Working;
}

const SURENESS: Record<Origin, number> = {
  metered: 0,
  calibrated: 1,
  label: 2,
  yours: 3,
  computed: 4,
  typical: 5,
};

/** A result is only as sure as its least sure input. */
export const leastSure = (origins: readonly Origin[]): Origin =>
  origins.reduce<Origin>(
    (worst, origin) => (SURENESS[origin] > SURENESS[worst] ? origin : worst),
    'metered',
  );

/** A rung that cannot be worked out yet, and what is missing. */
export function unknownReadout<Id extends string = RungId>(
  id: Id,
  label: string,
  dimension: ReadoutDimension,
  words: string,
  working: Working,
): Readout<Id> {
  return { id, label, value: null, dimension, words, state: 'unknown', origin: 'yours', working };
}

/** One figure that went into a working. */
export const given = (
  symbol: string,
  name: string,
  value: number,
  dimension: ReadoutDimension,
  origin: Origin = 'yours',
): WorkingInput => ({ symbol, name, value, dimension, origin });
