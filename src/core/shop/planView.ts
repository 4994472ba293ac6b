import type { Shape, View } from '../drawing/drawing';
import { kerfOf } from '../materials/cutting';
import { circle, line, measure, rectangle, segment, view, words, type XY } from '../drawing/shapes';
import { cutOrder, type ThroughCut } from './cutOrder';
import type { Box } from './freeSpace';
import { barLeftOversOf, leftOversOf } from './offCuts';
import type { Disc, SheetPiece } from '../build/pieces';
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
function edgeWords({ shapes, widthM, heightM }: SheetPiece, told: Told): Shape[] {
  const outline = shapes.find(
    (shape) => shape.kind === 'polyline' && shape.closed && shape.layer === 'cut',
  );
  if (outline?.kind !== 'polyline' || outline.bulges || outline.points.length > 12) return [];
  const { points } = outline;
  const square = points.every(
    ([x, y]) =>
      [0, widthM].some((at) => Math.abs(x - at) < 1e-6) &&
      [0, heightM].some((at) => Math.abs(y - at) < 1e-6),
  );
  if (square) return [];
  return points.map(([x, y], at): Shape => {
    const [nx, ny] = points[(at + 1) % points.length]!;
    return words((x + nx) / 2, (y + ny) / 2, told(Math.hypot(nx - x, ny - y)));
  });
}

/** One flat piece with its sizes; edges in millimetres, light as it is cut. */
export function pieceView(piece: SheetPiece, told: Told = inMm): View {
  const { widthM, heightM } = piece;
  const size = Math.max(widthM, heightM);
  return view(
    `piece-${piece.name}`,
    `${piece.count} × ${piece.name}`,
    [...piece.shapes, ...edgeWords(piece, told)],
    [
      measure([0, 0], [widthM, 0], -0.08 * size, 'Width'),
      measure([widthM, 0], [widthM, heightM], -0.08 * size, 'Height'),
    ],
  );
}

/** A word takes so much of a layout's longer side a letter, at the size layouts are lettered in. */
const LETTER = 0.017;
/** Bars are drawn as wide as the page, lettered as high as anything else. */
const BAR_LETTER = 0.009;

/** A piece's mark, and its name where it has room. */
const titled = (mark: string, name: string, w: number, longest: number): string => {
  const whole = `${mark} ${name}`;
  return whole.length * LETTER * longest < w ? whole : mark;
};

/** Which way grain or flutes run: along the sheet's width. */
const grainMarks = (widthM: number, heightM: number): Shape[] =>
  [0.25, 0.75].flatMap((share) => {
    const y = heightM * share;
    const [a, b, tip] = [widthM * 0.02, widthM * 0.12, widthM * 0.012];
    return [
      segment([a, y], [b, y], 'mark'),
      line(
        [
          [a + tip, y + tip],
          [a, y],
          [a + tip, y - tip],
        ],
        'mark',
      ),
      line(
        [
          [b - tip, y + tip],
          [b, y],
          [b - tip, y - tip],
        ],
        'mark',
      ),
    ];
  });

/** Places tried for a mark round a ring. */
const ROUND = 72;

/** Where a mark stands on a ring: in the middle of its band, farthest from everything drilled. */
function bandSpot({ shapes, widthM, heightM }: SheetPiece, hole: Disc): XY {
  const middle = (hole.r + Math.min(widthM, heightM) / 2) / 2;
  const drilled = shapes.flatMap((shape) =>
    shape.kind === 'circle' && shape.r < middle - hole.r ? [shape] : [],
  );
  const spots = Array.from({ length: ROUND }, (_, k): XY => {
    // From below round to the right: of places alike the lowest is taken.
    const angle = -Math.PI / 2 + (2 * Math.PI * k) / ROUND;
    return [hole.x + middle * Math.cos(angle), hole.y + middle * Math.sin(angle)];
  });
  const clear = ([x, y]: XY) =>
    Math.min(Infinity, ...drilled.map((each) => Math.hypot(x - each.x, y - each.y) - each.r));
  return spots.reduce((best, spot) => (clear(spot) > clear(best) + 1e-9 ? spot : best));
}

/** The outline of a left-over, a little within its edges: those are cuts, or the sheet's own. */
const inset = ({ x, y, w, h }: Box, by: number): Shape =>
  rectangle(x + by, y + by, x + w - by, y + h - by, 'hidden');

/**
 * Straight cuts right through, named where the saw goes in at the sheet's edge; those inside it would hide small
 * pieces, and stand in the list.
 */
const cutMarks = (order: readonly ThroughCut[], longest: number): Shape[] =>
  order.flatMap(({ axis, atM, fromM, toM }, k): Shape[] => {
    const name = `cut ${k + 1}`;
    const cut =
      axis === 'x'
        ? segment([atM, fromM], [atM, toM], 'score')
        : segment([fromM, atM], [toM, atM], 'score');
    if (fromM > 0) return [cut];
    const beside = -(name.length / 2 + 0.5) * LETTER * longest;
    return [cut, axis === 'x' ? words(atM, -2 * LETTER * longest, name) : words(beside, atM, name)];
  });

