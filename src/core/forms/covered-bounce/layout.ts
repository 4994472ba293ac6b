import type { FormContext } from '../form';
import { mm } from '../../quantity';
import { layerParts } from '../kit/lookup';
import { tubeOf } from '../kit/tubes';
import { TUBE_ACROSS_M, TUBE_LONG_M } from '../kit/typical';
import type { Problem } from '../../result';
import { type Bounce } from './parameters';

/** Board left outside a tube: its clip must hold. */
export const LEAST_EDGE_M = 0.01;

/** Two tubes, one along each long edge, shining into the board. */
export function layout(bounce: Bounce, context: FormContext) {
  const tube = tubeOf(bounce.unitId, context);
  // A tube nobody has chosen yet is none longer than its board.
  const longM =
    (tube?.lengthM ?? Math.min(TUBE_LONG_M, bounce.widthM / bounce.linkRun)) * bounce.linkRun;
  return {
    tube,
    longM,
    diameterM: tube?.diameterM ?? TUBE_ACROSS_M,
    y: bounce.heightM / 2 - bounce.offsetM,
  };
}

export function problems(bounce: Bounce, context: FormContext): Problem[] {
  const { longM, diameterM } = layout(bounce, context);
  const found: Problem[] = [];
  if (bounce.standoffM < diameterM / 2)
    found.push({
      code: 'standoff',
      path: 'standoffM',
      message: `The middle of a tube of Ø ${mm(diameterM)} cannot lie ${mm(bounce.standoffM)} over the board: ${mm(diameterM / 2)} at least.`,
    });
  if (bounce.offsetM < diameterM / 2)
    found.push({
      code: 'edge',
      path: 'offsetM',
      message: `A tube of Ø ${mm(diameterM)} with its middle ${mm(bounce.offsetM)} in from the edge hangs over it: ${mm(diameterM / 2)} at least.`,
    });
  if (layerParts(bounce, context).length && bounce.drapeOutM < bounce.standoffM + diameterM / 2)
    found.push({
      code: 'drape',
      path: 'drapeOutM',
      message: `A drape ${mm(bounce.drapeOutM)} over the board lies on its tubes, which reach ${mm(bounce.standoffM + diameterM / 2)}: hold it farther off.`,
    });
  if (bounce.offsetM >= bounce.heightM / 2 - Math.max(LEAST_EDGE_M, diameterM / 2))
    found.push({
      code: 'offset',
      path: 'offsetM',
      message: `Tubes ${mm(bounce.offsetM)} in from both edges meet in the middle of a board ${mm(bounce.heightM)} high.`,
    });
  const tubeM = longM / bounce.linkRun;
  if (bounce.clipInM * 2 >= tubeM)
    found.push({
      code: 'clips',
      path: 'clipInM',
      message: `Clips ${mm(bounce.clipInM)} from both ends pass each other on a tube ${mm(tubeM)} long.`,
    });
  return found;
}
