import type { Piece } from './pieces';

/** Stages of making, in order; the way a light comes together at the bench. */
export const STAGES = [
  'check parts',
  'mark',
  'cut',
  'finish',
  'mount',
  'wire',
  'close',
  'look over',
  'power up',
  'dress',
  'warm',
  'rig',
  'meter',
] as const;
export type Stage = (typeof STAGES)[number];

/** One thing to do. Its id stays when its words and numbers change: ticks hang on it. */
export interface Step {
  id: string;
  stage: Stage;
  title: string;
  why: string;
  /** ids of steps that come before it, beyond what the stages say */
  needs: readonly string[];
  /** ids of the pieces that are worked on or put in */
  pieces: readonly string[];
  /** all pieces of a kind, beside those named */
  works?: Piece['kind'];
  tools: readonly string[];
  /** of work */
  minutes: number;
  /** of waiting: paint, glue, a lamp that must get warm */
  waitMinutes: number;
  hazards: readonly string[];
  /** what must be so before going on */
  check: string;
}
