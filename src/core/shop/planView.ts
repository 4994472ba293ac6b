import type { Shape, View } from '../drawing/drawing';
import { measure, rectangle, view, words, type XY, segment } from '../drawing/shapes';
import type { SheetPiece } from '../build/pieces';
import type { SheetPlan, StickPlan, ClothPlan } from './cutPlan';

/** A piece's shapes laid where the nesting put it; turned a quarter where it lies turned. */
function laid(shape: Shape, x: number, y: number, heightM: number, turned: boolean): Shape {
  // A quarter turn clockwise takes (a, b) of a piece h high to (h − b, a) … mirrored back into x, y.
  const move = ([a, b]: XY): XY => (turned ? [x + heightM - b, y + a] : [x + a, y + b]);
  if (shape.kind === 'polyline') return { ...shape, points: shape.points.map(move) };
  const [nx, ny] = move([shape.x, shape.y]);
  if (shape.kind === 'arc' && turned)
    return { ...shape, x: nx, y: ny, from: shape.from + Math.PI / 2, to: shape.to + Math.PI / 2 };
  return { ...shape, x: nx, y: ny };
}

/** Edges worth a figure of their own: those of a straight-sided outline that is not a rectangle. */
function edgeWords({ shapes, widthM, heightM }: SheetPiece): Shape[] {
  const outline = shapes.find(
    (shape) => shape.kind === 'polyline' && shape.closed && shape.layer === 'cut',
  );
  if (outline?.kind !== 'polyline' || outline.points.length > 12) return [];
  const { points } = outline;
  const square = points.every(
    ([x, y]) =>
      [0, widthM].some((at) => Math.abs(x - at) < 1e-6) &&
      [0, heightM].some((at) => Math.abs(y - at) < 1e-6),
  );
  if (square) return [];
  return points.map(([x, y], at): Shape => {
    const [nx, ny] = points[(at + 1) % points.length]!;
    return words(
      (x + nx) / 2,
      (y + ny) / 2,
      String(Number((Math.hypot(nx - x, ny - y) * 1000).toFixed(1))),
    );
  });
}

/** One flat piece with its sizes; edges in millimetres, light as it is cut. */
export function pieceView(piece: SheetPiece): View {
  const { widthM, heightM } = piece;
  const size = Math.max(widthM, heightM);
  return view(
    `piece-${piece.name}`,
    `${piece.count} × ${piece.name}`,
    [...piece.shapes, ...edgeWords(piece)],
    [
      measure([0, 0], [widthM, 0], -0.08 * size, 'Width'),
      measure([widthM, 0], [widthM, heightM], -0.08 * size, 'Height'),
    ],
  );
}

/** One sheet with its pieces as they are cut from it, to scale. */
export function sheetView(plan: SheetPlan, at: number): View {
  const sheet = plan.nesting.sheets[at]!;
  const { widthM, heightM, placements, offCut } = sheet;
  return view(`sheet-${at}`, `${plan.part.name}, ${sheet.onHand ? 'on hand' : 'sheet'} ${at + 1}`, [
    rectangle(0, 0, widthM, heightM, 'part'),
    ...(offCut && offCut.w > 0.05 && offCut.h > 0.05
      ? [rectangle(offCut.x, offCut.y, offCut.x + offCut.w, offCut.y + offCut.h, 'hidden')]
      : []),
    ...placements.flatMap(({ piece, x, y, w, h, turned }) => {
      const own = plan.pieces[piece]!;
      const name = own.name.length > 18 ? `${own.name.slice(0, 17)}…` : own.name;
      return [
        ...own.shapes
          .filter(({ kind }) => kind !== 'text')
          .map((shape) => laid(shape, x, y, own.heightM, turned)),
        words(x + w / 2, y + h / 2, name),
      ];
    }),
  ]);
}

/** All bars of one stock, one under the other, with their cuts. */
export function sticksView(plan: StickPlan): View {
  const longest = Math.max(...plan.cut.bars.map(({ lengthM }) => lengthM), 0.1);
  const high = longest * 0.03;
  return view(
    'sticks',
    plan.part.name,
    plan.cut.bars.flatMap((bar, row) => {
      const y = -row * high * 1.8;
      let x = 0;
      return [
        rectangle(0, y, bar.lengthM, y + high, bar.onHand ? 'hidden' : 'part'),
        ...bar.pieces.flatMap((at) => {
          const { lengthM } = plan.pieces[at]!;
          const from = x;
          x += lengthM + 0.002;
          return [
            segment([from + lengthM, y], [from + lengthM, y + high], 'cut'),
            words(from + lengthM / 2, y + high * 0.28, String(Math.round(lengthM * 1000))),
          ];
        }),
      ];
    }),
  );
}

/** Pieces along the bolt, one after the other; lengths that are sewn lie side by side. */
export function clothView(plan: ClothPlan): View {
  const gap = plan.part.widthM * 0.08;
  let x = 0;
  const shapes = plan.pieces.flatMap(({ piece, cut }) => {
    const across =
      cut.panels > 1 ? plan.part.widthM : cut.alongWidth ? piece.heightM : piece.widthM;
    const from = x;
    x += cut.panelLengthM + gap;
    return [
      ...Array.from({ length: cut.panels }, (_, k) =>
        rectangle(from, k * across, from + cut.panelLengthM, (k + 1) * across, k ? 'score' : 'cut'),
      ),
      words(from + cut.panelLengthM / 2, (cut.panels * across) / 2, piece.name),
    ];
  });
  return view('cloth', `${plan.part.name}: ${plan.totalM.toFixed(2)} m off the bolt`, shapes);
}
