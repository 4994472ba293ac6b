'use client';
import { isAsked, type RecordField } from '@/core/record/field';
import { RecordFieldInput } from './RecordFieldInput';

interface RecordFieldsProps<R extends object> {
  fields: readonly RecordField[];
  record: R;
  /** changes the record; the label says what was changed of it */
  onChange: (label: string, set: (target: R) => void) => void;
}

/** Fields of a record, each as its definition says. */
export function RecordFields<R extends object>({ fields, record, onChange }: RecordFieldsProps<R>) {
  const values = record as Record<string, unknown>;
  const asked = fields.filter((field) => isAsked(field, values));
  return asked.map((field) => (
    <RecordFieldInput
      key={field.field}
      field={field}
      value={values[field.field]}
      onChange={(value) =>
        onChange(
          field.label.toLowerCase(),
          (target) => void Object.assign(target, { [field.field]: value }),
        )
      }
    />
  ));
}
