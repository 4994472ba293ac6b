import type { FormContext } from '../form';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { piecesMassKg } from './mass';

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

/** A resolved build with what most forms leave empty; `extraKg` is everything that is not cut. */
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
    massKg: piecesMassKg(given.pieces, context) + extraKg,
    ...given,
  };
}

export const fact = (
  id: string,
  label: string,
  value: number,
  working: string,
  dimension: ResolvedBuild['facts'][number]['dimension'] = 'length',
): ResolvedBuild['facts'][number] => ({ id, label, value, dimension, working });
