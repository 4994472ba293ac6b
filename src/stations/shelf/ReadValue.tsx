'use client';
import { useState } from 'react';
import { BASES } from '@/core/electrics/caps';
import { editText, parseNumber, parseQuantity, unitShown, type UnitSystem } from '@/core/quantity';
import { READ_FIELDS, type FoundField, type ReadField } from '@/core/reading/readLine';
import { LAMPS } from '@/core/reading/record';
import { UNIT_RECORDS, type Category } from '@/core/units/unit';
import { useDevice } from '@/ui/device';

type Value = FoundField['value'];

/** Fields with a few answers; all others are figures. */
const ANSWERS: Partial<Record<ReadField, readonly string[]>> = {
  kind: UNIT_RECORDS.bulb.shape.kind.options,
  base: BASES,
  dimmable: ['yes', 'no', 'unknown'],
  colour: UNIT_RECORDS.strip.shape.colour.options,
  coated: ['yes', 'no'],
};
const answersOf = (field: ReadField, category: Category | null) =>
  field === 'lamp' && category ? LAMPS[category] : ANSWERS[field];
const isLength = (field: ReadField) => field.endsWith('M') && !field.endsWith('PerM');

/** A read value as it is shown and typed. */
export function valueText(field: ReadField, value: Value, system: UnitSystem): string {
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number' && isLength(field)) return editText(value, 'length', system);
  return typeof value === 'number' ? String(Number(value.toPrecision(6))) : value;
}

/** What was typed as a value of the field, or words for what is wrong with it. */
function typedValue(field: ReadField, text: string, shown: string): { value: Value } | string {
  if (field === 'coated') return { value: text === 'yes' };
  if (ANSWERS[field] || field === 'lamp') return { value: text };
  if (field === 'currency') {
    const code = text.trim().toUpperCase();
    return /^[A-Z]{3}$/.test(code) ? { value: code } : 'A currency is three letters, such as EUR.';
  }
  const read = isLength(field)
    ? parseQuantity(text, 'length', unitShown(shown, 'length') ?? 'mm')
    : parseNumber(text.trim());
  if (!read.ok) return read.problems[0]!.message;
  return read.value > 0
    ? { value: read.value }
    : 'More than nothing, please: a label says what is there.';
}

interface ReadValueProps {
  of: string;
  /** what the row is to become */
  category: Category | null;
  field: ReadField;
  /** null where the label said nothing */
  found: FoundField | null;
  onCorrect: (value: Value | null) => void;
}

const MARK = { sure: '', likely: 'likely', guess: 'a guess' } as const;

/** One field of a label: press it to correct it, take a guess as it is, or leave it out. */
export function ReadValue({ of, category, field, found, onCorrect }: ReadValueProps) {
  const { units } = useDevice();
  const [open, setOpen] = useState(false);
  const name = READ_FIELDS[field];
  const shown = found ? valueText(field, found.value, units) : '';
  if (open)
    return (
      <Correcting
        label={`${name} of ${of}`}
        field={field}
        answers={answersOf(field, category)}
        shown={shown}
        onDone={(value) => {
          setOpen(false);
          if (value !== undefined) onCorrect(value);
        }}
      />
    );
  if (!found)
    return (
      <button
        type="button"
        className="text-left underline decoration-dotted"
        onClick={() => setOpen(true)}
      >
        {name}
      </button>
    );
  const guess = found.sure === 'guess';
  return (
    <span className="whitespace-nowrap" data-field={field} data-sure={found.sure}>
      <button
        type="button"
        aria-label={`Correct ${name} of ${of}, ${shown}`}
        title={`from “${found.text}”`}
        className="hover:bg-brass-wash"
        onClick={() => setOpen(true)}
      >
        <span className="text-ink-soft">{name}</span>{' '}
        <span className={`figure ${guess ? 'text-ink-soft italic' : ''}`}>{shown}</span>
      </button>
      {MARK[found.sure] && <span className="text-look"> {MARK[found.sure]}</span>}
      {guess && (
        <button
          type="button"
          aria-label={`Take ${name} ${shown} of ${of}`}
          className="ml-1 underline"
          onClick={() => onCorrect(found.value)}
        >
          take it
        </button>
      )}
      <button
        type="button"
        aria-label={`Leave out ${name} of ${of}`}
        className="px-1 text-ink-soft hover:text-stop"
        onClick={() => onCorrect(null)}
      >
        ×
      </button>
    </span>
  );
}

interface CorrectingProps {
  label: string;
  field: ReadField;
  answers: readonly string[] | undefined;
  shown: string;
  /** undefined when nothing is to change */
  onDone: (value?: Value) => void;
}

function Correcting({ label, field, answers, shown, onDone }: CorrectingProps) {
  const [text, setText] = useState(shown);
  const [problem, setProblem] = useState<string | null>(null);
  const settle = (typed: string) => {
    if (typed.trim() === '' || typed === shown) return onDone();
    const read = typedValue(field, typed, shown);
    if (typeof read === 'string') setProblem(read);
    else onDone(read.value);
  };
  if (answers)
    return (
      <select
        aria-label={label}
        autoFocus
        className="border border-line bg-paper"
        value={shown}
        onChange={(event) => settle(event.target.value)}
        onBlur={() => onDone()}
      >
        {!answers.includes(shown) && <option value={shown}>choose</option>}
        {answers.map((each) => (
          <option key={each}>{each}</option>
        ))}
      </select>
    );
  return (
    <span data-typed="">
      <input
        aria-label={label}
        aria-invalid={problem !== null}
        autoFocus
        className="figure w-24 border border-line-strong bg-paper px-1"
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') settle(text);
          if (event.key === 'Escape') onDone();
        }}
        onBlur={() => settle(text)}
      />
      {problem && (
        <span role="alert" className="ml-1 text-stop">
          {problem}
        </span>
      )}
    </span>
  );
}
