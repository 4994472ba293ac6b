'use client';
import type { Finding } from '@/core/findings/finding';
import { useDevice } from '@/ui/device';
import { Dialog } from '@/ui/Dialog';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { QuantityField } from '@/ui/fields/QuantityField';
import { MoneyField, TextField } from '@/ui/fields/TextField';
import { useProduction } from '../store/context';
import { FindingNotes } from './FindingNotes';
import type { RecordField } from './recordFields';

interface RecordEditorProps {
  record: { name: string; priceMinor: number };
  fields: readonly RecordField[];
  findings?: readonly Finding[];
  /** what a record has besides plain fields */
  children?: React.ReactNode;
  /** takes a field's new value; the record it lies in is the caller's */
  onChange: (field: string, label: string, value: unknown) => void;
  onClose: () => void;
  onDuplicate: () => void;
  onDelete: () => void;
}

/** Any unit or part of the shelf, field by field, with the traps of its label above. */
export default function RecordEditor(props: RecordEditorProps) {
  const {
    record,
    fields,
    findings = [],
    children,
    onChange,
    onClose,
    onDuplicate,
    onDelete,
  } = props;
  const currency = useProduction((state) => state.document.currency);
  return (
    <Dialog title={record.name} open onClose={onClose} place="side">
      <FindingNotes findings={findings} />
      <div className="grid grid-cols-2 gap-x-4 gap-y-2">
        <div className="col-span-2">
          <TextField
            label="Name"
            value={record.name}
            most={120}
            onCommit={(name) => onChange('name', 'name', name)}
          />
        </div>
        <MoneyField
          label="Price of a pack"
          valueMinor={record.priceMinor}
          currency={currency}
          onCommit={(minor) => onChange('priceMinor', 'price', minor ?? 0)}
        />
        {fields.map((field) => (
          <OneField
            key={field.field}
            field={field}
            value={(record as unknown as Record<string, unknown>)[field.field]}
            onChange={(value) => onChange(field.field, field.label, value)}
          />
        ))}
      </div>
      {children}
      <p className="mt-5 flex gap-3">
        <button type="button" className="press" onClick={onDuplicate}>
          Duplicate
        </button>
        <button type="button" className="press" onClick={onDelete}>
          Delete
        </button>
      </p>
    </Dialog>
  );
}

const COUNTS = [
  { value: 'false', label: 'is free' },
  { value: 'true', label: 'counts at its price' },
];

interface OneFieldProps {
  field: RecordField;
  value: unknown;
  onChange: (value: unknown) => void;
}

function OneField({ field, value, onChange }: OneFieldProps) {
  const { units } = useDevice();
  if (field.kind === 'quantity')
    return (
      <QuantityField
        {...field}
        value={value as number | null}
        system={units}
        onCommit={(next) => onChange(next)}
      />
    );
  return (
    <ChoiceField
      label={field.label}
      value={String(value)}
      options={field.kind === 'flag' ? COUNTS : field.options}
      // Yes-or-no fields travel as words in a list.
      onCommit={(next) => onChange(typeof value === 'boolean' ? next === 'true' : next)}
    />
  );
}
