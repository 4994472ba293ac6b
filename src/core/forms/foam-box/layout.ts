import type { FormContext } from '../form';
import { mm } from '../../quantity';
import { frustum, type Frustum } from '../kit/development';
import { bulbsOf } from '../kit/lamps';
import { layerParts } from '../kit/lookup';
import { GLOBE_M } from '../kit/typical';
import type { Problem } from '../../result';
import type { FoamBox } from './parameters';

/** Foam core left round the hole of a lamp, on both sides together. */
export const HOLE_EDGE_M = 0.01;
/** A box shallower than this is none. */
export const LEAST_DEPTH_M = 0.02;
const LEAST_BACK_M = 0.01;

export interface BoxLayout extends Frustum {
  backWidthM: number;
  backHeightM: number;
  depthM: number;
}

/** From its depth, or from flat stock: the wing is the slant and the inset narrows it to the back. */
export function layoutBox(box: FoamBox): BoxLayout {
  const flat = box.shapeBy === 'inset';
  const backWidthM = flat
    ? Math.max(LEAST_BACK_M, box.frontWidthM - 2 * box.insetM)
    : box.backWidthM;
  const backHeightM = flat
    ? Math.max(LEAST_BACK_M, box.frontHeightM - 2 * box.insetM)
    : box.backHeightM;
  const depthM = flat ? Math.sqrt(Math.max(1e-6, box.wingM ** 2 - box.insetM ** 2)) : box.depthM;
  return {
    ...frustum(box.frontWidthM, box.frontHeightM, backWidthM, backHeightM, depthM),
    backWidthM,
    backHeightM,
    depthM,
  };
}

/** Of the biggest bulb; a common one for none. */
export const globeOf = (box: FoamBox, context: FormContext): number =>
  Math.max(...bulbsOf(box.groups, context).map((bulb) => bulb?.globeDiameterM ?? GLOBE_M));

export function boxProblems(box: FoamBox, context: FormContext): Problem[] {
  const { backWidthM, backHeightM } = layoutBox(box);
  const problems: Problem[] = [];
  if (box.shapeBy === 'inset' && box.insetM >= box.wingM)
    problems.push({
      code: 'inset',
      path: 'insetM',
      message: `An inset of ${mm(box.insetM)} from a wing of ${mm(box.wingM)} leaves no depth.`,
    });
  if (
    box.shapeBy === 'inset' &&
    2 * box.insetM >= Math.min(box.frontWidthM, box.frontHeightM) - LEAST_DEPTH_M
  )
    problems.push({
      code: 'inset-front',
      path: 'insetM',
      message: `An inset of ${mm(box.insetM)} on both sides is more than the front is wide.`,
    });
  if (backWidthM > box.frontWidthM + 1e-9 || backHeightM > box.frontHeightM + 1e-9)
    problems.push({
      code: 'back',
      path: 'backWidthM',
      message: 'The back is bigger than the front: the box would throw its light into itself.',
    });
  const smallest = Math.min(backWidthM, backHeightM);
  if (box.holeDiameterM > smallest - HOLE_EDGE_M)
    problems.push({
      code: 'hole',
      path: 'holeDiameterM',
      message: `A hole of Ø ${mm(box.holeDiameterM)} does not fit a back of ${mm(backWidthM)} × ${mm(backHeightM)}: keep it under ${mm(Math.max(0, smallest - HOLE_EDGE_M))}.`,
    });
  const globe = globeOf(box, context);
  if (globe > Math.min(backWidthM, backHeightM, box.frontWidthM, box.frontHeightM))
    problems.push({
      code: 'globe',
      path: 'groups',
      message: `The bulb (Ø ${mm(globe)}) is wider than the box.`,
    });
  const apart = box.holeDiameterM / 2 / Math.max(1, box.groups.length - 1);
  if (box.groups.length > 1 && globe > apart + 1e-9)
    problems.push({
      code: 'side-by-side',
      path: 'groups',
      message: `${box.groups.length} bulbs of Ø ${mm(globe)} do not stand side by side behind a hole of Ø ${mm(box.holeDiameterM)}: fewer, smaller ones, or a wider hole.`,
    });
  if (layerParts(box, context).length && box.lampInM + globe / 2 > layoutBox(box).depthM)
    problems.push({
      code: 'layer',
      path: 'lampInM',
      message: `The bulb would lie on the layer, ${mm(layoutBox(box).depthM)} before the back, and scorch it: set it farther back.`,
    });
  return problems;
}
