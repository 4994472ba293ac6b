import { filamentAtLevel } from '../colour/incandescent';
import { balancedUv } from '../colour/display';
import { mired } from '../colour/mired';
import { movedAs } from '../colour/mix';
import { cctOfUv, planckianUv, type Chromaticity } from '../colour/planck';
import { isColoured, mixedLight } from '../units/channels';
import type { Bands } from './faces';
import type { LightSource } from './scene';
import type { LightThing, Thing } from './things';

/** How a light is turned up now: nothing here asks for the set to be worked out again. */
export interface LightState {
  /** of its full light, gel and all; 0 when it is off */
  factor: number;
  /** what its factor would be turned up whole */
  full: number;
  /** dimmed and gelled; of a colour the nearest */
  cctK: number;
  /** place of a mixed colour in CIE 1960 u, v; null on the Planckian locus */
  uv: Chromaticity | null;
  /** a colour, and no white */
  coloured: boolean;
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

export type StateSource = Pick<LightSource, 'cctK' | 'uv' | 'mixed' | 'filament' | 'wattsW'>;

/** The state of a light or window; null for what gives none. */
export function stateOf(thing: Thing, source: StateSource): LightState | null {
  if (thing.kind === 'window')
    return { factor: thing.on ? 1 : 0, full: 1, ...white(source.cctK), wattsW: 0 };
  if (thing.kind !== 'light') return null;
  const { on, level, gelMired, copies } = thing;
  const mix = mixOf(thing, source);
  const full = gelPasses(gelMired) * mix.lumens * copies;
  const dimmed = filamentAtLevel(level);
  const lit = on && level > 0;
  const reddened = source.filament && lit ? dimmed.cctRatio : 1;
  return {
    factor: lit ? level * full : 0,
    full,
    ...(mix.uv
      ? tinted(mix.uv, gelMired + mix.shiftMired)
      : white(gelled(source.cctK * reddened, gelMired))),
    wattsW: lit
      ? copies * source.wattsW * mix.watts * (source.filament ? dimmed.wattsRatio : level)
      : 0,
  };
}

/** How its colours are mixed here: lumens and watts against how it was worked out. */
function mixOf(thing: LightThing, { mixed, uv }: StateSource) {
  const now = mixed && mixedLight(mixed.lamp, thing);
  if (!mixed || !now) return { lumens: 1, watts: 1, uv, shiftMired: 0 };
  return {
    lumens: now.lumensShare / mixed.lumensShare,
    watts: mixed.wattsShare > 0 ? now.wattsShare / mixed.wattsShare : 1,
    // Mixed to nothing it is as dark as switched off.
    uv: now.uv ?? uv,
    shiftMired: mixed.shiftMired,
  };
}

type Colour = Pick<LightState, 'cctK' | 'uv' | 'coloured'>;
const white = (cctK: number): Colour => ({ cctK, uv: null, coloured: false });

function tinted(place: Chromaticity, gelMired: number): Colour {
  const before = cctOfUv(place);
  const cctK = gelled(before, gelMired);
  const uv = movedAs(place, before, cctK);
  return { cctK, uv, coloured: isColoured(uv, cctK) };
}

/** Its light as a balanced camera records it, luminance kept. */
export const tintOf = ({ uv, cctK }: LightState, balanceK: number): Bands =>
  balancedUv(uv ?? planckianUv(cctK), balanceK);
