'use client';
import {
  editText,
  parseQuantity,
  showText,
  unitShown,
  type Dimension,
  type UnitSystem,
} from '@/core/quantity';
import { accept, refuse, type Result } from '@/core/result';
import { FieldFrame } from './FieldFrame';
import { useTyped } from './useTyped';

interface QuantityFieldProps {
  label: string;
  value: number | null;
  dimension: Dimension;
  /** unit of a bare number in a field that shows none yet */
  assumedUnit: string;
  step: number;
  min: number;
  max: number;
  system: UnitSystem;
  whole?: boolean;
  mark?: string;
  help?: string;
  /** a problem found elsewhere that belongs to this field */
  problem?: string | null;
  /** shown for null, and accepted as null when typed or left empty */
  emptyText?: string;
  onCommit: (value: number | null) => string | null | void;
}

/** Text for editing; counts and f-numbers are bare numbers. */
export function textOf(value: number, dimension: Dimension, system: UnitSystem): string {
  if (dimension === 'count' || dimension === 'fNumber') return String(Number(value.toFixed(2)));
  if (dimension === 'ratio') return `${Number((value * 100).toFixed(1))}%`;
  if (dimension === 'stops')
    return showText({ figure: String(Number(value.toFixed(2))), unit: 'stops' });
  return editText(value, dimension, system);
}

function withinRange(
  value: number,
  { min, max, dimension, system, whole }: QuantityFieldProps,
): Result<number> {
  if (whole && !Number.isInteger(Number(value.toFixed(9))))
    return refuse('not_whole', 'This is counted in whole pieces.');
  const text = (limit: number) => textOf(limit, dimension, system);
  const slack = 1e-9 * Math.max(1, Math.abs(value));
  if (value < min - slack)
    return refuse('too_small', `${text(value)} is too little: use ${text(min)} to ${text(max)}.`);
  if (value > max + slack)
    return refuse('too_big', `${text(value)} is too much: use ${text(min)} to ${text(max)}.`);
  return accept(value);
}

/** A measured value: type it with any unit, step it with arrows. */
export function QuantityField(props: QuantityFieldProps) {
  const { label, value, dimension, assumedUnit, step, system, emptyText, mark, help, onCommit } =
    props;
  const shown = value === null ? '' : textOf(value, dimension, system);
  const typed = useTyped<number | null>({
    shown,
    read: (text) => {
      if (emptyText !== undefined && text.trim() === '') return accept(null);
      // A bare number means the unit that stands in the field.
      const empty = dimension === 'length' && system === 'imperial' ? 'in' : assumedUnit;
      const read = parseQuantity(text, dimension, unitShown(shown, dimension) ?? empty);
      return read.ok ? withinRange(read.value, props) : read;
    },
    commit: (next) => onCommit(next) ?? null,
    stepped: (direction, coarse) => {
      const by = step * direction * (coarse ? 10 : 1);
      const next = Math.round(((value ?? 0) + by) / step) * step;
      return Math.min(props.max, Math.max(props.min, Number(next.toPrecision(12))));
    },
  });
  const problem = typed.problem ?? props.problem;
  return (
    <FieldFrame label={label} mark={mark} help={help} problem={problem}>
      {({ id, describedBy }) => (
        <input
          {...typed.input}
          id={id}
          aria-describedby={describedBy}
          aria-invalid={Boolean(problem)}
          placeholder={emptyText}
          className="field figure"
        />
      )}
    </FieldFrame>
  );
}
