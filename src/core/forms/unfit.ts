import type { Finding } from '../findings/finding';
import { TAKES, unfit } from '../materials/takes';
import type { Field, FormContext } from './form';

/**
 * Places of a form or an accessory that hold a part they do not take: chosen before the list told so, or
 * changed on the shelf since.
 * @param values  parameters by name, as they were read
 */
export const unfitParts = (
  fields: readonly Field[],
  values: Readonly<Record<string, unknown>>,
  { part }: Pick<FormContext, 'part'>,
): Finding[] =>
  fields.flatMap((field): Finding[] => {
    if (field.kind !== 'part' || !field.takes) return [];
    const chosen = part(values[field.parameter] as Parameters<typeof part>[0]);
    const why = chosen && unfit(field.takes, chosen);
    if (!chosen || !why) return [];
    return [
      {
        id: `choice.unfit.${field.parameter}`,
        topic: 'choice',
        severity: 'look',
        title: `${field.label}: ${why}`,
        message: `“${chosen.name}” stands where ${TAKES[field.takes].wants} belongs: what is worked out from it may be wrong, and it may not hold. Choose another, or correct what the shelf says of it.`,
        limit: TAKES[field.takes].wants,
        source: 'Common practice',
        where: { field: field.parameter },
      },
    ];
  });
