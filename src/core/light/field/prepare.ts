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

/** Whether a mouth is open: looks through it take a while. */
export const looksThrough = ({ surfaces }: Arrangement): boolean =>
  surfaces.some(
    ({ matter }) => matter.kind === 'layer' && matter.leads === 'out' && matter.spreadDeg === 0,
  );

/** @param reads  where it will be read first */
export function prepare(
  arrangement: Arrangement,
  survey: readonly SurveyPart[],
  reads: readonly Vector[],
): Prepared {
  const table = fieldOf(arrangement, survey);
  const scratch = new Float64Array(table.blocks);
  for (const place of reads) table.at(place, scratch);
  return { leaving: table.field.leaving, ratios: table.ratios };
}

/** What several have made ready of one survey, as one; nothing of nobody. */
export function together(parts: readonly Prepared[]): Prepared | undefined {
  const [first, ...others] = parts;
  if (!first) return undefined;
  const ratios = first.ratios.slice();
  for (const { ratios: own } of others)
    for (let k = 0; k < ratios.length; k++) if (Number.isNaN(ratios[k]!)) ratios[k] = own[k]!;
  return { ...first, ratios };
}
