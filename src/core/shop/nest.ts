import type { Disc, SheetPiece } from '../build/pieces';
import { without, type Box } from './freeSpace';

/** A bounding rectangle to be found room for; metres. */
export type NestPiece = Pick<SheetPiece, 'widthM' | 'heightM' | 'mayTurn' | 'hole' | 'discM'>;

export interface Stock {
  widthM: number;
  heightM: number;
  /** a round off-cut, as wide as it is high */
  disc?: boolean;
  /** how many there are; Infinity for what the shop sells */
  count: number;
  onHand: boolean;
}

/** Lower left corner on the sheet, after turning. */
export interface Placement extends Box {
  piece: number;
  turned: boolean;
}

interface NestedSheet {
  widthM: number;
  heightM: number;
  disc: boolean;
  onHand: boolean;
  placements: Placement[];
  /** rectangles that are left, apart from one another, the largest first */
  offCuts: Box[];
  /** middles of rings that nothing was cut from */
  discs: Disc[];
}

export interface Nesting {
  sheets: NestedSheet[];
  /** pieces for which no stock is big enough, or none is left */
  unplaced: number[];
}

export interface NestOptions {
  /** width of the saw's cut */
  kerfM: number;
  /** edge of the sheet that is not used */
  marginM: number;
  /** how many orders and rules are tried; the best is kept */
  starts: number;
}

const NEST_DEFAULTS: NestOptions = { kerfM: 0.003, marginM: 0, starts: 30 };

interface OpenDisc extends Disc {
  /** piece it falls out of; none for a round off-cut */
  owner: number | null;
}
interface Open {
  stock: Stock;
  free: Box[];
  placements: Placement[];
  discs: OpenDisc[];
}

/** Lower is better; the first figure decides, the second breaks ties. */
type Rule = (free: Box, w: number, h: number) => [number, number];

const RULES: Rule[] = [
  // short side left over, long side, area left over, low and left
  (f, w, h) => [Math.min(f.w - w, f.h - h), Math.max(f.w - w, f.h - h)],
  (f, w, h) => [f.w * f.h - w * h, Math.min(f.w - w, f.h - h)],
  (f, w, h) => [f.y + h, f.x],
  (f, w, h) => [Math.max(f.w - w, f.h - h), Math.min(f.w - w, f.h - h)],
  (f, w) => [f.x + w, f.y],
];

type Measure = (piece: NestPiece) => number;
const ORDERS: Measure[] = [
  ({ widthM, heightM }) => widthM * heightM,
  ({ widthM, heightM }) => Math.max(widthM, heightM),
  ({ widthM, heightM }) => widthM + heightM,
  ({ heightM }) => heightM,
  ({ widthM }) => widthM,
  ({ widthM, heightM }) => Math.min(widthM, heightM),
];

/**
 * Lays bounding rectangles on sheets, stock on hand first. Every order of pieces is tried with every
 * rule, then orders shaken by a fixed seed, and the plan with the fewest bought sheets, then the
 * largest off-cut, is kept: the same input always gives the same plan.
 */
export function nest(
  pieces: readonly NestPiece[],
  stock: readonly Stock[],
  options: Partial<NestOptions> = {},
): Nesting {
  const { kerfM, marginM, starts } = { ...NEST_DEFAULTS, ...options };
  let best: { plan: Nesting; score: number[] } | null = null;
  for (let start = 0; start < Math.max(1, starts); start++) {
    const rule = RULES[start % RULES.length]!;
    const order = orderOf(pieces, start);
    const plan = layOut(pieces, order, stock, rule, kerfM, marginM);
    const score = scoreOf(plan);
    if (!best || compare(score, best.score) < 0) best = { plan, score };
    if (pieces.length < 2) break;
  }
  return best!.plan;
}

function orderOf(pieces: readonly NestPiece[], start: number): number[] {
  const measure = ORDERS[Math.floor(start / RULES.length) % ORDERS.length]!;
  const round = Math.floor(start / (RULES.length * ORDERS.length));
  // Later rounds shake sizes by up to a quarter; a Weyl sequence keeps it repeatable.
  const shaken = pieces.map((piece, at) => {
    const share = ((at + 1) * 0.618033988749895 * (round * 31 + 7)) % 1;
    return measure(piece) * (1 + (round ? 0.5 * (share - 0.5) : 0));
  });
  return pieces.map((_, at) => at).sort((a, b) => shaken[b]! - shaken[a]! || a - b);
}

