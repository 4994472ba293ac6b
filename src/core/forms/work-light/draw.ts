import { doorShapes } from '../kit/doors';
import type { View } from '../../drawing/drawing';
import type { FormContext, FormDrawing } from '../form';
import { box, knob, measure, rectangle, view, segment } from '../../drawing/shapes';
import { holders } from '../kit/board';
import type { Board } from '../../build/board';
import { type WorkLight } from './parameters';
import { lampOf, doorsOf } from './layout';

/** What is worked out once for all views. */
function partsOf(light: WorkLight, context: FormContext) {
  const { faceWidthM, faceHeightM, leafLengthM } = light;
  const depth = lampOf(light, context)?.depthM ?? 0.12;
  return { light, context, faceWidthM, faceHeightM, leafLengthM, depth };
}
type Parts = ReturnType<typeof partsOf>;

export function draw(light: WorkLight, context: FormContext): FormDrawing {
  const parts = partsOf(light, context);
  return { views: [frontOf(parts), sectionOf(parts)], board: boardOf(parts) };
}

function frontOf({ light, faceWidthM, faceHeightM, leafLengthM }: Parts): View {
  return view(
    'front',
    'Front, leaves folded out',
    doorShapes(doorsOf(light), faceWidthM, faceHeightM),
    [
      measure([-faceWidthM / 2, faceHeightM / 2], [faceWidthM / 2, faceHeightM / 2], 0, 'Face'),
      measure(
        [faceWidthM / 2, faceHeightM / 2],
        [faceWidthM / 2, faceHeightM / 2 + leafLengthM],
        -0.5 * faceWidthM,
        'Leaf',
      ),
    ],
    [
      knob('faceWidthM', 'Face width', [faceWidthM / 2, faceHeightM * 0.3], [1, 0], 2),
      knob('faceHeightM', 'Face height', [-faceWidthM * 0.3, -faceHeightM / 2], [0, -1], 2),
      knob('leafLengthM', 'Leaf length', [0, faceHeightM / 2 + leafLengthM], [0, 1]),
    ],
  );
}

function sectionOf({ faceHeightM, leafLengthM, depth }: Parts): View {
  return view(
    'section',
    'Section from the side, light to the right',
    [
      rectangle(-depth, -faceHeightM / 2, 0, faceHeightM / 2, 'part', 'seat-0'),
      segment([0, -faceHeightM / 2], [0, faceHeightM / 2], 'glass', 'seat-0'),
      segment(
        [0, faceHeightM / 2],
        [leafLengthM * 0.8, faceHeightM / 2 + leafLengthM * 0.6],
        'cut',
        'doors',
      ),
      segment(
        [0, -faceHeightM / 2],
        [leafLengthM * 0.8, -faceHeightM / 2 - leafLengthM * 0.6],
        'cut',
        'doors',
      ),
    ],
    [measure([-depth, -faceHeightM / 2], [0, -faceHeightM / 2], -0.3 * faceHeightM, 'Depth')],
  );
}

const boardOf = ({ faceWidthM, faceHeightM }: Parts): Board => ({
  outline: [box(0, 0, faceWidthM, faceHeightM, 'hidden', 'seat-0')],
  lamps: holders([[0, 0]]),
  lampM: faceHeightM * 0.2,
  rows: [],
});
