import type { View } from '../../drawing/drawing';
import type { FormContext, FormDrawing } from '../form';
import { layerParts } from '../kit/lookup';
import { box, circle, knob, measure, polygon, view, segment } from '../../drawing/shapes';
import { holders } from '../kit/board';
import type { Board } from '../../build/board';
import { type Stack } from './parameters';
import { layout } from './layout';

/** What is worked out once for all views. */
function partsOf(stack: Stack, context: FormContext) {
  const { places, w, h, stackW, stackH } = layout(stack, context);
  const R = stack.boxM / 2;
  const layers = layerParts(stack, context);
  return { stack, context, places, w, h, stackW, stackH, R, layers };
}
type Parts = ReturnType<typeof partsOf>;

export function draw(stack: Stack, context: FormContext): FormDrawing {
  const parts = partsOf(stack, context);
  return { views: [frontOf(parts), sectionOf(parts)], board: boardOf(parts) };
}

function frontOf({ stack, places, w, h, stackW, stackH, R }: Parts): View {
  return view(
    'front',
    'Front, layers lifted off',
    [
      stack.boxShape === 'disc'
        ? circle(0, 0, R, 'cut', 'box')
        : box(0, 0, 2 * R, 2 * R, 'cut', 'box'),
      ...places.map(([x, y], k) => box(x, y, w, h, 'glass', `seat-${k}`)),
    ],
    [
      measure([-R, -R], [R, -R], -R * 0.16, 'Box across'),
      measure([-stackW / 2, -stackH / 2], [stackW / 2, -stackH / 2], -R * 0.14, 'Stack'),
    ],
    [knob('boxM', 'Box across', [R, 0], [1, 0], 2)],
  );
}

function sectionOf({ stack, stackH, R, layers }: Parts): View {
  return view(
    'section',
    'Section from the side, light to the right',
    [
      polygon(
        [
          [0, -stackH / 2],
          [stack.boxDepthM, -R],
          [stack.boxDepthM, R],
          [0, stackH / 2],
        ],
        'cut',
        'box',
      ),
      box(-0.01, 0, 0.03, stackH, 'part', 'seat-0'),
      ...layers.map((_, k) =>
        segment(
          [stack.boxDepthM + 0.01 * k, -R],
          [stack.boxDepthM + 0.01 * k, R],
          'glass',
          'layer',
        ),
      ),
    ],
    [measure([0, -R], [stack.boxDepthM, -R], -R * 0.16, 'Depth')],
    [knob('boxDepthM', 'Box depth', [stack.boxDepthM, 0], [1, 0])],
  );
}

const boardOf = ({ places, h, stackW, stackH }: Parts): Board => ({
  outline: [box(0, 0, stackW, stackH, 'hidden', 'box')],
  lamps: holders(places.map(([x, y]) => [-x, y] as const)),
  lampM: h * 0.3,
  rows: [],
});
