import type { View } from '../../drawing/drawing';
import type { FormContext, FormDrawing } from '../form';
import { partOf } from '../kit/lookup';
import { hatchOf } from '../kit/things';
import { box, circle, knob, measure, rectangle, view, hatched } from '../../drawing/shapes';
import type { Board } from '../../build/board';
import { type TubeBank } from './parameters';
import { layout } from './layout';
import { BOARD_M } from '../kit/typical';

/** What is worked out once for all views. */
function partsOf(bank: TubeBank, context: FormContext) {
  const { longM, upright, diameterM, rowsM, backWidthM, backHeightM } = layout(bank, context);
  const size = Math.max(backWidthM, backHeightM);
  const tubes = rowsM.map((across, k) =>
    upright
      ? box(across, 0, diameterM, longM, 'glass', `seat-${k}`)
      : box(0, across, longM, diameterM, 'glass', `seat-${k}`),
  );
  const last = rowsM.at(-1)!;
  const thickness = partOf(context, bank.boardPartId, 'sheet')?.thicknessM ?? BOARD_M;
  const half = (bank.tubeCount * bank.pitchM) / 2 + bank.edgeM;
  return {
    bank,
    context,
    longM,
    upright,
    diameterM,
    rowsM,
    backWidthM,
    backHeightM,
    size,
    tubes,
    last,
    thickness,
    half,
  };
}
type Parts = ReturnType<typeof partsOf>;

export function draw(bank: TubeBank, context: FormContext): FormDrawing {
  const parts = partsOf(bank, context);
  return { views: [frontOf(parts), sectionOf(parts)], board: boardOf(parts) };
}

function frontOf({ bank, upright, backWidthM, backHeightM, size, tubes, last }: Parts): View {
  return view(
    'front',
    'Front, as the subject sees it',
    [
      rectangle(-backWidthM / 2, -backHeightM / 2, backWidthM / 2, backHeightM / 2, 'cut', 'board'),
      ...tubes,
    ],
    [
      measure(
        [-backWidthM / 2, -backHeightM / 2],
        [backWidthM / 2, -backHeightM / 2],
        -0.08 * size,
        'Width',
      ),
      measure(
        [backWidthM / 2, -backHeightM / 2],
        [backWidthM / 2, backHeightM / 2],
        -0.08 * size,
        'Height',
      ),
    ],
    [
      knob(
        'edgeM',
        'Edge round the tubes',
        [backWidthM / 2, backHeightM / 2],
        [Math.SQRT1_2, Math.SQRT1_2],
        // The corner moves by the edge both sideways and up.
        Math.SQRT1_2,
      ),
      ...(bank.tubeCount > 1
        ? [
            upright
              ? knob('pitchM', 'Pitch', [last, 0], [1, 0], 2 / (bank.tubeCount - 1))
              : knob('pitchM', 'Pitch', [0, last], [0, 1], 2 / (bank.tubeCount - 1)),
          ]
        : []),
    ],
  );
}

function sectionOf({ bank, context, diameterM, rowsM, thickness, half }: Parts): View {
  const made = hatchOf(bank.boardPartId, context);
  return view(
    'section',
    'Section across the tubes, light upwards',
    [
      hatched(box(0, -thickness / 2, 2 * half, thickness, 'cut', 'board'), made),
      ...rowsM.map((across, k) =>
        circle(across, bank.standoffM + diameterM / 2, diameterM / 2, 'glass', `seat-${k}`),
      ),
      ...(bank.lipM > 0
        ? [
            hatched(rectangle(-half, 0, -half + thickness, bank.lipM, 'cut', 'board'), made),
            hatched(rectangle(half - thickness, 0, half, bank.lipM, 'cut', 'board'), made),
          ]
        : []),
    ],
    [measure([-half, 0], [-half, Math.max(bank.lipM, bank.standoffM + diameterM)], 0.04, 'Depth')],
    [knob('standoffM', 'Over the back', [rowsM[0]!, bank.standoffM + diameterM / 2], [0, 1])],
  );
}

const boardOf = ({ longM, upright, diameterM, rowsM, backWidthM, backHeightM }: Parts): Board => ({
  outline: [
    rectangle(
      -backWidthM / 2,
      -backHeightM / 2,
      backWidthM / 2,
      backHeightM / 2,
      'hidden',
      'board',
    ),
  ],
  lamps: rowsM.map((across, k) => ({
    ...(upright
      ? { at: [-across, longM / 2] as const, to: [-across, -longM / 2] as const }
      : { at: [-longM / 2, across] as const, to: [longM / 2, across] as const }),
    ref: `seat-${k}`,
  })),
  lampM: diameterM,
  rows: [],
});
