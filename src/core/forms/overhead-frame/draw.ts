import type { View } from '../../drawing/drawing';
import type { FormContext, FormDrawing } from '../form';
import { layerParts } from '../kit/lookup';
import { circle, knob, measure, rectangle, view, type XY, segment } from '../../drawing/shapes';
import { serpentine } from '../kit/board';
import type { Board } from '../../build/board';
import { layoutFrame } from './layout';
import type { Overhead } from './parameters';

/** Hang points along both long sides. */
export function pointsOf({ widthM, heightM, hangPoints }: Overhead): XY[] {
  const pairs = Math.ceil(hangPoints / 2);
  return Array.from({ length: hangPoints }, (_, k): XY => {
    const column = Math.floor(k / 2);
    const x = pairs === 1 ? 0 : -widthM / 2 + (widthM * column) / (pairs - 1);
    return [x, k % 2 ? -heightM / 2 : heightM / 2];
  });
}

/** What is worked out once for all views. */
function partsOf(frame: Overhead, context: FormContext) {
  const { rows, rowsY, rowM, barsX } = layoutFrame(frame, context);
  const [W, H] = [frame.widthM / 2, frame.heightM / 2];
  const size = Math.max(W, H);
  const ends = rows.rowsM.map((laid, row): [XY, XY] => [
    [-rowM / 2, rowsY[row]!],
    [-rowM / 2 + laid, rowsY[row]!],
  ]);
  const layers = layerParts(frame, context);
  const drop = frame.clothDropM;
  return { frame, context, rows, rowsY, rowM, barsX, W, H, size, ends, layers, drop };
}
type Parts = ReturnType<typeof partsOf>;

export function draw(frame: Overhead, context: FormContext): FormDrawing {
  const parts = partsOf(frame, context);
  return { views: [frontOf(parts), sectionOf(parts)], board: boardOf(parts) };
}

function frontOf({ frame, rowsY, rowM, barsX, W, H, size, ends }: Parts): View {
  return view(
    'front',
    'From below, cloth lifted off',
    [
      rectangle(-W, -H, W, H, 'cut', 'frame'),
      ...barsX.map((x) => segment([x, -H], [x, H], 'part', 'frame')),
      ...ends.map(([a, b]) => segment(a, b, 'tape', 'tape')),
      ...pointsOf(frame).map(([x, y]) => circle(x, y, size * 0.025, 'part', 'hoist')),
    ],
    [
      measure([-W, -H], [W, -H], -0.14 * size, 'Width'),
      measure([W, -H], [W, H], -0.14 * size, 'Depth'),
    ],
    [
      knob('widthM', 'Width', [W, 0], [1, 0], 2),
      knob('heightM', 'Depth', [0, H], [0, 1], 2),
      ...(rowsY.length > 1
        ? [knob('rowPitchM', 'Row pitch', [-rowM / 2, rowsY[0]!], [0, 1], 2 / (rowsY.length - 1))]
        : []),
    ],
  );
}

function sectionOf({ frame, rows, rowM, W, size, layers, drop }: Parts): View {
  return view(
    'section',
    'Section, hung, light downwards',
    [
      segment([-W, 0], [W, 0], 'cut', 'frame'),
      ...(rows.rowsM.length
        ? [segment([-rowM / 2, -0.02 * size], [rowM / 2, -0.02 * size], 'tape', 'tape')]
        : []),
      ...layers.map((_, k) =>
        segment([-W, -drop - 0.03 * k], [W, -drop - 0.03 * k], 'glass', 'layer'),
      ),
      ...(frame.skirtM > 0
        ? [-1, 1].map((side) =>
            segment([side * W, 0], [side * W, -frame.skirtM], 'hidden', 'skirt'),
          )
        : []),
      ...[-1, 1].map((side) => segment([side * W, 0], [side * W, size * 0.4], 'cord', 'hoist')),
    ],
    [
      measure(
        [-W, -Math.max(drop, frame.skirtM)],
        [W, -Math.max(drop, frame.skirtM)],
        -0.14 * size,
        'Width',
      ),
    ],
    [knob('clothDropM', 'Cloth under the tape', [0, -drop], [0, -1])],
  );
}

const boardOf = ({ W, H, ends }: Parts): Board => ({
  outline: [rectangle(-W, -H, W, H, 'hidden', 'frame')],
  lamps: [],
  lampM: 0,
  rows: serpentine(ends),
});
