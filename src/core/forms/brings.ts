import type { Shelf } from '../shelf/shelf';
import type { Field } from './form';

/**
 * What changes in a build when a part or a unit is chosen for a field: the field itself, and what the thing brings along
 * (a tin its size and its inside, a work light its face). What its record does not say stays as it was.
 */
export function choosing(
  field: Field,
  value: unknown,
  { units, parts }: Shelf,
): Record<string, unknown> {
  const chosen = { [field.parameter]: value };
  if ((field.kind !== 'part' && field.kind !== 'unit') || !field.brings) return chosen;
  const records: readonly { id: string }[] = field.kind === 'part' ? parts : units;
  const thing = records.find(({ id }) => id === value) as Record<string, unknown> | undefined;
  const own = field.parameter.includes('.') ? `${field.parameter.split('.')[0]}.` : '';
  for (const [parameter, from] of Object.entries(field.brings)) {
    const said = thing?.[from];
    if (said !== undefined && said !== null && said !== 'unknown') chosen[own + parameter] = said;
  }
  return chosen;
}
