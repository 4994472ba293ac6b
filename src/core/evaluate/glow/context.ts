import type { Circuit } from '../../location/circuit';
import type { Shot } from '../../location/shot';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { farField, totalLumens, type FarField } from '../../light/farField';
import { allRound, type LightResult } from '../light';
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

export function glowContext(
  light: LightResult,
  resolved: ResolvedBuild,
  shot: Shot,
  circuit: Circuit,
): GlowContext {
  const sizeM = Math.max(resolved.apparent.widthM, resolved.apparent.heightM);
  const field = allRound(light.field, resolved);
  return {
    light,
    resolved,
    shot,
    circuit,
    far: farField(field, sizeM),
    outLm: totalLumens(field, sizeM),
  };
}

/** How the light's shares are known, in words for a working. */
export function howKnown({ light }: Pick<GlowContext, 'light'>): string {
  const run = light.transported;
  if (run)
    return `simulated, ${run.photons} photons, seed ${run.seed}, ± ${(run.standardError * 100).toFixed(2)} %`;
  return light.extraction === null
    ? 'summed from every lamp'
    : 'instant estimate, within a factor of two';
}
