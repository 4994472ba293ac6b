import type { Shape, View } from '../../drawing/drawing';
import type { FormContext, FormDrawing } from '../form';
import { layerParts, partOf } from '../kit/lookup';
import { circle, knob, measure, rectangle, view, segment } from '../../drawing/shapes';
import { turn } from '../kit/board';
import type { Board } from '../../build/board';
import { layoutPan, THIN_BOARD_M } from './layout';
import { type StripPan } from './parameters';

/** What is worked out once for all views. */
function partsOf(pan: StripPan, context: FormContext) {
  const { radiusM: R, radiiM, heightsM, rows } = layoutPan(pan, context);
  const layers = layerParts(pan, context);
  const tape = rows.rowsM.map((laid, row): Shape => ({
    kind: 'arc',
    x: 0,
    y: 0,
    r: radiiM[row]! - (pan.tapeOn === 'rim' ? 0.004 : 0),
    from: Math.PI / 2 - laid / radiiM[row]!,
    to: Math.PI / 2,
    layer: 'tape',
    ref: 'tape',
  }));
  const thickness = partOf(context, pan.boardPartId, 'sheet')?.thicknessM ?? THIN_BOARD_M;
  const dot = (x: number, y: number) =>
    rectangle(x - 0.003, y - 0.003, x + 0.003, y + 0.003, 'tape', 'tape');
  const section: Shape[] = [
    rectangle(-R, -thickness, R, 0, 'cut', 'pan'),
    rectangle(-R - thickness, -thickness, -R, pan.depthM, 'cut', 'pan'),
    rectangle(R, -thickness, R + thickness, pan.depthM, 'cut', 'pan'),
    ...rows.rowsM.flatMap((_, row) =>
      [-1, 1].map((side) => dot(side * (radiiM[row]! - 0.003), heightsM[row]!)),
    ),
    ...layers.map((_, k) =>
      segment(
        [-R, pan.depthM + k * pan.layerSpacingM],
        [R, pan.depthM + k * pan.layerSpacingM],
        'glass',
        'layer',
      ),
    ),
  ];
  return { pan, R, rows, radiiM, tape, section };
}
type Parts = ReturnType<typeof partsOf>;

export function draw(pan: StripPan, context: FormContext): FormDrawing {
  const parts = partsOf(pan, context);
  const { R, section } = parts;
  return {
    views: [
      frontOf(parts),
      view(
        'section',
        'Section, light upwards',
        section,
        [measure([-R, 0], [-R, pan.depthM], R * 0.14, 'Depth')],
        [knob('depthM', 'Depth', [R, pan.depthM], [0, 1])],
      ),
    ],
    board: boardOf(parts),
  };
}

function frontOf({ pan, R, tape }: Parts): View {
  return view(
    'front',
    'Front, layers lifted off',
    [circle(0, 0, R, 'cut', 'pan'), ...(pan.tapeOn === 'rim' ? tape.slice(0, 1) : tape)],
    [measure([-R, -R], [R, -R], -R * 0.16, 'Pan Ø')],
    [
      knob(
        'diameterM',
        'Pan diameter',
        [R * Math.SQRT1_2, -R * Math.SQRT1_2],
        [Math.SQRT1_2, -Math.SQRT1_2],
        2,
      ),
    ],
  );
}

const boardOf = ({ pan, R, rows, radiiM }: Parts): Board => ({
  outline: [circle(0, 0, R, 'hidden', 'pan')],
  lamps: [],
  lampM: 0,
  // On the rim all turns lie over one another: drawn one within the next.
  rows: rows.rowsM.map((laid, row) =>
    turn(radiiM[row]!, laid, pan.tapeOn === 'rim' ? 1 - 0.06 * row : 1),
  ),
});
