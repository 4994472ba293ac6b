import type { View } from '../../drawing/drawing';
import type { FormContext, FormDrawing } from '../form';
import { partOf } from '../kit/lookup';
import {
  circle,
  hatched,
  knob,
  measure,
  rectangle,
  segment,
  view,
  type XY,
} from '../../drawing/shapes';
import { mirrored, serpentine } from '../kit/board';
import { hatchOf } from '../kit/things';
import type { Board } from '../../build/board';
import { THREADS } from '../../materials/fasteners';
import { type Sandwich } from './parameters';
import { boltHoles, layout } from './layout';

/** What is worked out once for all views. */
function partsOf(panel: Sandwich, context: FormContext) {
  const { rows, heights, rowM, spacerM, washers } = layout(panel, context);
  const [W, H] = [panel.widthM / 2, panel.heightM / 2];
  const size = Math.max(W, H);
  const ends = rows.rowsM.map((laid, row): [XY, XY] => [
    [-rowM / 2, heights[row]!],
    [-rowM / 2 + laid, heights[row]!],
  ]);
  const back = partOf(context, panel.backPartId, 'sheet')?.thicknessM ?? 0.003;
  const front = partOf(context, panel.frontPartId, 'sheet')?.thicknessM ?? 0.003;
  return { panel, context, rows, heights, rowM, W, H, size, ends, back, front, spacerM, washers };
}
type Parts = ReturnType<typeof partsOf>;

export function draw(panel: Sandwich, context: FormContext): FormDrawing {
  const parts = partsOf(panel, context);
  return { views: [frontOf(parts), sectionOf(parts)], board: boardOf(parts) };
}

/** Rows that run on are joined at the side where one ends and the next begins; rows fed one by one are not. */
function jumpersOf({ feed }: Sandwich, ends: readonly [XY, XY][]): [XY, XY][] {
  if (feed === 'rows') return [];
  return ends.slice(1).map((next, row) => {
    const side = row % 2 ? 0 : 1;
    return [ends[row]![side], next[side]];
  });
}

function frontOf({ panel, heights, rowM, W, H, size, ends }: Parts): View {
  return view(
    'front',
    'Front, opal sheet lifted off',
    [
      rectangle(-W, -H, W, H, 'cut', 'panel'),
      ...ends.map(([a, b]) => segment(a, b, 'tape', 'tape')),
      ...boltHoles(panel).map(([x, y]) =>
        circle(x, y, THREADS[panel.bolt].clearanceM / 2, 'drill', 'bolt'),
      ),
      ...jumpersOf(panel, ends).map(([a, b]) => segment(a, b, 'cord', 'tape')),
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

/** Cut upright, across the rows: they lie as far apart here as on the sheet. */
function sectionOf({
  panel,
  context,
  rows,
  heights,
  H,
  size,
  back,
  front,
  spacerM,
  washers,
}: Parts): View {
  const { diameterM, washer } = THREADS[panel.bolt];
  const at = H - panel.edgeM / 2;
  return view(
    'section',
    'Section across the rows, light upwards',
    [
      hatched(rectangle(-H, -back, H, 0, 'cut', 'panel'), hatchOf(panel.backPartId, context)),
      rectangle(-H, spacerM, H, spacerM + front, 'glass', 'layer'),
      ...rows.rowsM.map((_, row) =>
        rectangle(
          heights[row]! - TAPE_HALF_M,
          0,
          heights[row]! + TAPE_HALF_M,
          0.003,
          'tape',
          'tape',
        ),
      ),
      ...[-1, 1].flatMap((side) => [
        ...Array.from({ length: Math.min(washers, MOST_WASHERS) }, (_, k) =>
          rectangle(
            side * at - washer.outerM / 2,
            (spacerM * k) / Math.min(washers, MOST_WASHERS),
            side * at + washer.outerM / 2,
            (spacerM * (k + 1)) / Math.min(washers, MOST_WASHERS),
            'part',
            'bolt',
          ),
        ),
        rectangle(
          side * at - diameterM / 2,
          -back,
          side * at + diameterM / 2,
          spacerM + front,
          'part',
          'bolt',
        ),
      ]),
    ],
    [
      measure([-H, 0], [-H, spacerM], 0.1 * size, 'Spacer'),
      ...(rows.rowsM.length > 1
        ? [measure([heights[1]!, -back], [heights[0]!, -back], -0.06 * size, 'Row pitch')]
        : []),
      ...(rows.rowsM.length
        ? [measure([heights[0]!, spacerM + front], [H, spacerM + front], 0.06 * size, 'First row')]
        : []),
    ],
    [knob('spacerM', 'Spacer', [0, panel.spacerM], [0, 1])],
  );
}

/** Half a tape as it is drawn. */
const TAPE_HALF_M = 0.004;
/** More would be a grey patch. */
const MOST_WASHERS = 40;

/** Seen from behind; rows that run on turn at each end, rows fed one by one all begin on one side. */
const boardOf = ({ panel, W, H, ends }: Parts): Board => ({
  outline: [rectangle(-W, -H, W, H, 'hidden', 'panel')],
  lamps: [],
  lampM: 0,
  rows: panel.feed === 'rows' ? ends.map(mirrored) : serpentine(ends),
});
