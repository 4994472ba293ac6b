'use client';
import {
  fieldText,
  inLimits,
  legalRange,
  parseQuantity,
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
  /** stands in a sentence: see FieldFrame */
  bare?: boolean;
  /** shown for null, and accepted as null when typed or left empty */
  emptyText?: string;
  onCommit: (value: number | null) => string | null | void;
}

function withinRange(
  value: number,
  { min, max, dimension, system, whole }: QuantityFieldProps,
): Result<number> {
  if (whole && !Number.isInteger(Number(value.toFixed(9))))
    return refuse('not_whole', 'This is counted in whole pieces.');
  if (inLimits(value, { min, max })) return accept(value);
  const text = fieldText(value, dimension, system);
  const legal = legalRange({ min, max }, dimension, system);
  return value < min
    ? refuse('too_small', `${text} is too little: use ${legal}.`)
    : refuse('too_big', `${text} is too much: use ${legal}.`);
}

/** A measured value: type it with any unit, step it with arrows. */
export function QuantityField(props: QuantityFieldProps) {
  const {
    label,
    value,
    dimension,
    assumedUnit,
    step,
    system,
    emptyText,
    mark,
    help,
    bare,
    onCommit,
  } = props;
  const shown = value === null ? '' : fieldText(value, dimension, system);
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
    <FieldFrame label={label} mark={mark} help={help} problem={problem} bare={bare}>
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