function scoreOf({ sheets, unplaced }: Nesting): number[] {
  const bought = sheets.filter(({ onHand }) => !onHand);
  const area = (some: readonly NestedSheet[]) =>
    some.reduce((sum, { widthM, heightM }) => sum + widthM * heightM, 0);
  const offCut = Math.max(
    0,
    ...sheets.map(({ offCuts: [largest] }) => (largest ? largest.w * largest.h : 0)),
  );
  return [unplaced.length, area(bought), area(sheets), -offCut];
}

function compare(a: readonly number[], b: readonly number[]): number {
  for (let at = 0; at < a.length; at++) {
    const difference = a[at]! - b[at]!;
    if (Math.abs(difference) > 1e-9) return difference;
  }
  return 0;
}

function layOut(
  pieces: readonly NestPiece[],
  order: readonly number[],
  stock: readonly Stock[],
  rule: Rule,
  kerfM: number,
  marginM: number,
): Nesting {
  const open: Open[] = [];
  const used = stock.map(() => 0);
  const unplaced: number[] = [];
  // One kerf is added to every piece and to the sheet, so that only cuts between pieces count.
  const whole = (sheet: Stock): Box => ({
    x: marginM,
    y: marginM,
    w: sheet.widthM - 2 * marginM + kerfM,
    h: sheet.heightM - 2 * marginM + kerfM,
  });
  const opened = (each: Stock): Open => {
    if (!each.disc) return { stock: each, free: [whole(each)], placements: [], discs: [] };
    const r = each.widthM / 2;
    // Its rim is cut already: the kerf that a ring's own cut would take is given back.
    const disc = { x: r, y: r, r: r + kerfM, owner: null };
    return { stock: each, free: [squareIn(disc, kerfM)], placements: [], discs: [disc] };
  };
  for (const at of order) {
    const piece = pieces[at]!;
    const spot = bestSpot(open, piece, rule, kerfM) ?? openFor(piece);
    if (spot) place(spot, at, piece, kerfM);
    else unplaced.push(at);
  }
  return { sheets: open.map((sheet) => closed(sheet, kerfM)), unplaced };

  function openFor(piece: NestPiece): Spot | null {
    for (const [at, each] of stock.entries()) {
      if (used[at]! >= each.count) continue;
      const sheet = opened(each);
      const spot = bestSpot([sheet], piece, rule, kerfM);
      if (!spot) continue;
      used[at]!++;
      open.push(sheet);
      return spot;
    }
    return null;
  }
}

interface Spot {
  sheet: Open;
  box: Box;
  turned: boolean;
  /** the middle of a ring it lies in */
  disc?: OpenDisc;
}

function bestSpot(
  sheets: readonly Open[],
  piece: NestPiece,
  rule: Rule,
  kerfM: number,
): Spot | null {
  const round = piece.discM === undefined ? null : inDisc(sheets, piece, piece.discM, kerfM);
  if (round) return round;
  let best: Spot | null = null;
  let bestScore: [number, number] = [Infinity, Infinity];
  for (const sheet of sheets) {
    for (const free of sheet.free)
      for (const turned of piece.mayTurn ? [false, true] : [false]) {
        const w = (turned ? piece.heightM : piece.widthM) + kerfM;
        const h = (turned ? piece.widthM : piece.heightM) + kerfM;
        if (w > free.w + 1e-9 || h > free.h + 1e-9) continue;
        const score = rule(free, w, h);
        if (score[0] > bestScore[0] + 1e-12) continue;
        if (score[0] > bestScore[0] - 1e-12 && score[1] >= bestScore[1]) continue;
        bestScore = score;
        best = { sheet, turned, box: { x: free.x, y: free.y, w, h } };
      }
    // Fill what is open before looking at the next sheet.
    if (best) return best;
  }
  // A long bar may lie across a disc that no square of it would hold.
  return inDisc(sheets, piece, Math.hypot(piece.widthM, piece.heightM), kerfM);
}

