import { show, showText } from '../../quantity';
import type { Shape } from '../../drawing/drawing';
import type { FormContext } from '../form';
import { exactMm } from '../../quantity';
import { clothPiece, rectanglePiece, sheetPiece } from '../kit/pieces';
import { circle, labelled } from '../../drawing/shapes';
import type { Piece } from '../../build/pieces';
import type { LayoutFact } from '../../build/facts';
import { secondRing, STOCK_MARGIN_M, type RingLayout } from './layout';
import { boardAreaM2, cordLengthM, linkLengthM, stockSideM } from './needs';
import type { BulbRing } from './parameters';

export const SINGLE_HOLE_RADIUS_M = 0.0125;
const PAIR_HOLE_RADIUS_M = 0.004;
const PAIR_OFFSET_M = 0.012;
const BAR_OVERLAP_M = 0.04;

/** Board with every circle to be cut, drilled or marked, the bar across the hole, the skirt. */
export function ringPieces(ring: BulbRing, context: FormContext, layout: RingLayout): Piece[] {
  const side = stockSideM(ring);
  const inner = layout.innerRadiusM;
  const board = sheetPiece(
    {
      id: 'ring-board',
      name: 'Ring board',
      partId: ring.boardPartId,
      borderM: STOCK_MARGIN_M,
      areaM2: boardAreaM2(layout),
      mayTurn: true,
      shapes: [
        labelled(circle(0, 0, layout.outerRadiusM, 'cut'), 'outer cut'),
        labelled(circle(0, 0, inner, 'cut'), 'inner cut'),
        ...layout.rowRadiiM.map((radius) =>
          labelled(circle(0, 0, radius, 'mark'), 'socket circle'),
        ),
        ...holeMarks(ring, layout),
      ],
      hole: { x: 0, y: 0, r: Math.max(0, inner) },
      discM: ring.outerDiameterM,
      markOut: [
        `Mark the centre of the square, ${exactMm(side / 2)} from each edge; it is the trammel's pivot.`,
        `Trammel: ${exactMm(layout.outerRadiusM)} for the outer cut, ${exactMm(inner)} for the inner, ${layout.rowRadiiM.map(exactMm).join(' and ')} for the socket circle.`,
        stepOff(layout),
      ],
    },
    context,
  );
  return [
    board,
    ...(ring.coverPartId === null ? [] : [coverPiece(ring, context, layout)]),
    ...(ring.centreBarWidthM > 0 ? [centreBar(ring, layout, context)] : []),
    ...(ring.skirtDepthM > 0
      ? [
          clothPiece(
            'skirt',
            'Skirt',
            ring.skirtPartId,
            Math.PI * ring.outerDiameterM + SEAM_M,
            ring.skirtDepthM,
            {
              markOut: ['π · Ø and a seam long; joined into a hoop, stapled to the rim.'],
            },
          ),
        ]
      : []),
  ];
}

const SEAM_M = 0.05;

/** A flat ring over the terminals, as wide as the board, on stand-offs. */
const coverPiece = (ring: BulbRing, context: FormContext, layout: RingLayout): Piece =>
  sheetPiece(
    {
      id: 'back-cover',
      name: 'Back cover',
      partId: ring.coverPartId,
      areaM2: boardAreaM2(layout),
      mayTurn: true,
      shapes: [
        labelled(circle(0, 0, layout.outerRadiusM, 'cut'), 'outer cut'),
        labelled(circle(0, 0, layout.innerRadiusM, 'cut'), 'inner cut'),
      ],
      hole: { x: 0, y: 0, r: Math.max(0, layout.innerRadiusM) },
      discM: ring.outerDiameterM,
      markOut: ['As the ring, without its holes; a notch of 10 mm in the rim lets the tail out.'],
    },
    context,
  );

function stepOff({ count, rowRadiiM, nextM }: RingLayout): string {
  if (count < 2) return 'One socket, at the top.';
  return rowRadiiM.length === 1
    ? `Step off ${count} sockets, ${exactMm(nextM)} from centre to centre in a straight line.`
    : `Step off ${count} sockets, outer and inner circle by turns, ${exactMm(nextM)} from each to the next in a straight line.`;
}

function centreBar(ring: BulbRing, layout: RingLayout, context: FormContext) {
  const long = 2 * layout.innerRadiusM + 2 * BAR_OVERLAP_M;
  return rectanglePiece(
    'centre-bar',
    'Centre bar',
    ring.boardPartId,
    long,
    ring.centreBarWidthM,
    context,
    {
      shapes: [
        labelled(circle(long / 2, ring.centreBarWidthM / 2, 0.005, 'drill'), 'stand bolt, 10 mm'),
      ],
      markOut: [
        `It is longer than the hole is wide by ${exactMm(BAR_OVERLAP_M)} at each end: not from the disc that falls out. Screwed across the back.`,
      ],
    },
  );
}

function holeMarks(ring: BulbRing, layout: RingLayout): Shape[] {
  return layout.seats.flatMap((seat, k) => {
    const hole = (x: number, y: number, r: number) =>
      labelled(circle(x, y, r, 'drill'), `socket ${k + 1}`);
    if (ring.holes === 'single') return [hole(seat.x, seat.y, SINGLE_HOLE_RADIUS_M)];
    return [-1, 1].map((side) =>
      hole(
        seat.x - side * PAIR_OFFSET_M * Math.sin(seat.angleRad),
        seat.y + side * PAIR_OFFSET_M * Math.cos(seat.angleRad),
        PAIR_HOLE_RADIUS_M,
      ),
    );
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
          length(
            'chord',
            'Centre to centre',
            layout.spacingM,
            layout.rowRadiiM.length === 1
              ? '2 · r · sin(π/n), straight line'
              : 'the nearer of √(R² + r² − 2·R·r·cos(2π/n)) to the next and 2 · r · sin(2π/n) along the inner row',
          ),
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
            'to the next + 2 × depth + 2 × strip allowance',
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
