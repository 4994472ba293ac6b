import { estimateWithin } from '../../light/mouth';
import type { Circuit } from '../../location/circuit';
import type { Shot } from '../../location/shot';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import {
  distributionOf,
  farField,
  fluxOf,
  type Distribution,
  type FarField,
} from '../../light/farField';
import { frontSize, leavesM } from '../../build/front';
import { allRound } from '../field';
import type { LightResult } from '../light';
import type { Readout } from '../readout';

/** Readouts of the Glow station, beside the ladder's rungs. */
export type GlowId =
  | 'camera'
  | 'extraction'
  | 'output'
  | 'peak'
  | 'beam'
  | 'luxPerWatt'
  | 'bare'
  | 'mouthEvenness'
  | 'ripple'
  | 'spill'
  | 'catchlight'
  | 'layerColour'
  | 'bands'
  | 'bounceLoss';
export type GlowReadout = Readout<GlowId>;

/** What every Glow readout is made from. */
export interface GlowContext {
  light: LightResult;
  resolved: ResolvedBuild;
  shot: Shot;
  circuit: Circuit;
  far: FarField;
  /** lumens that leave, doors and grids taken off */
  outLm: number;
}

/** A build's light all round, as files and spread are read from it. */
export function aroundOf({ field }: LightResult, resolved: ResolvedBuild): Distribution {
  const { widthM, heightM } = frontSize(resolved);
  return distributionOf(
    allRound(field, resolved),
    [0, 0, leavesM(resolved)],
    Math.max(widthM, heightM),
  );
}

export function glowContext(
  light: LightResult,
  resolved: ResolvedBuild,
  shot: Shot,
  circuit: Circuit,
): GlowContext {
  const around = aroundOf(light, resolved);
  return {
    light,
    resolved,
    shot,
    circuit,
    far: farField(around),
    outLm: fluxOf(around),
  };
}

/** How far an estimate may be off. */
export const estimateWords = ({ mouth }: ResolvedBuild): string =>
  `instant estimate, within a factor of ${mouth ? estimateWithin(mouth) : 1}`;

/** How figures that are read from the field are known. */
export function fieldKnown(context: GlowContext): string {
  const { standardErrorLx, totalLx } = context.light;
  if (standardErrorLx === null || totalLx <= 0) return howKnown(context);
  return `read from the simulated field, ± ${((100 * standardErrorLx) / totalLx).toFixed(1)} %`;
}

/** How the light's shares are known, in words for a working. */
export function howKnown({ light, resolved }: Pick<GlowContext, 'light' | 'resolved'>): string {
  const run = light.transported;
  if (run)
    return `simulated, ${run.photons} photons, seed ${run.seed}, ± ${(run.standardError * 100).toFixed(2)} %`;
  return light.extraction === null ? 'summed from every lamp' : estimateWords(resolved);
}
