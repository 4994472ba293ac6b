'use client';
import { useId, useState } from 'react';
import { parseQuantity } from '@/core/quantity';

interface ReadInProps {
  /** where the meter is held now */
  label: string;
  onRead: (lux: number) => string | null;
  /** what the press that keeps it is called */
  button?: string;
  /** other ways to come by a reading */
  children?: React.ReactNode;
}

const MOST_LX = 1e7;

/** A reading typed where it is taken: Enter keeps it, and the next place is asked for. */
export function ReadIn({ label, onRead, button = 'Keep', children }: ReadInProps) {
  const id = useId();
  const [words, setWords] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const keep = () => {
    const read = parseQuantity(words, 'illuminance', 'lx');
    if (!read.ok) return setProblem(read.problems[0]!.message);
    if (read.value < 0 || read.value > MOST_LX)
      return setProblem('Light is between 0 lx and ten million: type what the meter shows.');
    const refused = onRead(read.value);
    setProblem(refused);
    if (!refused) setWords('');
  };
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <div className="w-44">
        <label htmlFor={id} className="block text-[14px]">
          {label}
        </label>
        <input
          id={id}
          className="field"
          inputMode="decimal"
          autoComplete="off"
          placeholder="lx"
          value={words}
          aria-invalid={problem !== null}
          aria-describedby={problem ? `${id}-problem` : undefined}
          onChange={(event) => setWords(event.target.value)}
        />
      </div>
      <button type="submit" className="press press-main" disabled={words.trim() === ''}>
        {button}
      </button>
      {children}
      {problem && (
        <p id={`${id}-problem`} role="alert" className="w-full text-[13.5px] text-stop">
          {problem}
        </p>
      )}
    </form>
  );
}
