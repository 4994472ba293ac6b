import type { ClothPiece, Piece, SheetPiece, StickPiece } from '../build/pieces';
import type { PartId } from '../ids';
import type { Part, PartOf } from '../materials/part';
import { cutCloth, type ClothCut } from '../materials/cloth';
import { kerfOf } from '../materials/cutting';
import { nest, type Nesting, type NestOptions, type NestPiece, type Stock } from './nest';
import { markOf } from './marks';
import { cutSticks, type StickCut } from './sticks';

/** Where the pieces of one kind of board lie. */
export interface SheetPlan {
  kind: 'sheet';
  part: PartOf<'sheet'>;
  /** one entry for every single piece, copies counted out */
  pieces: SheetPiece[];
  /** what is written on each */
  marks: string[];
  nesting: Nesting;
  /** whole sheets used, on hand or bought; off-cuts are not among them */
  sheets: number;
  /** the same with nothing on hand */
  sheetsFull: number;
  /** real area of the pieces over the area of the sheets */
  yield: number;
}

export interface StickPlan {
  kind: 'stick';
  part: PartOf<'stick'>;
  pieces: StickPiece[];
  marks: string[];
  cut: StickCut;
  bars: number;
  barsFull: number;
  yield: number;
}

export interface ClothPlan {
  kind: 'cloth';
  part: PartOf<'cloth'> | PartOf<'diffusion'>;
  pieces: { piece: ClothPiece; cut: ClothCut; mark: string }[];
  totalM: number;
}

export type MaterialPlan = SheetPlan | StickPlan | ClothPlan;

export interface CutPlan {
  plans: MaterialPlan[];
  /** pieces whose material nobody has chosen yet */
  unchosen: Piece[];
}

type FindPart = (id: PartId | null) => Part | null;

interface CutOptions extends NestOptions {
  /** pieces laid out together; a bigger job is laid out in batches of as many, so that it never hangs */
  batch: number;
}
const BATCH = 300;

/** Lays all pieces of some copies of a light on the materials they are cut from. */
export function planCuts(
  pieces: readonly Piece[],
  copies: number,
  part: FindPart,
  options: Partial<CutOptions> = {},
): CutPlan {
  return planMarked(markedPieces(pieces, copies), part, options);
}

/** A single piece with what is written on it. */
interface Marked<P extends Piece = Piece> {
  piece: P;
  mark: string;
}

/** Every single piece of some copies of a light. @param before written before the mark, where several lights are cut at once */
export const markedPieces = (pieces: readonly Piece[], copies: number, before = ''): Marked[] =>
  pieces.flatMap((piece, at) =>
    Array.from({ length: piece.count * copies }, (_, k) => ({
      piece,
      mark:
        before +
        markOf(at + 1, k % piece.count, piece.count, Math.floor(k / piece.count) + 1, copies),
    })),
  );

/** Lays pieces out that are told apart already: of one light, or of several that are bought and cut together. */
export function planMarked(
  single: readonly Marked[],
  part: FindPart,
  options: Partial<CutOptions> = {},
): CutPlan {
  const chosen = new Map<Part, Marked[]>();
  const unchosen = new Set<Piece>();
  for (const each of single) {
    const from = part(each.piece.partId);
    if (!from || !madeFrom(each.piece, from)) unchosen.add(each.piece);
    else if (chosen.has(from)) chosen.get(from)!.push(each);
    else chosen.set(from, [each]);
  }
  return {
    plans: [...chosen].map(([from, some]) => planMaterial(from, some, options)),
    unchosen: [...unchosen],
  };
}

const madeFrom = (piece: Piece, { role }: Part): boolean =>
  piece.kind === 'cloth' ? role === 'cloth' || role === 'diffusion' : role === piece.kind;

function planMaterial(
  part: Part,
  marked: readonly Marked[],
  options: Partial<CutOptions>,
): MaterialPlan {
  const marks = marked.map(({ mark }) => mark);
  const pieces = marked.map(({ piece }) => piece);
  if (part.role === 'sheet') return planSheets(part, pieces as SheetPiece[], marks, options);
  if (part.role === 'stick') return planSticks(part, pieces as StickPiece[], marks);
  return planCloth(part as PartOf<'cloth'>, marked as Marked<ClothPiece>[]);
}

export const nestPiece = ({ widthM, heightM, mayTurn, hole, discM }: SheetPiece): NestPiece => ({
  widthM,
  heightM,
  mayTurn,
  ...(hole ? { hole } : {}),
  ...(discM ? { discM } : {}),
});

/** What lies in the shed: off-cuts of any shape, and whole sheets. */
const shedOf = ({ offCuts, widthM, heightM, onHand }: PartOf<'sheet'>): Stock[] => [
  ...offCuts.map((offCut): Stock =>
    'diameterM' in offCut
      ? {
          widthM: offCut.diameterM,
          heightM: offCut.diameterM,
          disc: true,
          count: offCut.count,
          onHand: true,
        }
      : { ...offCut, onHand: true },
  ),
  { widthM, heightM, count: Math.floor(onHand), onHand: true },
];

