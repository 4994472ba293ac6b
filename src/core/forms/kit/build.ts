import type { FormContext } from '../form';
import type { Piece, SheetPiece, StickPiece } from '../../build/pieces';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { sheetMassKg, stickMassKg } from './pieces';

type Required =
  | 'emitters'
  | 'groups'
  | 'lampsAt'
  | 'wiring'
  | 'pieces'
  | 'needs'
  | 'steps'
  | 'facts'
  | 'findings'
  | 'apparent'
  | 'frontM'
  | 'folded';

/** A resolved build with what most forms leave empty; `extraKg` is everything but board and stick. */
export function completeBuild(
  given: Pick<ResolvedBuild, Required> & Partial<ResolvedBuild>,
  extraKg: number,
  context: FormContext,
): ResolvedBuild {
  return {
    surfaces: [],
    mouth: null,
    controls: [],
    dots: null,
    tape: null,
    enclosure: null,
    array: { spacingM: Infinity, emitterWidthM: 0.01 },
    flammables: [],
    massKg: boardMassKg(given.pieces, context) + extraKg,
    ...given,
  };
}

export const boardMassKg = (pieces: readonly Piece[], context: FormContext): number =>
  sheetMassKg(
    pieces.filter((piece): piece is SheetPiece => piece.kind === 'sheet'),
    context,
  ) +
  stickMassKg(
    pieces.filter((piece): piece is StickPiece => piece.kind === 'stick'),
    context,
  );

export const fact = (
  id: string,
  label: string,
  value: number,
  working: string,
  dimension: ResolvedBuild['facts'][number]['dimension'] = 'length',
): ResolvedBuild['facts'][number] => ({ id, label, value, dimension, working });
