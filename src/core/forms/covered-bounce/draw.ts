import type { View } from '../../drawing/drawing';
import type { FormContext, FormDrawing } from '../form';
import { layerParts, partOf } from '../kit/lookup';
import { FOAM_CORE_M } from '../kit/typical';
import { hatchOf } from '../kit/things';
import { box, circle, knob, line, measure, rectangle, view, hatched } from '../../drawing/shapes';
import type { Board } from '../../build/board';
import { type Bounce } from './parameters';
import { layout } from './layout';

/** What is worked out once for all views. */
function partsOf(bounce: Bounce, context: FormContext) {
  const { longM, diameterM, y } = layout(bounce, context);
  const [W, H] = [bounce.widthM / 2, bounce.heightM / 2];
  const size = Math.max(W, H);
  const layers = layerParts(bounce, context);
  const out = bounce.drapeOutM;
  return { bounce, context, longM, diameterM, y, W, H, size, layers, out };
}
type Parts = ReturnType<typeof partsOf>;

export function draw(bounce: Bounce, context: FormContext): FormDrawing {
  const parts = partsOf(bounce, context);
  return { views: [frontOf(parts), sectionOf(parts)], board: boardOf(parts) };
}

function frontOf({ longM, diameterM, y, W, H, size }: Parts): View {
  return view(
    'front',
    'Front, drape lifted off',
    [
      rectangle(-W, -H, W, H, 'cut', 'board'),
      ...[-1, 1].map((side, k) => box(0, side * y, longM, diameterM, 'glass', `seat-${k}`)),
    ],
    [
      measure([-W, -H], [W, -H], -0.14 * size, 'Width'),
      measure([W, -H], [W, H], -0.14 * size, 'Height'),
    ],
    [
      knob('widthM', 'Board width', [W, 0], [1, 0], 2),
      knob('heightM', 'Board height', [0, H], [0, 1], 2),
      knob('offsetM', 'In from the edge', [0, y], [0, 1], -1),
    ],
  );
}

function sectionOf({ bounce, context, diameterM, y, H, size, layers, out }: Parts): View {
  const thickness =
    bounce.sheets * (partOf(context, bounce.boardPartId, 'sheet')?.thicknessM ?? FOAM_CORE_M);
  return view(
    'section',
    'Section from the side, light to the right',
    [
      hatched(
        rectangle(-thickness, -H, 0, H, 'cut', 'board'),
        hatchOf(bounce.boardPartId, context),
      ),
      ...[-1, 1].map((side, k) =>
        circle(bounce.standoffM, side * y, diameterM / 2, 'glass', `seat-${k}`),
      ),
      ...layers.map((_, k) =>
        line(
          [
            [0, -H],
            [out + 0.01 * k, -H * 0.9],
            [out + 0.01 * k, H * 0.9],
            [0, H],
          ],
          'hidden',
          'layer',
        ),
      ),
    ],
    [measure([0, -H], [out, -H], -0.14 * size, 'Drape')],
    [knob('drapeOutM', 'Drape over the board', [out, 0], [1, 0])],
  );
}

const boardOf = ({ longM, y, W, H, size }: Parts): Board => ({
  outline: [rectangle(-W, -H, W, H, 'hidden', 'board')],
  lamps: [y, -y].map((height, k) => ({
    at: [-longM / 2, height] as const,
    to: [longM / 2, height] as const,
    ref: `seat-${k}`,
  })),
  lampM: size * 0.05,
  rows: [],
});
