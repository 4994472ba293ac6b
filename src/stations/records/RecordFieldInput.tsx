'use client';
import type { RecordField } from '@/core/record/field';
import { SPREAD_NAMES, type Spread } from '@/core/units/spread';
import { useDevice } from '@/ui/device';
import { CountField } from '@/ui/fields/CountField';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { QuantityField } from '@/ui/fields/QuantityField';
import { MoneyField } from '@/ui/fields/TextField';
import { useProduction } from '../store/context';

interface RecordFieldInputProps {
  field: RecordField;
  value: unknown;
  /** where the figure comes from */
  mark?: string;
  /** a trap of the label that belongs to this field */
  problem?: string;
  /** in a sentence: its label is only heard */
  bare?: boolean;
  onChange: (value: unknown) => void;
}

/** One field of a record, as its definition says it is edited. */
export function RecordFieldInput(props: RecordFieldInputProps) {
  const { field, value, mark, problem, bare, onChange } = props;
  const { units } = useDevice();
  const currency = useProduction((state) => state.document.currency);
  switch (field.kind) {
    case 'quantity':
      return (
        <QuantityField
          {...field}
          value={value as number | null}
          mark={mark}
          problem={problem}
          bare={bare}
          system={units}
          onCommit={(next) => onChange(next)}
        />
      );
    case 'money':
      return (
        <MoneyField
          label={field.label}
          valueMinor={value as number | null}
          currency={currency}
          emptyText={field.emptyText}
          bare={bare}
          onCommit={(minor) => onChange(minor ?? (field.emptyText === undefined ? 0 : null))}
        />
      );
    case 'choice':
      return (
        <ChoiceField
          label={field.label}
          value={String(value)}
          options={field.options.map((each) => ({ ...each, value: String(each.value) }))}
          help={problem}
          bare={bare}
          onCommit={(next) =>
            onChange(field.options.find((each) => String(each.value) === next)!.value)
          }
        />
      );
    case 'spread':
      return <SpreadInput label={field.label} spread={value as Spread} onChange={onChange} />;
  }
}

/** A measured spread comes from a file and stays until another is chosen. */
function spreadOf(kind: Spread['class'], now: Spread): Spread {
  if (kind === now.class || kind === 'measured') return now;
  return kind === 'reflector' ? { class: 'reflector', beamAngleDeg: 60 } : { class: kind };
}

interface SpreadInputProps {
  label: string;
  spread: Spread;
  onChange: (spread: Spread) => void;
}

function SpreadInput({ label, spread, onChange }: SpreadInputProps) {
  const classes = Object.entries(SPREAD_NAMES) as [Spread['class'], string][];
  return (
    <>
      <ChoiceField
        label={label}
        value={spread.class}
        options={classes
          .filter(([value]) => value !== 'measured' || spread.class === 'measured')
          .map(([value, name]) => ({ value, label: name }))}
        onCommit={(kind) => onChange(spreadOf(kind, spread))}
      />
      {spread.class === 'reflector' && (
        <CountField
          label="Beam angle, °"
          value={spread.beamAngleDeg}
          min={2}
          max={170}
          onCommit={(angle) => onChange({ class: 'reflector', beamAngleDeg: angle })}
        />
      )}
    </>
  );
}
