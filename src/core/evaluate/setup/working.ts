import { threeFigures } from '../../quantity';
import type { Working } from '../readout';

/** A figure of a set, told: what it says, how sure it is, and how it came about. */
export interface SetWorking extends Working {
  title: string;
  words: string;
  /** what it may be off by, and by what */
  error: string;
}

export const lx = (value: number) => `${threeFigures(value)} lx`;
export const percent = (share: number) => `${Math.round(share * 100)} %`;
export const stops = (share: number) => Math.log2(1 + share).toFixed(2);

export const SOURCE =
  'Light adds. Each light alone: its own field with what stands in the way, then every order of bounce between patches by Lambert’s law';
export const LEAVES_OUT =
  'Finishes as typed or typical, shine of walls and skin, and what is not drawn in the plan.';
export const ALONE = 'each light’s own lumens; lights err by themselves';
