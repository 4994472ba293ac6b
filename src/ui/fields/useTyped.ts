import { useState } from 'react';
import type { Result } from '@/core/result';

interface Typed<T> {
  shown: string;
  read: (text: string) => Result<T>;
  /** takes the value or says why not */
  commit: (value: T) => string | null;
  /** the value one arrow key away; undefined where arrows mean nothing */
  stepped?: (direction: 1 | -1, coarse: boolean) => T;
}

/**
 * A text field's habits: nothing happens while typing; Enter or leaving commits; Escape restores;
 * arrows step, Shift steps ten times as far. What cannot be taken stays in the field with its reason.
 */
export function useTyped<T>({ shown, read, commit, stepped }: Typed<T>) {
  const [draft, setDraft] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);

  const restore = () => {
    setDraft(null);
    setProblem(null);
  };
  const settle = (value: T) => {
    const refusal = commit(value);
    setProblem(refusal);
    if (refusal === null) setDraft(null);
  };
  const commitDraft = () => {
    if (draft === null || draft === shown) return restore();
    const found = read(draft);
    if (found.ok) settle(found.value);
    else setProblem(found.problems[0]!.message);
  };
  const onKeyDown = (event: React.KeyboardEvent<HTMLInputElement>) => {
    if (event.key === 'Enter') commitDraft();
    else if (event.key === 'Escape' && draft !== null) {
      restore();
    } else if (stepped && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      event.preventDefault();
      setDraft(null);
      settle(stepped(event.key === 'ArrowUp' ? 1 : -1, event.shiftKey));
    }
  };
  return {
    problem,
    input: {
      value: draft ?? shown,
      onChange: (event: React.ChangeEvent<HTMLInputElement>) => setDraft(event.target.value),
      onBlur: commitDraft,
      onKeyDown,
      'aria-invalid': problem !== null,
      // Tells a dialog round the field that Escape is for the field.
      'data-typed': draft === null ? undefined : '',
      autoComplete: 'off',
      spellCheck: false,
    },
  };
}
