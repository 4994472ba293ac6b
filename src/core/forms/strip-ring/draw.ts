import type { Shape, View } from '../../drawing/drawing';
import type { FormContext, FormDrawing } from '../form';
import { partOf } from '../kit/lookup';
import { hatchOf } from '../kit/things';
import { circle, knob, measure, rectangle, view, hatched } from '../../drawing/shapes';
import { turn } from '../kit/board';
import type { Board } from '../../build/board';
import { layoutStripRing } from './layout';
import type { StripRing } from './parameters';
import { BOARD_M } from '../kit/typical';

/** What is worked out once for all views. */
function partsOf(ring: StripRing, context: FormContext) {
  const layout = layoutStripRing(ring, context);
  const [R, r, tab] = [layout.outerRadiusM, layout.innerRadiusM, ring.tabM];
  const tape = layout.rows.rowsM.map((laid, row): Shape => {
    const radius = layout.radiiM[row]!;
    const turn = laid / radius;
    if (turn > 2 * Math.PI - 0.02) return circle(0, 0, radius, 'tape', 'tape');
    return {
      kind: 'arc',
      x: 0,
      y: 0,
      r: radius,
      from: Math.PI / 2 - turn,
      to: Math.PI / 2,
      layer: 'tape',
      ref: 'tape',
    };
  });
  const outline: Shape[] = [
    circle(0, 0, R, 'cut', 'board'),
    circle(0, 0, r, 'cut', 'board'),
    ...(tab > 0 ? [rectangle(-tab / 2, -R - tab, tab / 2, -R, 'cut', 'board')] : []),
  ];
  const thickness = partOf(context, ring.boardPartId, 'sheet')?.thicknessM ?? BOARD_M;
  const half = (side: number): Shape[] => [
    hatched(
      rectangle(side * r, -thickness, side * R, 0, 'cut', 'board'),
      hatchOf(ring.boardPartId, context),
    ),
    ...layout.rows.rowsM.map((_, row) =>
      rectangle(
        side * layout.radiiM[row]! - 0.004,
        0,
        side * layout.radiiM[row]! + 0.004,
        0.003,
        'tape',
        'tape',
      ),
    ),
  ];
  return { ring, context, layout, R, r, tab, tape, outline, thickness, half };
}
type Parts = ReturnType<typeof partsOf>;

export function drawStripRing(ring: StripRing, context: FormContext): FormDrawing {
  const parts = partsOf(ring, context);
  const { R, r, thickness, half } = parts;
  return {
    views: [
      frontOf(parts),
      view(
        'section',
        'Section, light upwards',
        [...half(-1), ...half(1)],
        [measure([r, -thickness], [R, -thickness], -R * 0.1, 'Ring width')],
      ),
    ],
    board: boardOf(parts),
  };
}

function frontOf({ R, r, tab, tape, outline }: Parts): View {
  return view(
    'front',
    'Front, as the subject sees it',
    [...outline, ...tape],
    [measure([-R, R], [R, R], R * 0.12, 'Outer Ø'), measure([-r, 0], [r, 0], 0, 'Inner Ø')],
    [
      knob(
        'outerDiameterM',
        'Outer diameter',
        [R * Math.SQRT1_2, -R * Math.SQRT1_2],
        [Math.SQRT1_2, -Math.SQRT1_2],
        2,
      ),
      knob(
        'innerDiameterM',
        'Inner diameter',
        [-r * Math.SQRT1_2, -r * Math.SQRT1_2],
        [-Math.SQRT1_2, -Math.SQRT1_2],
        2,
      ),
      ...(tab > 0 ? [knob('tabM', 'Mounting tab', [0, -R - tab], [0, -1])] : []),
    ],
  );
}

const boardOf = ({ layout, outline }: Parts): Board => ({
  outline: outline.map((shape) => ({ ...shape, layer: 'hidden' })),
  lamps: [],
  lampM: 0,
  rows: layout.rows.rowsM.map((laid, row) => turn(layout.radiiM[row]!, laid)),
});
