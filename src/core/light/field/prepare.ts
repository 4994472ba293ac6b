import type { Arrangement } from '../transport/arrangement';
import type { Vector } from '../vector';
import type { LayerTable } from './layerGrid';
import { LookTable } from './lookTable';
import { mouthField } from './mouthField';
import type { SurveyPart } from './survey';

/** What takes longest to make of a survey, as plain data: a worker makes it, the page reads it. */
export interface Prepared {
  /** by surface and side, what leaves partial layers */
  leaving: readonly (LayerTable | null)[];
  /** looks that were taken; NaN where none was */
  ratios: Float32Array;
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

/** Places where a field will be read: those that the first figures ask for, and the rest. */
export interface Reads {
  first: readonly Vector[];
  rest: readonly Vector[];
}

/** What was made ready of a field so far. */
export const preparedOf = ({ field, ratios }: LookTable): Prepared => ({
  leaving: field.leaving,
  ratios,
});

/** What several have made ready of one survey, as one; nothing of nobody. */
export function together(parts: readonly Prepared[]): Prepared | undefined {
  const [first, ...others] = parts;
  if (!first) return undefined;
  return { ...first, ratios: filled([first, ...others].map(({ ratios }) => ratios)) };
}

/** What one does not know, the others may. */
export function filled(parts: readonly Float32Array[]): Float32Array {
  const whole = parts[0]!.slice();
  for (const own of parts.slice(1))
    for (let k = 0; k < whole.length; k++) if (Number.isNaN(whole[k]!)) whole[k] = own[k]!;
  return whole;
}
