'use client';
import Papa from 'papaparse';
import { useId, useState } from 'react';
import type { Session } from '@/core/meter/session';
import { pastedReadings } from '@/core/meter/pasted';
import type { Meter } from './useMeter';

const MOST_BYTES = 1_000_000;
const ROOM = '; “room” for the lamp off';
const HINTS: Partial<Record<Session['kind'], string>> = {
  sweep: `A line an angle: −30, 120 lx${ROOM}`,
  points: `A line a place, by name or metres right and up: A1, 120 lx or -0.5, 0.5, 120 lx${ROOM}`,
  layer: `A line a turn: without, 400 lx${ROOM}`,
  electric: 'A line a figure: near, 24.1 V; far, 22.6 V; amps, 3 A',
  warm: 'A line a thing: driver, 48 °C; “air” for the room',
};

/** Readings out of a meter's own log or a spreadsheet: all of them, or none with the lines that cannot be read. */
export function PasteReadings({ session, meter }: { session: Session; meter: Meter }) {
  const id = useId();
  const [text, setText] = useState('');
  const [problems, setProblems] = useState<readonly string[]>([]);
  const take = (file: File | undefined) => {
    if (!file) return;
    if (file.size > MOST_BYTES)
      setProblems([`${file.name} is no log of readings: it has over a megabyte.`]);
    else void file.text().then(setText);
  };
  const keep = () => {
    const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: false });
    const read = pastedReadings(data, session);
    if (!read.ok) return setProblems(read.problems.map(({ message }) => message));
    const refused = meter.paste(session, read.value);
    setProblems(refused ? [refused] : []);
    if (!refused) setText('');
  };
  return (
    <details className="text-[13.5px]">
      <summary className="cursor-pointer">Paste readings</summary>
      <label htmlFor={id} className="mt-1 block text-ink-soft">
        {HINTS[session.kind]}
      </label>
      <textarea
        id={id}
        className="field h-28 w-full font-mono"
        value={text}
        aria-invalid={problems.length > 0}
        aria-describedby={problems.length > 0 ? `${id}-problems` : undefined}
        onChange={(event) => setText(event.target.value)}
        onDragOver={(event) => event.preventDefault()}
        onDrop={(event) => {
          const [file] = event.dataTransfer.files;
          if (!file) return;
          event.preventDefault();
          take(file);
        }}
      />
      <label className="mt-1 block text-ink-soft">
        or a file, chosen or dropped above
        <input
          type="file"
          accept=".csv,.txt,.tsv"
          className="block max-w-full"
          onChange={(event) => {
            take(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
      </label>
      <button type="button" className="press mt-1" disabled={text.trim() === ''} onClick={keep}>
        Keep these
      </button>
      {problems.length > 0 && (
        <ul id={`${id}-problems`} role="alert" className="mt-1 text-stop">
          {problems.map((problem) => (
            <li key={problem}>{problem}</li>
          ))}
        </ul>
      )}
    </details>
  );
}
