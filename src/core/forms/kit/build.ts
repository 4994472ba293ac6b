import type { FormContext } from '../form';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { piecesMassKg } from './mass';
import { TAPE_WIDTH_M } from './typical';

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
  | 'built';

/** A resolved build with what most forms leave empty; `extraKg` is everything that is not cut. */
export function completeBuild(
  given: Pick<ResolvedBuild, Required> & Partial<ResolvedBuild>,
  extraKg: number,
  context: FormContext,
): ResolvedBuild {
  const massKg = given.massKg ?? piecesMassKg(given.pieces, context) + extraKg;
  return {
    surfaces: [],
    mouth: null,
    controls: [],
    dots: null,
    tape: null,
    enclosure: null,
    array: { spacingM: Infinity, emitterWidthM: TAPE_WIDTH_M },
    things: [],
    supports: [],
    parcels: [],
    frameworks: [],
    bought: [],
    folded: given.built,
    ...given,
    massKg,
    // Where nothing better is told its weight lies half-way between its back and its front.
    momentKgM: given.momentKgM ?? massKg * (given.built.depthM / 2),
  };
}

export const fact = (
  id: string,
  label: string,
  value: number,
  working: string,
  dimension: ResolvedBuild['facts'][number]['dimension'] = 'length',
): ResolvedBuild['facts'][number] => ({ id, label, value, dimension, working });
