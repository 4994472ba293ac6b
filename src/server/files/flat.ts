import type { Shape } from '@/core/drawing/drawing';
import type { Piece, SheetPiece } from '@/core/build/pieces';

/** A flat piece placed on one big plane for a drawing file, lower left corner in metres. */
interface PlacedPiece {
  piece: SheetPiece;
  xM: number;
  yM: number;
}

const GAP_M = 0.02;
const WIDEST_M = 3;

/** Every flat piece once, in rows beside one another, with room between them. */
export function spreadOut(
  pieces: readonly Piece[],
  widestM = WIDEST_M,
): {
  placed: PlacedPiece[];
  widthM: number;
  heightM: number;
} {
  const flat = pieces.filter((piece): piece is SheetPiece => piece.kind === 'sheet');
  const placed: PlacedPiece[] = [];
  let [x, y, row, widest] = [0, 0, 0, 0];
  for (const piece of flat) {
    if (x > 0 && x + piece.widthM > widestM) [x, y, row] = [0, y + row + GAP_M, 0];
    placed.push({ piece, xM: x, yM: y });
    x += piece.widthM + GAP_M;
    row = Math.max(row, piece.heightM);
    widest = Math.max(widest, x - GAP_M);
  }
  return { placed, widthM: widest, heightM: flat.length ? y + row : 0 };
}

/** Layers a saw, knife or laser tells apart; everything else is for the eye. */
export const FILE_LAYERS = ['cut', 'score', 'drill', 'mark'] as const;
export type FileLayer = (typeof FILE_LAYERS)[number];

export const onLayer = (shapes: readonly Shape[], layer: FileLayer): Shape[] =>
  shapes.filter((shape) => shape.layer === layer);
