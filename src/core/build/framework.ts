import type { Vector } from '../light/vector';
import type { HardwareId } from '../materials/hardware';

/** Fittings that pipes meet in, and how many pipes each takes. */
export const FITTING_WAYS = {
  cap: 1,
  coupler: 2,
  elbow: 2,
  tee: 3,
  cross: 4,
  'four-way': 4,
  'five-way': 5,
} as const satisfies Partial<Record<HardwareId, number>>;
export type Fitting = keyof typeof FITTING_WAYS;

/** Where pipes meet. */
export interface Joint {
  id: string;
  fitting: Fitting;
  /** its middle */
  atM: Vector;
}

/** One length of pipe between two joints; cut shorter than they stand apart by what the fittings take. */
export interface Pipe {
  id: string;
  /** the piece it is cut as */
  piece: string;
  from: string;
  to: string;
  cutM: number;
}

/** A frame of pipe: drawn as a map, its fittings counted and bought from it. */
export interface Framework {
  id: string;
  name: string;
  joints: Joint[];
  pipes: Pipe[];
  /** from a fitting's middle to where a pipe's end stops in it; half the wall between two pipes in a coupler */
  takeOffM: number;
  couplerM: number;
  /** parameter that tells it */
  field: string;
  ref: string;
}
