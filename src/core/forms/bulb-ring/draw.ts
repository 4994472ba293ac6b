import type { Shape, View } from '../../drawing/drawing';
import type { Board } from '../../build/board';
import type { FormContext, FormDrawing } from '../form';
import { holders } from '../kit/board';
import { layoutRing, type RingLayout } from './layout';
import { SINGLE_HOLE_RADIUS_M } from './marks';
import { partOf } from '../kit/lookup';
import { hatchOf } from '../kit/things';
import { circle, knob, measure, rectangle, hatched } from '../../drawing/shapes';
import type { BulbRing } from './parameters';
import { BOARD_M } from '../kit/typical';

/** Front and section of a ring, and its back, to scale, in metres. */
export function drawRing(ring: BulbRing, context: FormContext): FormDrawing {
  const layout = layoutRing(ring, context);
  return {
    views: [frontView(ring, layout), sectionView(ring, context, layout)],
    board: boardOf(layout),
  };
}

/** Half of a right angle: where the knobs sit. */
const C = Math.SQRT1_2;

function frontView(ring: BulbRing, layout: RingLayout): View {
  const R = layout.outerRadiusM;
  const r = layout.innerRadiusM;
  const second = layout.seats[1];
  return {
    id: 'front',
    title: 'Front, as the subject sees it',
    bounds: [-R * 1.12, -R * 1.3, R * 1.12, R * 1.12],
    shapes: [
      circle(0, 0, R, 'cut', 'board'),
      circle(0, 0, Math.max(r, 0), 'cut', 'board'),
      ...layout.rowRadiiM.map((radius) => circle(0, 0, radius, 'centre')),
      ...bar(ring, r),
      ...layout.seats.flatMap((seat, k) => seatShapes(layout, seat.x, seat.y, `seat-${k}`)),
    ],
    dimensions: [
      measure([-R, -R], [R, -R], -R * 0.18, 'Outer Ø'),
      measure([-r, 0], [r, 0], 0, 'Inner Ø'),
    ],
    handles: [
      knob('outerDiameterM', 'Outer diameter', [R * C, -R * C], [C, -C], 2),
      knob('ringWidthM', 'Ring width', [-r * C, -r * C], [C, C]),
      ...(second && ring.fillMode === 'count'
        ? [
            {
              parameter: 'socketCount',
              label: 'Number of sockets',
              at: [second.x, second.y] as const,
              pull: { kind: 'division' as const, fromRad: Math.PI / 2 },
            },
          ]
        : []),
    ],
  };
}

const bar = ({ centreBarWidthM: width }: BulbRing, r: number): Shape[] =>
  width > 0 ? [rectangle(-r, -width / 2, r, width / 2, 'hidden', 'bar')] : [];

function seatShapes(layout: RingLayout, x: number, y: number, ref: string): Shape[] {
  return [
    circle(x, y, layout.footprintM / 2, 'part', ref),
    circle(x, y, SINGLE_HOLE_RADIUS_M, 'drill', ref),
    circle(x, y, layout.globeM / 2, 'glass', ref),
  ];
}

/** Cut through the centre, light upwards; only the two seats on the cut are drawn. */
function sectionView(ring: BulbRing, context: FormContext, layout: RingLayout): View {
  const thickness = partOf(context, ring.boardPartId, 'sheet')?.thicknessM ?? BOARD_M;
  const R = layout.outerRadiusM;
  const seatX = layout.rowRadiiM[0]!;
  const top = Math.max(layout.frontM, ring.skirtDepthM);
  const side = (sign: number): Shape[] => [
    hatched(
      rectangle(sign * layout.innerRadiusM, -thickness, sign * R, 0, 'cut', 'board'),
      hatchOf(ring.boardPartId, context),
    ),
    rectangle(
      sign * seatX - layout.footprintM / 2,
      0,
      sign * seatX + layout.footprintM / 2,
      layout.centreM - layout.globeM / 2,
      'part',
      'seat-0',
    ),
    circle(sign * seatX, layout.centreM, layout.globeM / 2, 'glass', 'seat-0'),
    ...(ring.skirtDepthM > 0
      ? [rectangle(sign * R, 0, sign * R, ring.skirtDepthM, 'hidden', 'skirt')]
      : []),
  ];
  return {
    id: 'section',
    title: 'Section, light upwards',
    bounds: [-R * 1.25, -R * 0.3, R * 1.12, Math.max(top * 1.25, R * 0.35)],
    shapes: [...side(-1), ...side(1)],
    dimensions: [
      measure([-R, 0], [-R, layout.frontM], R * 0.1, 'Depth in front'),
      measure([layout.innerRadiusM, -thickness], [R, -thickness], -R * 0.1, 'Ring width'),
    ],
    handles: [],
  };
}

/** Seen from behind, left and right change places. */
const boardOf = (layout: RingLayout): Board => ({
  outline: [
    circle(0, 0, layout.outerRadiusM, 'hidden', 'board'),
    circle(0, 0, Math.max(layout.innerRadiusM, 0), 'hidden', 'board'),
  ],
  lamps: holders(layout.seats.map(({ x, y }) => [-x, y] as const)),
  lampM: layout.footprintM,
  rows: [],
});
