'use client';
import type { Finding } from '@/core/findings/finding';
import type { Part } from '@/core/materials/part';
import { FIGURE_ORIGINS, ORIGIN_WORDS, type FigureOrigin } from '@/core/origin';
import { isAsked, type RecordField } from '@/core/record/field';
import type { Unit } from '@/core/units/unit';
import { Dialog } from '@/ui/Dialog';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { TextField } from '@/ui/fields/TextField';
import { FindingNotes } from './FindingNotes';
import { RecordFieldInput } from '../records/RecordFieldInput';

const FROM: Record<FigureOrigin, string> = {
  metered: 'metered',
  calibrated: 'fitted to my readings',
  label: 'read from the label',
  yours: 'my own reckoning',
  typical: 'typical of the class',
};

interface RecordEditorProps<R extends Unit | Part> {
  record: R;
  fields: readonly RecordField[];
  findings?: readonly Finding[];
  /** what a record has besides plain fields */
  children?: React.ReactNode;
  /** changes the record; the label says what was changed of it */
  onChange: (label: string, set: (target: R) => void) => void;
  onClose: () => void;
  onDuplicate: () => void;
  onDelete: () => void;
}

/** Any unit or part of the shelf, field by field, with the traps of its label above. */
export default function RecordEditor<R extends Unit | Part>(props: RecordEditorProps<R>) {
  const { record, fields, findings = [], children, onChange, onClose } = props;
  const values = record as unknown as Record<string, unknown>;
  const asked = fields.filter((field) => isAsked(field, values));
  const figures = asked.filter(
    ({ kind, role, field }) => kind === 'quantity' && role === 'figure' && values[field] !== null,
  );
  const originOf = ({ field }: RecordField) => record.origins[field] ?? 'typical';
  const setField = ({ field, label, kind, role }: RecordField, value: unknown) =>
    onChange(label.toLowerCase(), (target) => {
      Object.assign(target, { [field]: value });
      // A figure typed here is the user's, not the label's or the class's any more.
      if (kind === 'quantity' && role === 'figure') target.origins[field] = 'yours';
    });
  return (
    <Dialog title={record.name} open onClose={onClose} place="side">
      <FindingNotes findings={findings} />
      <div className="grid grid-cols-2 gap-x-4 gap-y-2">
        <div className="col-span-2">
          <TextField
            label="Name"
            value={record.name}
            most={120}
            onCommit={(name) => onChange('name', (target) => void (target.name = name))}
          />
        </div>
        {asked.map((field) => (
          <RecordFieldInput
            key={field.field}
            field={counted(field, record)}
            value={values[field.field]}
            mark={figures.includes(field) ? ORIGIN_WORDS[originOf(field)] : undefined}
            problem={
              findings.find(
                ({ where, severity }) =>
                  where.field === `unit.${field.field}` && severity === 'look',
              )?.title
            }
            onChange={(value) => setField(field, value)}
          />
        ))}
        {figures.length > 0 && (
          <FiguresFrom
            origins={figures.map(originOf)}
            onChange={(origin) =>
              onChange('origin', (target) =>
                figures.forEach(({ field }) => (target.origins[field] = origin)),
              )
            }
          />
        )}
      </div>
      {children}
      <p className="mt-5 flex gap-3">
        <button type="button" className="press" onClick={props.onDuplicate}>
          Duplicate
        </button>
        <button type="button" className="press" onClick={props.onDelete}>
          Delete
        </button>
      </p>
    </Dialog>
  );
}

/** What is on hand, in what it is counted by. */
const counted = (field: RecordField, record: Unit | Part): RecordField =>
  field.field === 'onHand' && 'measure' in record
    ? { ...field, label: `On hand, ${record.measure}` }
    : field;

interface FiguresFromProps {
  origins: readonly FigureOrigin[];
  onChange: (origin: FigureOrigin) => void;
}

/** Where all figures come from at once. */
function FiguresFrom({ origins, onChange }: FiguresFromProps) {
  const [first] = origins;
  const mixed = origins.some((origin) => origin !== first);
  return (
    <ChoiceField<FigureOrigin | ''>
      label="Figures come from"
      value={mixed ? '' : first!}
      options={[
        ...(mixed ? [{ value: '' as const, label: 'several sources' }] : []),
        ...FIGURE_ORIGINS.map((value) => ({ value, label: FROM[value] })),
      ]}
      help={mixed ? 'choosing sets all' : undefined}
      onCommit={(origin) => {
        if (origin !== '') onChange(origin);
      }}
    />
  );
}
