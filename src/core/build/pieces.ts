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
  /** may be laid with its sides exchanged; false where grain or flutes must run one way */
  mayTurn: boolean;
  areaM2: number;
  /** the disc that falls out of its middle and can serve for smaller pieces */
  hole?: Disc;
  /** diameter of the circle its outline lies in, about its middle: it can be cut from a disc */
  discM?: number;
}
/** A disc, its middle from the lower left corner of what it lies in; m. */
export interface Disc {
  x: number;
  y: number;
  r: number;
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
  /** allowance on each edge of a seam, where one is made */
  seamM: number;
  hemM: number;
  /** light passes it: a seam shows */
  lit: boolean;
  /** cut round, of this diameter */
  discM?: number;
  /** the parameter that is only there to hold it: less of it makes the piece narrower, twice over */
  tab?: { field: string; nowM: number };
}

export type Piece = SheetPiece | StickPiece | ClothPiece;
