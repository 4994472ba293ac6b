import type { View } from '../../drawing/drawing';
import type { FormContext, FormDrawing } from '../form';
import { partOf } from '../kit/lookup';
import { circle, knob, measure, rectangle, view, type XY, segment } from '../../drawing/shapes';
import { serpentine } from '../kit/board';
import type { Board } from '../../build/board';
import { BOLT_RADIUS_M, type Sandwich } from './parameters';
import { layout, bolts } from './layout';

/** What is worked out once for all views. */
function partsOf(panel: Sandwich, context: FormContext) {
  const { rows, heights, rowM } = layout(panel, context);
  const [W, H] = [panel.widthM / 2, panel.heightM / 2];
  const size = Math.max(W, H);
  const ends = rows.rowsM.map((laid, row): [XY, XY] => [
    [-rowM / 2, heights[row]!],
    [-rowM / 2 + laid, heights[row]!],
  ]);
  const back = partOf(context, panel.backPartId, 'sheet')?.thicknessM ?? 0.003;
  const route = ends.flatMap(([a, b], row) => (row % 2 ? [b, a] : [a, b]));
  return { panel, context, rows, heights, rowM, W, H, size, ends, back, route };
}
type Parts = ReturnType<typeof partsOf>;

export function draw(panel: Sandwich, context: FormContext): FormDrawing {
  const parts = partsOf(panel, context);
  return { views: [frontOf(parts), sectionOf(parts)], board: boardOf(parts) };
}

function frontOf({ panel, heights, rowM, W, H, size, ends }: Parts): View {
  return view(
    'front',
    'Front, opal sheet lifted off',
    [
      rectangle(-W, -H, W, H, 'cut', 'panel'),
      ...ends.map(([a, b]) => segment(a, b, 'tape', 'tape')),
      ...bolts(panel).map(([x, y]) => circle(x, y, BOLT_RADIUS_M * 1.6, 'drill', 'bolt')),
    ],
    [
      measure([-W, -H], [W, -H], -0.16 * size, 'Width'),
      measure([W, -H], [W, H], -0.16 * size, 'Height'),
    ],
    [
      knob('widthM', 'Width', [W, 0], [1, 0], 2),
      knob('heightM', 'Height', [0, H], [0, 1], 2),
      ...(heights.length > 1
        ? [
            knob(
              'rowPitchM',
              'Row pitch',
              [-rowM / 2, heights[0]!],
              [0, 1],
              2 / (heights.length - 1),
            ),
          ]
        : []),
    ],
  );
}

function sectionOf({ panel, rows, heights, W, size, back }: Parts): View {
  return view(
    'section',
    'Section, light upwards',
    [
      rectangle(-W, -back, W, 0, 'cut', 'panel'),
      rectangle(-W, panel.spacerM, W, panel.spacerM + back, 'glass', 'layer'),
      ...rows.rowsM.map((_, row) =>
        rectangle(heights[row]! - 0.004, 0, heights[row]! + 0.004, 0.003, 'tape', 'tape'),
      ),
      ...[-1, 1].map((side) =>
        rectangle(
          side * (W - panel.edgeM / 2) - 0.003,
          -back,
          side * (W - panel.edgeM / 2) + 0.003,
          panel.spacerM + back,
          'part',
          'bolt',
        ),
      ),
    ],
    [measure([-W, 0], [-W, panel.spacerM], 0.1 * size, 'Spacer')],
    [knob('spacerM', 'Spacer', [0, panel.spacerM], [0, 1])],
  );
}

const boardOf = ({ W, H, ends }: Parts): Board => ({
  outline: [rectangle(-W, -H, W, H, 'hidden', 'panel')],
  lamps: [],
  lampM: 0,
  rows: serpentine(ends),
});