/** Batch after batch, each on what the ones before it left in the shed. */
function nestInBatches(
  part: PartOf<'sheet'>,
  pieces: readonly SheetPiece[],
  shed: readonly Stock[],
  { batch = BATCH, ...options }: Partial<CutOptions>,
): Nesting {
  const { widthM, heightM } = part;
  const left = shed.map((each) => ({ ...each }));
  const all: Nesting = { sheets: [], unplaced: [] };
  for (let from = 0; from < pieces.length; from += batch) {
    const some = pieces.slice(from, from + batch).map(nestPiece);
    const stock = [...left, { widthM, heightM, count: Infinity, onHand: false }];
    const plan = nest(some, stock, { kerfM: kerfOf(part), ...options });
    for (const sheet of plan.sheets) {
      const used = left.find(
        (each) =>
          sheet.onHand &&
          each.widthM === sheet.widthM &&
          each.heightM === sheet.heightM &&
          (each.disc ?? false) === sheet.disc &&
          each.count > 0,
      );
      if (used) used.count -= 1;
      const placements = sheet.placements.map((each) => ({ ...each, piece: each.piece + from }));
      all.sheets.push({ ...sheet, placements });
    }
    all.unplaced.push(...plan.unplaced.map((at) => at + from));
  }
  return all;
}

function planSheets(
  part: PartOf<'sheet'>,
  pieces: SheetPiece[],
  marks: string[],
  options: Partial<CutOptions>,
): SheetPlan {
  const { widthM, heightM } = part;
  const shed = shedOf(part);
  const nesting = nestInBatches(part, pieces, shed, options);
  const whole = nesting.sheets.filter(
    (sheet) => !sheet.disc && sheet.widthM === widthM && sheet.heightM === heightM,
  );
  const placed = nesting.sheets.flatMap(({ placements }) => placements);
  const used = placed.reduce((sum, { piece }) => sum + pieces[piece]!.areaM2, 0);
  const all = nesting.sheets.reduce((sum, sheet) => sum + sheet.widthM * sheet.heightM, 0);
  // Without anything taken from the shed the plan is the one for an empty one.
  const full = nesting.sheets.some(({ onHand }) => onHand)
    ? nestInBatches(part, pieces, [], options).sheets.length
    : nesting.sheets.length;
  return {
    kind: 'sheet',
    part,
    pieces,
    marks,
    nesting,
    sheets: whole.length,
    sheetsFull: full,
    yield: all > 0 ? used / all : 0,
  };
}

function planSticks(part: PartOf<'stick'>, pieces: StickPiece[], marks: string[]): StickPlan {
  const cutFrom = (offCuts: PartOf<'stick'>['offCuts']) =>
    cutSticks(
      pieces.map(({ lengthM }) => lengthM),
      part.stockLengthM,
      kerfOf(part),
      offCuts.flatMap(({ lengthM, count }) => Array<number>(count).fill(lengthM)),
    );
  const cut = cutFrom(part.offCuts);
  const bought = (plan: StickCut) => plan.bars.filter(({ onHand }) => !onHand).length;
  const all = cut.bars.reduce((sum, bar) => sum + bar.lengthM, 0);
  const used = cut.bars
    .flatMap((bar) => bar.pieces)
    .reduce((sum, at) => sum + pieces[at]!.lengthM, 0);
  return {
    kind: 'stick',
    part,
    pieces,
    marks,
    cut,
    bars: bought(cut),
    barsFull: cut.bars.some(({ onHand }) => onHand) ? bought(cutFrom([])) : bought(cut),
    yield: all > 0 ? used / all : 0,
  };
}

function planCloth(part: ClothPlan['part'], pieces: Marked<ClothPiece>[]): ClothPlan {
  const cuts = pieces.map(({ piece, mark }) => ({
    piece,
    mark,
    cut: cutCloth(piece.widthM, piece.heightM, part.widthM, piece.seamM, piece.hemM, piece.lit),
  }));
  return { kind: 'cloth', part, pieces: cuts, totalM: lengthOnBolt(cuts, part.widthM) };
}

/** Narrow pieces of one length lie side by side on the bolt; wider ones take it whole. */
function lengthOnBolt(cuts: ClothPlan['pieces'], boltM: number): number {
  let total = 0;
  const beside = new Map<string, { lengthM: number; across: number; count: number }>();
  for (const { cut } of cuts) {
    const across = cut.panelWidthM;
    if (cut.panels > 1 || across > boltM / 2) {
      total += cut.totalM;
      continue;
    }
    const key = `${cut.panelLengthM.toFixed(4)} ${across.toFixed(4)}`;
    const known = beside.get(key) ?? { lengthM: cut.panelLengthM, across, count: 0 };
    beside.set(key, { ...known, count: known.count + 1 });
  }
  for (const { lengthM, across, count } of beside.values())
    total += Math.ceil(count / Math.floor(boltM / across + 1e-9)) * lengthM;
  return total;
}

/** How many complete lights one new sheet of a board gives, up to `most`. */
export function lightsPerSheet(pieces: readonly Piece[], part: PartOf<'sheet'>, most = 24): number {
  const own = pieces.filter(
    (piece): piece is SheetPiece => piece.kind === 'sheet' && piece.partId === part.id,
  );
  if (own.length === 0) return 0;
  const one = { widthM: part.widthM, heightM: part.heightM, count: 1, onHand: false };
  for (let lights = 1; lights <= most; lights++) {
    const copies = Array.from({ length: lights }, () =>
      own.flatMap((piece) => Array.from({ length: piece.count }, () => nestPiece(piece))),
    ).flat();
    if (nest(copies, [one], { kerfM: kerfOf(part) }).unplaced.length) return lights - 1;
  }
  return most;
}
