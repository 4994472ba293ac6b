import { glowContext, type GlowReadout } from './context';
import { camera, extraction, output } from './output';
import {
  bands,
  bounceLoss,
  catchlight,
  layerColour,
  mouthEvenness,
  ripple,
  spill,
} from './quality';
import type { FarField } from '../../light/farField';

export type { GlowId, GlowReadout } from './context';

/** Everything the Glow station says of a build's light, beside the ladder. */
export interface Glow {
  readouts: GlowReadout[];
  far: FarField;
}

/** @returns null for a build that gives no light */
export function glowOf(...given: Parameters<typeof glowContext>): Glow | null {
  if (given[0].totalLx <= 0 && given[0].luminousFluxLm <= 0) return null;
  const context = glowContext(...given);
  return {
    readouts: [
      camera(context),
      ...extraction(context),
      ...output(context),
      ...mouthEvenness(context),
      ...ripple(context),
      spill(context),
      catchlight(context),
      ...layerColour(context),
      bands(context),
      ...bounceLoss(context),
    ],
    far: context.far,
  };
}