/** The largest square of a ring's middle, a kerf off the cut round it, a kerf added as to every free box. */
function squareIn({ x, y, r }: Disc, kerfM: number): Box {
  const half = Math.max(0, r - kerfM) / Math.SQRT2;
  return { x: x - half, y: y - half, w: 2 * half + kerfM, h: 2 * half + kerfM };
}

/** Nothing but the ring itself lies there yet. */
const untouched = (sheet: Open, { x, y, r, owner }: OpenDisc): boolean =>
  !sheet.placements.some(
    (placed) =>
      placed.piece !== owner &&
      // A ring about the same middle, whose own disc was cut from, lies round it.
      Math.max(placed.w, placed.h) <= 2 * r &&
      Math.abs(placed.x + placed.w / 2 - x) < r &&
      Math.abs(placed.y + placed.h / 2 - y) < r,
  );

/** The smallest disc that still holds something of a size across, in the middle of it. */
function inDisc(
  sheets: readonly Open[],
  piece: NestPiece,
  acrossM: number,
  kerfM: number,
): Spot | null {
  let best: Spot | null = null;
  for (const sheet of sheets)
    for (const disc of sheet.discs) {
      if (acrossM / 2 > disc.r - kerfM + 1e-9) continue;
      if (best?.disc && best.disc.r <= disc.r) continue;
      if (!untouched(sheet, disc)) continue;
      const [w, h] = [piece.widthM + kerfM, piece.heightM + kerfM];
      const box = { x: disc.x - piece.widthM / 2, y: disc.y - piece.heightM / 2, w, h };
      best = { sheet, turned: false, box, disc };
    }
  return best;
}

function place(spot: Spot, at: number, piece: NestPiece, kerfM: number): void {
  const { sheet, box, turned, disc } = spot;
  sheet.free = without(
    sheet.free,
    disc ? { x: disc.x - disc.r, y: disc.y - disc.r, w: 2 * disc.r, h: 2 * disc.r } : box,
  );
  sheet.placements.push({
    piece: at,
    turned,
    x: box.x,
    y: box.y,
    w: box.w - kerfM,
    h: box.h - kerfM,
  });
  const { hole } = piece;
  if (!hole) return;
  // Turned, a piece's x and y change places.
  const [x, y] = turned ? [hole.y, hole.x] : [hole.x, hole.y];
  const open = { x: box.x + x, y: box.y + y, r: hole.r, owner: at };
  sheet.discs.push(open);
  sheet.free.push(squareIn(open, kerfM));
}

function closed(sheet: Open, kerfM: number): NestedSheet {
  const { stock, free, placements, discs } = sheet;
  return {
    widthM: stock.widthM,
    heightM: stock.heightM,
    disc: stock.disc ?? false,
    onHand: stock.onHand,
    placements,
    offCuts: leftOver(free, kerfM),
    discs: discs
      .filter((disc) => untouched(sheet, disc))
      .map(({ x, y, r }) => ({ x, y, r: r - kerfM })),
  };
}

/** Left-overs narrower than this are waste, and nobody keeps more than so many of a sheet. */
const KEPT_M = 0.05;
const KEPT = 4;

function leftOver(free: readonly Box[], kerfM: number): Box[] {
  const kept: Box[] = [];
  let left = free;
  while (kept.length < KEPT) {
    const largest = left.reduce<Box | null>(
      (best, box) => (best === null || box.w * box.h > best.w * best.h ? box : best),
      null,
    );
    if (!largest) break;
    const box = { ...largest, w: largest.w - kerfM, h: largest.h - kerfM };
    if (Math.min(box.w, box.h) < KEPT_M) break;
    kept.push(box);
    left = without(left, largest);
  }
  return kept;
}

/** Share of the sheets' area that becomes pieces, 0…1. */
export function nestYield({ sheets }: Nesting): number {
  const used = sheets
    .flatMap(({ placements }) => placements)
    .reduce((sum, { w, h }) => sum + w * h, 0);
  const all = sheets.reduce((sum, { widthM, heightM }) => sum + widthM * heightM, 0);
  return all > 0 ? used / all : 0;
}
