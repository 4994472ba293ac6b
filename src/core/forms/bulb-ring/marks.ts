import { show, showText } from '../../quantity';
import type { FormContext } from '../form';
import type { LayoutFact, Piece } from '../resolved';
import { secondRing, type RingLayout } from './layout';
import { boardAreaM2, cordLengthM, linkLengthM, partOf, stockSideM } from './needs';
import type { BulbRing } from './parameters';

export const SINGLE_HOLE_RADIUS_M = 0.0125;
const PAIR_HOLE_RADIUS_M = 0.004;
const PAIR_OFFSET_M = 0.012;
const BAR_OVERLAP_M = 0.04;

/** Tenths matter: sixteen steps of half a millimetre too much miss the first mark by eight. */
const mm = (metres: number) => `${Number((metres * 1000).toFixed(1))} mm`;

/** Board, with every circle to be cut, drilled or marked, and the bar across the hole. */
export function ringPieces(ring: BulbRing, context: FormContext, layout: RingLayout): Piece[] {
  const sheet = partOf(context, ring.boardPartId, 'sheet');
  const side = stockSideM(ring);
  const at = { x: 0, y: 0 };
  const board: Piece = {
    name: 'Ring board',
    partId: ring.boardPartId,
    count: 1,
    stockWidthM: side,
    stockHeightM: side,
    thicknessM: sheet?.thicknessM ?? 0,
    circles: [
      { ...at, radiusM: layout.outerRadiusM, layer: 'cut', label: 'outer cut' },
      { ...at, radiusM: layout.innerRadiusM, layer: 'cut', label: 'inner cut' },
      ...layout.rowRadiiM.map((radiusM) => ({
        ...at,
        radiusM,
        layer: 'mark' as const,
        label: 'socket circle',
      })),
      ...holeMarks(ring, layout),
    ],
    markOut: [
      `Mark the centre of the square, ${mm(side / 2)} from each edge; it is the trammel's pivot.`,
      `Trammel: ${mm(layout.outerRadiusM)} for the outer cut, ${mm(layout.innerRadiusM)} for the inner, ${layout.rowRadiiM.map(mm).join(' and ')} for the socket circle.`,
      `Step off ${layout.count} sockets, ${mm(layout.count > 1 ? layout.spacingM : 0)} from centre to centre in a straight line.`,
    ],
  };
  return ring.centreBarWidthM > 0 ? [board, centreBar(ring, layout, board)] : [board];
}

function centreBar(ring: BulbRing, layout: RingLayout, board: Piece): Piece {
  return {
    name: 'Centre bar',
    partId: ring.boardPartId,
    count: 1,
    stockWidthM: 2 * layout.innerRadiusM + 2 * BAR_OVERLAP_M,
    stockHeightM: ring.centreBarWidthM,
    thicknessM: board.thicknessM,
    circles: [{ x: 0, y: 0, radiusM: 0.005, layer: 'drill', label: 'stand bolt, 10 mm' }],
    markOut: ['Cut it from a corner of the square; glue and screw it across the back.'],
  };
}

function holeMarks(ring: BulbRing, layout: RingLayout): Piece['circles'] {
  return layout.seats.flatMap((seat, k) => {
    const label = `socket ${k + 1}`;
    if (ring.holes === 'single')
      return [
        { x: seat.x, y: seat.y, radiusM: SINGLE_HOLE_RADIUS_M, layer: 'drill' as const, label },
      ];
    return [-1, 1].map((side) => ({
      x: seat.x - side * PAIR_OFFSET_M * Math.sin(seat.angleRad),
      y: seat.y + side * PAIR_OFFSET_M * Math.cos(seat.angleRad),
      radiusM: PAIR_HOLE_RADIUS_M,
      layer: 'drill' as const,
      label,
    }));
  });
}

/** Lengths, gaps and the second ring, each with how it was worked out. */
export function ringFacts(ring: BulbRing, context: FormContext, layout: RingLayout): LayoutFact[] {
  const several = layout.count > 1;
  const length = (id: string, label: string, value: number, working: string): LayoutFact => ({
    id,
    label,
    value,
    dimension: 'length',
    working,
  });
  const second = secondRing(ring, layout);
  return [
    {
      id: 'sockets',
      label: 'Sockets',
      value: layout.count,
      dimension: 'count',
      working: 'as laid out',
    },
    ...layout.rowRadiiM.map((radius, row) =>
      length(
        `socket-circle-${row}`,
        row ? 'Inner socket circle Ø' : 'Socket circle Ø',
        radius * 2,
        'mean of outer and inner, ± a quarter width for two rows',
      ),
    ),
    ...(several
      ? [
          length('chord', 'Centre to centre', layout.spacingM, '2 · r · sin(π/n), straight line'),
          length(
            'gap',
            'Clear gap',
            layout.spacingM - layout.globeM,
            'centre to centre less the globe Ø',
          ),
          length(
            'link',
            'Cord per link',
            linkLengthM(ring, context, layout),
            'chord + 2 × depth + 2 × strip allowance',
          ),
        ]
      : []),
    length(
      'cord',
      'Cord in all',
      cordLengthM(ring, context, layout),
      'tail + links, and 5 % for joints',
    ),
    length('trammel-outer', 'Trammel, outer', layout.outerRadiusM, 'half the outer Ø'),
    length('trammel-inner', 'Trammel, inner', layout.innerRadiusM, 'outer less the ring width'),
    length('stock', 'Square of stock', stockSideM(ring), 'outer Ø + 2 × 20 mm'),
    length('pivot', 'Pivot from the edge', stockSideM(ring) / 2, 'half the square'),
    {
      id: 'area',
      label: 'Board face',
      value: boardAreaM2(layout),
      dimension: 'area',
      working: 'π · (R² − r²)',
    },
    ...(second
      ? [
          length(
            'second-ring',
            `Second ring from the disc, ${second.socketCount} sockets, ${showText(show(second.ringWidthM, 'length', 'metric'))} wide, Ø`,
            second.outerDiameterM,
            'inner Ø less a 4 mm kerf each side',
          ),
        ]
      : []),
  ];
}
