'use client';
import type { AskedNow, StepNow } from '@/core/evaluate/makingState';
import { show, showText } from '@/core/quantity';
import { QuantityField } from '@/ui/fields/QuantityField';
import { TextField } from '@/ui/fields/TextField';
import { SeverityMark } from '@/ui/Severity';
import { useDevice } from '@/ui/device';
import type { InMaking } from './MakeStation';

const UNITS = { voltage: 'V', current: 'A', temperature: '°C', illuminance: 'lx' } as const;

/** What a step asks to be read off, where it is asked for, judged at once. */
export function Readings({ at, shown }: { at: InMaking; shown: StepNow }) {
  if (shown.asked.length === 0) return null;
  return (
    <ul className="grid gap-2 border-y border-line py-2" aria-label="Read off">
      {shown.asked.map((each) => (
        <li
          key={each.asked.id}
          data-reading={each.reading ? each.judgement.state : 'none'}
          className="grid grid-cols-[minmax(0,230px)_minmax(0,1fr)] items-end gap-4 max-md:grid-cols-1"
        >
          <ReadingField at={at} of={each} />
          {each.reading && (
            <p className="pb-1 text-[13.5px]">
              <SeverityMark severity={each.judgement.state} /> {each.judgement.words}
            </p>
          )}
        </li>
      ))}
    </ul>
  );
}

function ReadingField({
  at: { bench, making },
  of: { asked, reading },
}: {
  at: InMaking;
  of: AskedNow;
}) {
  const { units } = useDevice();
  const { id, label, kind, dimension, expected } = asked;
  const keep = (value: number | null, words = '') => bench.read(making, id, label, value, words);
  if (kind === 'words')
    return (
      <TextField
        label={label}
        value={reading?.words ?? ''}
        most={200}
        mayBeEmpty
        onCommit={(words) => void keep(null, words)}
      />
    );
  if (kind === 'yes')
    return (
      <label className="flex items-center gap-2 text-[15px]">
        <input
          type="checkbox"
          className="h-5 w-5 accent-brass"
          checked={reading?.value === 1}
          onChange={(event) => void keep(event.target.checked ? 1 : null)}
        />
        {label}
      </label>
    );
  const resistance = dimension === 'resistance';
  const told = expected !== null && dimension && !resistance;
  return (
    <QuantityField
      label={resistance ? `${label}, Ω` : label}
      value={reading?.value ?? null}
      dimension={resistance || !dimension ? 'count' : dimension}
      assumedUnit={dimension && dimension in UNITS ? UNITS[dimension as keyof typeof UNITS] : ''}
      step={1}
      min={0}
      max={1_000_000}
      system={units}
      emptyText="not read yet"
      help={
        told ? `forecast ${showText(show(expected, dimension, units))}, ${asked.from}` : undefined
      }
      onCommit={(value) => keep(value)}
    />
  );
}
