'use client';
import { findRecord, type Choice, type Clash, type FieldRef } from '@/core/document/edit';
import type { Production } from '@/core/document/production';
import type { UnitSystem } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { fieldText } from '@/core/quantity';
import { fieldOf, nameOf, wordsOf } from './placeOf';

const LONGEST = 60;

/** A value short enough to choose by, as its field writes it. */
function worded(document: Production, ref: FieldRef, value: unknown, system: UnitSystem): string {
  if (value === undefined) return 'taken away';
  if (value === null) return 'nothing';
  const field = fieldOf(document, ref);
  if (field?.kind === 'quantity' && typeof value === 'number')
    return fieldText(value, field.dimension, system);
  if (field?.kind === 'choice')
    return field.options.find((option) => option.value === value)?.label ?? String(value);
  if (field?.kind === 'part' || field?.kind === 'unit') {
    const named = findRecord(document, { kind: field.ref, id: String(value) });
    return (named as { name?: string } | null)?.name ?? String(value);
  }
  if (typeof value === 'object') {
    const { name } = value as { name?: unknown };
    if (typeof name === 'string') return `“${name}”, as a whole`;
  }
  const unit = wordsOf(ref.path.at(-1) ?? '').unit;
  if (typeof value === 'number') return unit ? `${value} ${unit}` : String(value);
  const text = typeof value === 'string' ? `“${value}”` : JSON.stringify(value);
  return text.length > LONGEST ? `${text.slice(0, LONGEST)}…` : text;
}

interface ClashListProps {
  document: Production;
  clashes: readonly Clash[];
  choices: Readonly<Record<string, Choice>>;
  onChoose: (key: string, choice: Choice) => void;
}

/** What was changed here and elsewhere, field by field, to choose. */
export function ClashList({ document, clashes, choices, onChoose }: ClashListProps) {
  const { units: system } = useDevice();
  return (
    <ul className="mt-3 grid gap-3">
      {clashes.map((clash) => (
        <li key={clash.key} data-clash={clash.key} className="border-t border-line pt-2">
          <fieldset>
            <legend className="font-semibold">{nameOf(document, clash.ref)}</legend>
            {(['mine', 'theirs'] as const).map((choice) => (
              <label key={choice} className="flex items-baseline gap-2 text-sm">
                <input
                  type="radio"
                  name={clash.key}
                  className="accent-brass"
                  checked={choices[clash.key] === choice}
                  onChange={() => onChoose(clash.key, choice)}
                />
                {choice === 'mine' ? 'mine' : 'the other'}:{' '}
                {worded(document, clash.ref, clash[choice], system)}
              </label>
            ))}
          </fieldset>
        </li>
      ))}
    </ul>
  );
}
