import type { Piece } from '../../build/pieces';
import type { FormContext } from '../form';

/** Cloth nobody has weighed or chosen: black molleton is heavier, lining lighter [typ]. */
export const CLOTH_KG_PER_M2 = 0.2;
/** Diffusing sheets: paper 0.08, muslin 0.15, film of a tenth of a millimetre 0.14 [typ]. */
export const LAYER_KG_PER_M2 = 0.12;

/** Mass of one piece of a kind, kg; boards and bars of nobody's choice weigh nothing yet. */
function pieceMassKg(piece: Piece, context: FormContext): number {
  const part = context.part(piece.partId);
  switch (piece.kind) {
    case 'sheet':
      return part?.role === 'sheet' ? piece.areaM2 * part.thicknessM * part.densityKgPerM3 : 0;
    case 'stick':
      return part?.role === 'stick' ? piece.lengthM * part.massKgPerM : 0;
    case 'cloth': {
      // What hangs overhead is never taken for nothing, chosen or not.
      const kgPerM2 =
        part?.role === 'cloth'
          ? part.massKgPerM2
          : part?.role === 'diffusion'
            ? LAYER_KG_PER_M2
            : CLOTH_KG_PER_M2;
      return (piece.widthM + 2 * piece.hemM) * (piece.heightM + 2 * piece.hemM) * kgPerM2;
    }
  }
}

/** Mass of everything that is cut, kg: board, bar, cloth and film. */
export const piecesMassKg = (pieces: readonly Piece[], context: FormContext): number =>
  // A piece that cannot be made has sizes below nothing; it weighs nothing.
  pieces.reduce((sum, piece) => sum + piece.count * Math.max(0, pieceMassKg(piece, context)), 0);
