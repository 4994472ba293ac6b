import type { Shape } from '../drawing/drawing';
import type { PartId } from '../ids';

interface PieceBase {
  /** stays when sizes and counts change */
  id: string;
  name: string;
  partId: PartId | null;
  count: number;
  markOut: readonly string[];
}

/** A flat piece of board; the outline and everything on it in metres, from the lower left corner. */
export interface SheetPiece extends PieceBase {
  kind: 'sheet';
  /** rectangle of stock it takes */
  widthM: number;
  heightM: number;
  thicknessM: number;
  shapes: readonly Shape[];
  mayTurn: boolean;
  areaM2: number;
  /** what falls out of its middle and can serve for smaller pieces */
  hole?: { x: number; y: number; w: number; h: number };
}

export interface StickPiece extends PieceBase {
  kind: 'stick';
  lengthM: number;
}

/** A cloth, film or foil from the roll; several lengths are sewn or joined when it is wider. */
export interface ClothPiece extends PieceBase {
  kind: 'cloth';
  widthM: number;
  heightM: number;
  seamM: number;
  hemM: number;
}

export type Piece = SheetPiece | StickPiece | ClothPiece;
