import type { Arrangement } from '../transport/arrangement';
import type { Vector } from '../vector';
import type { LayerTable } from './layerGrid';
import { LookTable } from './lookTable';
import { mouthField } from './mouthField';
import { straightRows } from './mouthStraight';
import type { SurveyPart } from './survey';

/** What takes longest to make of a survey, as plain data: a worker makes it, the page reads it. */
export interface Prepared {
  /** by surface and side, what leaves partial layers */
  leaving: readonly (LayerTable | null)[];
  /** looks that were taken; NaN where none was */
  ratios: Float32Array;
  /** the mouth’s straight light by cell, NaN where nobody worked it out; null for a mouth without a map */
  straight: Float32Array | null;
}

/** The field of a survey, ready to be read. */
export function fieldOf(
  arrangement: Arrangement,
  survey: readonly SurveyPart[],
  prepared: Prepared | null = null,
): LookTable {
  const field = mouthField(arrangement, survey, prepared?.leaving);
  return new LookTable(field, prepared?.ratios);
}

/** Whether a mouth is open: looks through it take a while. */
export const looksThrough = ({ surfaces }: Arrangement): boolean =>
  surfaces.some(
    ({ matter }) => matter.kind === 'layer' && matter.leads === 'out' && matter.spreadDeg === 0,
  );

/**
 * One hand’s share of making a survey ready.
 * @param reads  where it will be read first
 * @param hand, hands  every so manieth of the places and of the map’s rows
 */
export function prepare(
  arrangement: Arrangement,
  survey: readonly SurveyPart[],
  reads: readonly Vector[],
  hand = 0,
  hands = 1,
): Prepared {
  const table = fieldOf(arrangement, survey);
  const scratch = new Float64Array(table.blocks);
  for (let k = hand; k < reads.length; k += hands) table.at(reads[k]!, scratch);
  return {
    leaving: table.field.leaving,
    ratios: table.ratios,
    straight: straightRows(table.field, hand, hands),
  };
}

/** What several have made ready of one survey, as one; nothing of nobody. */
export function together(parts: readonly Prepared[]): Prepared | undefined {
  const [first, ...others] = parts;
  if (!first) return undefined;
  return {
    ...first,
    ratios: filled([first, ...others].map(({ ratios }) => ratios)),
    straight: first.straight && filled(parts.flatMap(({ straight }) => straight ?? [])),
  };
}

/** What one does not know, the others may. */
function filled(parts: readonly Float32Array[]): Float32Array {
  const whole = parts[0]!.slice();
  for (const own of parts.slice(1))
    for (let k = 0; k < whole.length; k++) if (Number.isNaN(whole[k]!)) whole[k] = own[k]!;
  return whole;
}
