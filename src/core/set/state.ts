import { filamentAtLevel } from '../colour/incandescent';
import { balanced } from '../colour/display';
import { mired } from '../colour/mired';
import type { Bands } from './faces';
import type { LightSource } from './scene';
import type { Thing } from './things';

/** How a light is turned up now: nothing here asks for the set to be worked out again. */
export interface LightState {
  /** of its full light, gel and all; 0 when it is off */
  factor: number;
  /** what its factor would be turned up whole */
  full: number;
  /** dimmed and gelled */
  cctK: number;
  wattsW: number;
}

/**
 * Light a gel of so many mired leaves, 0…1: exponential in its shift, a full orange (+159) some 57 %, a full blue (−137) some 35 %
 * [typ: from memory; makers differ].
 */
export const gelPasses = (shiftMired: number): number =>
  Math.exp(
    shiftMired > 0 ? (Math.log(0.57) * shiftMired) / 159 : (Math.log(0.35) * -shiftMired) / 137,
  );

const WARMEST_K = 1000;
const COOLEST_K = 25_000;

const gelled = (cctK: number, shiftMired: number): number => {
  const shifted = mired(cctK) + shiftMired;
  return Math.min(COOLEST_K, Math.max(WARMEST_K, mired(Math.max(shifted, 1))));
};

/** The state of a light or window; null for what gives none. */
export function stateOf(
  thing: Thing,
  source: Pick<LightSource, 'cctK' | 'filament' | 'wattsW'>,
): LightState | null {
  if (thing.kind === 'window')
    return { factor: thing.on ? 1 : 0, full: 1, cctK: source.cctK, wattsW: 0 };
  if (thing.kind !== 'light') return null;
  const { on, level, gelMired } = thing;
  const full = gelPasses(gelMired);
  if (!on || level <= 0) return { factor: 0, full, cctK: source.cctK, wattsW: 0 };
  const dimmed = filamentAtLevel(level);
  return {
    factor: level * full,
    full,
    cctK: gelled(source.cctK * (source.filament ? dimmed.cctRatio : 1), gelMired),
    wattsW: source.wattsW * (source.filament ? dimmed.wattsRatio : level),
  };
}

/** Its light as a balanced camera records it, luminance kept. */
export const tintOf = ({ cctK }: LightState, balanceK: number): Bands => balanced(cctK, balanceK);
