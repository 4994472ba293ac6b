import type { FormContext } from '../form';
import { unitOf } from '../kit/lookup';
import { mm } from '../../quantity';
import type { Problem } from '../../result';
import { type Stack } from './parameters';

/** Face of a small panel until one is chosen [typ; from memory]. */
const PANEL_WIDTH_M = 0.15;
const PANEL_HEIGHT_M = 0.1;

/** Silvered cloth of a folding softbox [typ]. */
export const INSIDE = 0.8;
export const SILVERED_MIRROR = 0.4;

export const panelOf = (stack: Stack, context: FormContext) =>
  unitOf(context, stack.unitId, 'panel');

export function layout(stack: Stack, context: FormContext) {
  const panel = panelOf(stack, context);
  const [w, h] = [panel?.faceWidthM ?? PANEL_WIDTH_M, panel?.faceHeightM ?? PANEL_HEIGHT_M];
  const columns = stack.panelCount > 2 ? 2 : 1;
  const rows = Math.ceil(stack.panelCount / columns);
  const places = Array.from({ length: stack.panelCount }, (_, k) => {
    const [column, row] = [k % columns, Math.floor(k / columns)];
    return [
      (column - (columns - 1) / 2) * (w + stack.gapM),
      ((rows - 1) / 2 - row) * (h + stack.gapM),
    ] as const;
  });
  return {
    panel,
    w,
    h,
    places,
    stackW: columns * w + (columns - 1) * stack.gapM,
    stackH: rows * h + (rows - 1) * stack.gapM,
  };
}

export function problems(stack: Stack, context: FormContext): Problem[] {
  const { stackW, stackH } = layout(stack, context);
  return Math.hypot(stackW, stackH) > stack.boxM
    ? [
        {
          code: 'stack',
          path: 'boxM',
          message: `${stack.panelCount} panels, ${mm(stackW)} × ${mm(stackH)}, do not go into a box ${mm(stack.boxM)} across.`,
        },
      ]
    : [];
}
