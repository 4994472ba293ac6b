import type { Shape, View } from '../../drawing/drawing';
import type { FormContext, FormDrawing } from '../form';
import { partOf } from '../kit/lookup';
import { hatchOf } from '../kit/things';
import { box, circle, knob, measure, rectangle, view, hatched } from '../../drawing/shapes';
import { holders } from '../kit/board';
import type { Board } from '../../build/board';
import { layoutBoard } from './layout';
import { type BulbBoard } from './parameters';
import { standing } from './place';
import { BOARD_M } from '../kit/typical';

/** What is worked out once for all views. */
function partsOf(board: BulbBoard, context: FormContext) {
  const layout = layoutBoard(board, context);
  const upright = board.orientation === 'upright';
  const [w, h] = upright ? [board.boardWidthM, board.lengthM] : [board.lengthM, board.boardWidthM];
  const seats = layout.positionsM.map((along) => standing(board, along));
  const flag = board.flagDepthM;
  const thickness = partOf(context, board.boardPartId, 'sheet')?.thicknessM ?? BOARD_M;
  const sides = board.flags === 'sides' || board.flags === 'all';
  const ends = board.flags === 'ends' || board.flags === 'all';
  const [left, across] = [upright ? sides : ends, upright ? ends : sides];
  const flags: Shape[] = [
    ...(left
      ? [
          rectangle(-w / 2 - flag, -h / 2, -w / 2, h / 2, 'hidden', 'flag'),
          rectangle(w / 2, -h / 2, w / 2 + flag, h / 2, 'hidden', 'flag'),
        ]
      : []),
    ...(across
      ? [
          rectangle(-w / 2, h / 2, w / 2, h / 2 + flag, 'hidden', 'flag'),
          rectangle(-w / 2, -h / 2 - flag, w / 2, -h / 2, 'hidden', 'flag'),
        ]
      : []),
  ];
  const long: readonly [number, number] = upright ? [0, 1] : [1, 0];
  const wide: readonly [number, number] = upright ? [1, 0] : [0, 1];
  const first = seats[0]!;
  return {
    board,
    context,
    layout,
    upright,
    w,
    h,
    seats,
    flag,
    thickness,
    sides,
    flags,
    long,
    wide,
    first,
  };
}
type Parts = ReturnType<typeof partsOf>;

export function draw(board: BulbBoard, context: FormContext): FormDrawing {
  const parts = partsOf(board, context);
  return { views: [frontOf(parts), sectionOf(parts)], board: boardOf(parts) };
}

function frontOf({ layout, upright, w, h, seats, flags, long, wide, first }: Parts): View {
  return view(
    'front',
    'Front, as the subject sees it',
    [
      rectangle(-w / 2, -h / 2, w / 2, h / 2, 'cut', 'board'),
      ...flags,
      ...seats.flatMap(([x, y], k) => [
        circle(x, y, layout.footprintM / 2, 'part', `seat-${k}`),
        circle(x, y, layout.globeM / 2, 'glass', `seat-${k}`),
      ]),
    ],
    [
      measure([-w / 2, -h / 2], [w / 2, -h / 2], -0.09 * Math.max(w, h), 'Width'),
      measure([w / 2, -h / 2], [w / 2, h / 2], -0.09 * Math.max(w, h), 'Height'),
    ],
    [
      knob('lengthM', 'Length', upright ? [0, h / 2] : [w / 2, 0], long, 2),
      knob('boardWidthM', 'Width', upright ? [w / 2, -h / 4] : [-w / 4, h / 2], wide, 2),
      knob('insetM', 'In from the ends', first, upright ? [0, -1] : [1, 0]),
    ],
  );
}

function sectionOf({ board, context, layout, flag, thickness, sides }: Parts): View {
  return view(
    'section',
    'Section across a socket',
    [
      hatched(
        box(0, -thickness / 2, board.boardWidthM, thickness, 'cut', 'board'),
        hatchOf(board.boardPartId, context),
      ),
      rectangle(
        -layout.footprintM / 2,
        0,
        layout.footprintM / 2,
        layout.centreM - layout.globeM / 2,
        'part',
        'seat-0',
      ),
      circle(0, layout.centreM, layout.globeM / 2, 'glass', 'seat-0'),
      ...(sides
        ? [
            rectangle(-board.boardWidthM / 2, 0, -board.boardWidthM / 2, flag, 'hidden', 'flag'),
            rectangle(board.boardWidthM / 2, 0, board.boardWidthM / 2, flag, 'hidden', 'flag'),
          ]
        : []),
    ],
    [
      measure(
        [-board.boardWidthM / 2, 0],
        [-board.boardWidthM / 2, layout.frontM],
        0.03,
        'Depth in front',
      ),
    ],
  );
}

const boardOf = ({ layout, w, h, seats }: Parts): Board => ({
  outline: [rectangle(-w / 2, -h / 2, w / 2, h / 2, 'hidden', 'board')],
  lamps: holders(seats.map(([x, y]) => [-x, y] as const)),
  lampM: layout.footprintM,
  rows: [],
});
