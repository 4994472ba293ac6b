import { REGIONS } from '../../electrics/region';
import type { Drawing, Shape, View } from '../../drawing/drawing';
import type { FormContext } from '../form';
import { layoutRing, type RingLayout } from './layout';
import { SINGLE_HOLE_RADIUS_M } from './marks';
import { partOf } from '../kit/lookup';
import { rectangle } from '../../drawing/shapes';
import type { BulbRing } from './parameters';

/** Front, section and wiring of a ring, to scale, in metres. */
export function drawRing(ring: BulbRing, context: FormContext): Drawing {
  const layout = layoutRing(ring, context);
  const views = [
    frontView(ring, layout),
    sectionView(ring, context, layout),
    wiringView(ring, context, layout),
  ];
  return { views };
}

function frontView(ring: BulbRing, layout: RingLayout): View {
  const R = layout.outerRadiusM;
  const r = layout.innerRadiusM;
  const second = layout.seats[1];
  return {
    id: 'front',
    title: 'Front, as the subject sees it',
    bounds: [-R * 1.12, -R * 1.3, R * 1.12, R * 1.12],
    shapes: [
      { kind: 'circle', x: 0, y: 0, r: R, layer: 'cut', ref: 'board' },
      { kind: 'circle', x: 0, y: 0, r: Math.max(r, 0), layer: 'cut', ref: 'board' },
      ...layout.rowRadiiM.map((radius): Shape => ({
        kind: 'circle',
        x: 0,
        y: 0,
        r: radius,
        layer: 'centre',
      })),
      ...bar(ring, r),
      ...layout.seats.flatMap((seat, k) => seatShapes(layout, seat.x, seat.y, `seat-${k}`)),
    ],
    dimensions: [
      { from: [-R, -R], to: [R, -R], offsetM: -R * 0.18, valueM: 2 * R, label: 'Outer Ø' },
      { from: [-r, 0], to: [r, 0], offsetM: 0, valueM: 2 * r, label: 'Inner Ø' },
    ],
    handles: [
      {
        parameter: 'outerDiameterM',
        label: 'Outer diameter',
        at: [R * Math.SQRT1_2, -R * Math.SQRT1_2],
        pull: { kind: 'straight', direction: [Math.SQRT1_2, -Math.SQRT1_2], perMetre: 2 },
      },
      {
        parameter: 'ringWidthM',
        label: 'Ring width',
        at: [-r * Math.SQRT1_2, -r * Math.SQRT1_2],
        pull: { kind: 'straight', direction: [Math.SQRT1_2, Math.SQRT1_2], perMetre: 1 },
      },
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
  width > 0
    ? [
        {
          kind: 'polyline',
          closed: true,
          layer: 'hidden',
          ref: 'bar',
          points: [
            [-r, -width / 2],
            [r, -width / 2],
            [r, width / 2],
            [-r, width / 2],
          ],
        },
      ]
    : [];

function seatShapes(layout: RingLayout, x: number, y: number, ref: string): Shape[] {
  return [
    { kind: 'circle', x, y, r: layout.footprintM / 2, layer: 'part', ref },
    { kind: 'circle', x, y, r: SINGLE_HOLE_RADIUS_M, layer: 'drill', ref },
    { kind: 'circle', x, y, r: layout.globeM / 2, layer: 'glass', ref },
  ];
}

/** Cut through the centre, light upwards; only the two seats on the cut are drawn. */
function sectionView(ring: BulbRing, context: FormContext, layout: RingLayout): View {
  const thickness = partOf(context, ring.boardPartId, 'sheet')?.thicknessM ?? 0.006;
  const R = layout.outerRadiusM;
  const seatX = layout.rowRadiiM[0]!;
  const top = Math.max(layout.frontM, ring.skirtDepthM);
  const side = (sign: number): Shape[] => [
    rectangle(sign * layout.innerRadiusM, -thickness, sign * R, 0, 'cut', 'board'),
    rectangle(
      sign * seatX - layout.footprintM / 2,
      0,
      sign * seatX + layout.footprintM / 2,
      layout.centreM - layout.globeM / 2,
      'part',
      'seat-0',
    ),
    {
      kind: 'circle',
      x: sign * seatX,
      y: layout.centreM,
      r: layout.globeM / 2,
      layer: 'glass',
      ref: 'seat-0',
    },
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
      {
        from: [-R, 0],
        to: [-R, layout.frontM],
        offsetM: R * 0.1,
        valueM: layout.frontM,
        label: 'Depth in front',
      },
      {
        from: [layout.innerRadiusM, -thickness],
        to: [R, -thickness],
        offsetM: -R * 0.1,
        valueM: R - layout.innerRadiusM,
        label: 'Ring width',
      },
    ],
    handles: [],
  };
}

/** The back of the board: tail to the first socket, then cord to cord; all in parallel. */
function wiringView(ring: BulbRing, context: FormContext, layout: RingLayout): View {
  const R = layout.outerRadiusM;
  // Seen from behind, left and right change places.
  const seats = layout.seats.map((seat) => [-seat.x, seat.y] as const);
  const first = seats[0] ?? ([0, 0] as const);
  const plug = [R * 0.62, R * 1.32] as const;
  const { marks } = REGIONS[context.circuit.region];
  return {
    id: 'wiring',
    title: 'Wiring, from behind',
    bounds: [-R * 1.12, -R * 1.12, R * 1.12, R * 1.55],
    shapes: [
      { kind: 'circle', x: 0, y: 0, r: R, layer: 'hidden', ref: 'board' },
      {
        kind: 'circle',
        x: 0,
        y: 0,
        r: Math.max(layout.innerRadiusM, 0),
        layer: 'hidden',
        ref: 'board',
      },
      { kind: 'polyline', points: seats, layer: 'cord', ref: 'cord' },
      { kind: 'polyline', points: [first, [first[0], R * 1.32], plug], layer: 'cord', ref: 'cord' },
      ...seats.map(([x, y], k): Shape => ({
        kind: 'circle',
        x,
        y,
        r: layout.footprintM / 2,
        layer: 'part',
        ref: `seat-${k}`,
      })),
      ...marks.map((text, line): Shape => ({
        kind: 'text',
        x: 0,
        y: R * (0.16 - 0.16 * line),
        text,
        anchor: 'middle',
        layer: 'mark',
      })),
      rectangle(
        plug[0],
        plug[1] - R * 0.06,
        plug[0] + R * 0.16,
        plug[1] + R * 0.06,
        'part',
        'plug',
      ),
      {
        kind: 'text',
        x: plug[0] + R * 0.08,
        y: plug[1] + R * 0.13,
        text: 'plug',
        anchor: 'middle',
        layer: 'mark',
      },
      ...(ring.dimmerPartId
        ? [
            rectangle(first[0] + R * 0.2, R * 1.24, first[0] + R * 0.36, R * 1.4, 'part', 'dimmer'),
            {
              kind: 'text',
              x: first[0] + R * 0.28,
              y: R * 1.45,
              text: 'dimmer',
              anchor: 'middle',
              layer: 'mark',
            } as const,
          ]
        : []),
    ],
    dimensions: [],
    handles: [],
  };
}
