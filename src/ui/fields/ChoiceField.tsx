'use client';
import { FieldFrame } from './FieldFrame';

interface ChoiceFieldProps<V extends string | number> {
  label: string;
  value: V;
  options: readonly { value: V; label: string; disabled?: boolean }[];
  help?: string;
  problem?: string | null;
  bare?: boolean;
  onCommit: (value: V) => void;
}

/** One of a few. The browser's own list is used: it is known to every hand and every reader. */
export function ChoiceField<V extends string | number>(props: ChoiceFieldProps<V>) {
  const { label, value, options, help, problem, bare, onCommit } = props;
  return (
    <FieldFrame label={label} help={help} problem={problem} bare={bare}>
      {({ id, describedBy }) => (
        <select
          id={id}
          className="field"
          aria-describedby={describedBy}
          aria-invalid={Boolean(problem)}
          value={String(value)}
          onChange={(event) => {
            const chosen = options.find((option) => String(option.value) === event.target.value);
            if (chosen) onCommit(chosen.value);
          }}
        >
          {options.map((option) => (
            <option
              key={String(option.value)}
              value={String(option.value)}
              disabled={option.disabled}
            >
              {option.label}
            </option>
          ))}
        </select>
      )}
    </FieldFrame>
  );
}
