import type { Part } from '../materials/part';
import type { Field } from './form';

/**
 * What changes in a build when a part is chosen for a field: the field itself, and what the thing brings along (a tin
 * its size and its inside). What the part does not say stays as it was.
 */
export function choosing(
  field: Field,
  value: unknown,
  parts: readonly Part[],
): Record<string, unknown> {
  const chosen = { [field.parameter]: value };
  if (field.kind !== 'part' || !field.brings) return chosen;
  const part = parts.find(({ id }) => id === value) as Record<string, unknown> | undefined;
  const own = field.parameter.includes('.') ? `${field.parameter.split('.')[0]}.` : '';
  for (const [parameter, from] of Object.entries(field.brings)) {
    const said = part?.[from];
    if (said !== undefined && said !== null && said !== 'unknown') chosen[own + parameter] = said;
  }
  return chosen;
}
