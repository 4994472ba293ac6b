import type { Dimension } from '../quantity';

/**
 * What a field of a record is for. `figure`: a number of the thing itself, whose origin is kept.
 * `kind`: which of several things it is. `stock`: packs and what is on hand. `price`: money.
 */
export type FieldRole = 'figure' | 'kind' | 'stock' | 'price';

interface FieldBase {
  field: string;
  label: string;
  role: FieldRole;
  /** asked for only where another field says this */
  when?: { field: string; is: string | readonly string[] };
  /** at this value it says nothing that a thing without such a field would not: what was signed before there was one still holds */
  unsaid?: string | number | null;
}

export interface QuantityRecordField extends FieldBase {
  kind: 'quantity';
  dimension: Dimension;
  assumedUnit: string;
  step: number;
  min: number;
  max: number;
  whole?: boolean;
  /** what an empty field means, for figures a label may hide */
  emptyText?: string;
  help?: string;
}

interface ChoiceRecordField extends FieldBase {
  kind: 'choice';
  options: readonly { value: string | boolean; label: string }[];
}

/** How one field of a record is edited; editors work from these alone. */
export type RecordField =
  | QuantityRecordField
  | ChoiceRecordField
  | (FieldBase & { kind: 'money'; emptyText?: string })
  /** how a lamp spreads its light, with the beam angle of a reflector */
  | (FieldBase & { kind: 'spread' });

/** Whether a field is asked for while the others say this. */
export const isAsked = (
  { when }: RecordField,
  values: Readonly<Record<string, unknown>>,
): boolean => !when || [when.is].flat().includes(values[when.field] as string);

/** What a choice says, as its list shows it. */
export const optionLabel = (field: RecordField, value: unknown): string =>
  (field.kind === 'choice' && field.options.find((each) => each.value === value)?.label) ||
  String(value);
