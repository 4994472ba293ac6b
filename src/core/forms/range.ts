import type { Field, Limits } from './form';

/** A field's own range, narrowed by what the form says for the sake of the other parameters. */
export const rangeOf = (
  field: Extract<Field, { kind: 'quantity' }>,
  limit: Partial<Limits> = {},
): Limits => ({
  min: Math.max(field.min, limit.min ?? field.min),
  max: Math.min(field.max, limit.max ?? field.max),
});
