'use client';
import { parseMoney, formatMoney } from '@/core/quantity';
import { accept, refuse } from '@/core/result';
import { FieldFrame } from './FieldFrame';
import { useTyped } from './useTyped';

interface TextFieldProps {
  label: string;
  value: string;
  most: number;
  mayBeEmpty?: boolean;
  onCommit: (value: string) => void;
}

/** A line of words. */
export function TextField({ label, value, most, mayBeEmpty, onCommit }: TextFieldProps) {
  const typed = useTyped<string>({
    shown: value,
    read: (text) => {
      const trimmed = text.trim();
      if (!mayBeEmpty && trimmed === '')
        return refuse('empty', 'Give it a name; it cannot be empty.');
      if (trimmed.length > most)
        return refuse('too_long', `${trimmed.length} characters are too many: at most ${most}.`);
      return accept(trimmed);
    },
    commit: (text) => {
      onCommit(text);
      return null;
    },
  });
  return (
    <FieldFrame label={label} problem={typed.problem}>
      {({ id, describedBy }) => (
        <input {...typed.input} id={id} aria-describedby={describedBy} className="field" />
      )}
    </FieldFrame>
  );
}

interface MoneyFieldProps {
  label: string;
  valueMinor: number | null;
  currency: string;
  /** shown for null; an emptied field commits null */
  emptyText?: string;
  bare?: boolean;
  onCommit: (valueMinor: number | null) => void;
}

/** A price: "8,99 €", "8.99" or "€8"; never a fraction of a cent. */
export function MoneyField(props: MoneyFieldProps) {
  const { label, valueMinor, currency, emptyText, bare, onCommit } = props;
  const typed = useTyped<number | null>({
    shown: valueMinor === null ? '' : formatMoney(valueMinor, currency),
    read: (text) =>
      emptyText !== undefined && text.trim() === '' ? accept(null) : parseMoney(text, currency),
    commit: (minor) => {
      onCommit(minor);
      return null;
    },
  });
  return (
    <FieldFrame label={label} problem={typed.problem} bare={bare}>
      {({ id, describedBy }) => (
        <input
          {...typed.input}
          id={id}
          aria-describedby={describedBy}
          placeholder={emptyText}
          className="field figure"
        />
      )}
    </FieldFrame>
  );
}
