'use client';
import type { Choice, Clash } from '@/core/document/edit';
import type { Production } from '@/core/document/production';
import { nameOf } from './placeOf';

const LONGEST = 60;

/** A value short enough to choose by. */
function worded(value: unknown): string {
  if (value === undefined) return 'taken away';
  if (value === null) return 'nothing';
  if (typeof value === 'object') {
    const { name } = value as { name?: unknown };
    if (typeof name === 'string') return `“${name}”, as a whole`;
  }
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
                {choice === 'mine' ? 'mine' : 'the other'}: {worded(clash[choice])}
              </label>
            ))}
          </fieldset>
        </li>
      ))}
    </ul>
  );
}