/** One sheet with its pieces as they are cut from it, to scale: marks, left-overs by letter, order of cuts. */
export function sheetView(plan: SheetPlan, at: number, told: Told = inMm): View {
  const sheet = plan.nesting.sheets[at]!;
  const { widthM, heightM, placements, disc } = sheet;
  const longest = Math.max(widthM, heightM);
  const rim = disc
    ? circle(widthM / 2, heightM / 2, widthM / 2, 'part')
    : rectangle(0, 0, widthM, heightM, 'part');
  return view(`sheet-${at}`, `${plan.part.name}, ${sheetName(plan, at)}`, [
    rim,
    ...(plan.part.grain ? grainMarks(widthM, heightM) : []),
    ...placements.flatMap(({ piece, x, y, turned }) =>
      plan.pieces[piece]!.shapes.filter(({ kind }) => kind !== 'text').map((shape) =>
        laid(shape, x, y, plan.pieces[piece]!.heightM, turned),
      ),
    ),
    ...leftOversOf(plan)
      .filter((left) => left.at === at)
      .flatMap(({ name, box, disc: middle }) =>
        middle
          ? [
              circle(middle.x, middle.y, middle.r, 'hidden'),
              words(middle.x, middle.y, `${name}: Ø ${told(2 * middle.r)}`),
            ]
          : [
              inset(box!, 0.006 * longest),
              words(
                box!.x + box!.w / 2,
                box!.y + box!.h / 2,
                titled(name, `${told(box!.w)} × ${told(box!.h)}`, box!.w, longest),
              ),
            ],
      ),
    ...cutMarks(orderOfCuts(plan, at).slice(0, MOST_MARKED), longest),
    ...placements.map(({ piece, x, y, w, h, turned }) => {
      const own = plan.pieces[piece]!;
      return own.hole
        ? laid(words(...bandSpot(own, own.hole), plan.marks[piece]!), x, y, own.heightM, turned)
        : words(x + w / 2, y + h / 2, titled(plan.marks[piece]!, own.name, w, longest));
    }),
  ]);
}

/** More numbers on one sheet would hide its pieces; the list tells them all. */
const MOST_MARKED = 12;

/** How lengths on a layout are written: bare millimetres, or as the reader measures. */
type Told = (metres: number) => string;
const inMm: Told = (metres) => String(Number((metres * 1000).toFixed(1)));

/** “sheet 2”, “on hand 1”, “round off-cut 1”. */
export function sheetName(plan: SheetPlan, at: number): string {
  const { onHand, disc } = plan.nesting.sheets[at]!;
  return `${disc ? 'round off-cut' : onHand ? 'on hand' : 'sheet'} ${at + 1}`;
}

/** Cuts right through a sheet, in their order; a round off-cut has none. */
export function orderOfCuts({ nesting, part }: SheetPlan, at: number): ThroughCut[] {
  const { widthM, heightM, placements, disc } = nesting.sheets[at]!;
  return disc ? [] : cutOrder({ x: 0, y: 0, w: widthM, h: heightM }, placements, kerfOf(part));
}

/** All bars of one stock, one under the other, with their cuts and the marks of what is cut. */
export function sticksView(plan: StickPlan, told: Told = inMm): View {
  const longest = Math.max(...plan.cut.bars.map(({ lengthM }) => lengthM), 0.1);
  const high = longest * 0.03;
  const left = new Map(barLeftOversOf(plan).map((each) => [each.at, each]));
  return view(
    'sticks',
    plan.part.name,
    plan.cut.bars.flatMap((bar, row) => {
      const y = -row * high * 1.8;
      let x = 0;
      const spare = left.get(row);
      return [
        rectangle(0, y, bar.lengthM, y + high, bar.onHand ? 'hidden' : 'part'),
        ...bar.pieces.flatMap((at) => {
          const { lengthM } = plan.pieces[at]!;
          const from = x;
          x += lengthM + kerfOf(plan.part);
          const whole = `${plan.marks[at]!}: ${told(lengthM)}`;
          return [
            rectangle(from, y, from + lengthM, y + high, 'cut'),
            words(
              from + lengthM / 2,
              y + high * 0.28,
              whole.length * BAR_LETTER * longest < lengthM ? whole : plan.marks[at]!,
            ),
          ];
        }),
        ...(spare
          ? [
              words(
                bar.lengthM - spare.lengthM! / 2,
                y + high * 0.28,
                spare.lengthM! > 9 * BAR_LETTER * longest
                  ? `${spare.name}: ${told(spare.lengthM!)}`
                  : spare.name,
              ),
            ]
          : []),
      ];
    }),
  );
}

/** Pieces along the bolt, one after the other; strips that are sewn lie as they are joined. */
export function clothView(plan: ClothPlan, told: Told = inMm): View {
  const gap = plan.part.widthM * 0.08;
  let x = 0;
  const longest = Math.max(
    plan.part.widthM,
    plan.pieces.reduce((sum, { cut }) => sum + cut.panelLengthM + gap, 0),
  );
  const shapes = plan.pieces.flatMap(({ piece, cut, mark }) => {
    const across = cut.panelWidthM;
    const from = x;
    x += cut.panelLengthM + gap;
    const round = piece.discM !== undefined && cut.panels === 1;
    return [
      ...(round
        ? [circle(from + piece.discM! / 2, across / 2, piece.discM! / 2, 'cut')]
        : Array.from({ length: cut.panels }, (_, k) =>
            rectangle(
              from,
              k * across,
              from + cut.panelLengthM,
              (k + 1) * across,
              k ? 'score' : 'cut',
            ),
          )),
      words(
        from + cut.panelLengthM / 2,
        // In the first strip: on a seam nobody could read it.
        across / 2,
        titled(mark, piece.name, cut.panelLengthM, longest),
      ),
    ];
  });
  return view('cloth', `${plan.part.name}: ${told(plan.totalM)} off the bolt`, [
    segment([0, plan.part.widthM], [Math.max(x, gap), plan.part.widthM], 'hidden'),
    segment([0, 0], [Math.max(x, gap), 0], 'hidden'),
    ...shapes,
  ]);
}
