'use client';
import { useId, useState } from 'react';
import { legalRange, parseQuantity, type Dimension } from '@/core/quantity';
import { useDevice } from '@/ui/device';

interface FigureInProps {
  label: string;
  /** of a bare number */
  unit: string;
  dimension: Dimension;
  most: number;
  least?: number;
  /** SI value that was typed → what is wrong with it, null when it is kept */
  onRead: (value: number) => string | null;
  /** what the press that keeps it is called */
  button?: string;
  /** other ways to come by a figure */
  children?: React.ReactNode;
}

/** A figure typed where it is read, in any unit of its kind. */
export function FigureIn({
  label,
  unit,
  dimension,
  most,
  least = 0,
  onRead,
  button = 'Keep',
  children,
}: FigureInProps) {
  const { units } = useDevice();
  const id = useId();
  const [words, setWords] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const keep = () => {
    const read = parseQuantity(words, dimension, unit);
    if (!read.ok) return setProblem(read.problems[0]!.message);
    if (read.value < least || read.value > most)
      return setProblem(
        `No meter shows that: use ${legalRange({ min: least, max: most }, dimension, units)}.`,
      );
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
      <div className="w-56">
        <label htmlFor={id} className="block text-[14px]">
          {label}
        </label>
        <input
          id={id}
          className="field"
          inputMode="decimal"
          autoComplete="off"
          placeholder={unit}
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
