'use client';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import type { Production } from '@/core/document/production';
import { minorDigits } from '@/core/quantity';
import { READ_FIELDS, type Sureness } from '@/core/reading/readLine';
import { addRecord, together } from '@/core/document/edit';
import type { ReadRow } from '@/core/reading/readTable';
import {
  categoryOf,
  missingOf,
  otherCurrency,
  recordOf,
  type ReadCategory,
} from '@/core/reading/record';
import { useSession } from '../shell/Workbench';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';
import { newUnit, plainBulb } from './newRecords';

const CATEGORIES: readonly [ReadCategory, string][] = [
  ['bulb', 'bulb'],
  ['strip', 'LED tape'],
  ['tube', 'tube or bar'],
  ['work-light', 'work light'],
  ['panel', 'panel'],
];
const SURE: Record<Sureness, string> = {
  sure: 'read',
  likely: 'likely',
  guess: 'a guess, left out',
};

const emptyOf = (document: Production, category: ReadCategory) => {
  const voltage = document.circuits[0]?.voltageV ?? 230;
  return category === 'bulb'
    ? plainBulb(nanoid(10), 'New bulb', voltage)
    : newUnit(document.shelf, category, 'New unit', voltage);
};

/** What was read of every line, and putting the wanted ones on the shelf in one go. */
export function ReadRows({ rows, onClose }: { rows: readonly ReadRow[]; onClose: () => void }) {
  const edits = useEdits();
  const document = useProduction((state) => state.document);
  const { say } = useSession();
  const { currency } = document;
  const money = { currency, minorDigits: minorDigits(currency) };
  const known = new Set([...document.shelf.bulbs, ...document.shelf.units].map(({ name }) => name));
  const [kinds, setKinds] = useState<Record<number, ReadCategory>>({});
  const [left, setLeft] = useState<Record<number, boolean>>({});
  const [problems, setProblems] = useState<string[]>([]);
  const kindOf = (row: ReadRow, k: number) => kinds[k] ?? categoryOf(row);
  const wanted = (row: ReadRow, k: number) => !(left[k] ?? known.has(row.name));
  const ready = rows.filter((row, k) => wanted(row, k) && kindOf(row, k)).length;
  const put = () => {
    const made = rows.flatMap((row, k) => {
      const kind = kindOf(row, k);
      if (!kind || !wanted(row, k)) return [];
      return [recordOf(row, kind, emptyOf(document, kind), money)];
    });
    const wrong = made.flatMap((each) => (each.ok ? [] : [each.problems[0]!.message]));
    if (wrong.length > 0) return setProblems(wrong);
    const refused = edits.make(
      `read ${made.length} labels`,
      together(
        ...made.flatMap((each) => {
          if (!each.ok) return [];
          const { list, record } = each.value;
          return [addRecord({ kind: list === 'bulbs' ? 'bulb' : 'unit' }, record)];
        }),
      ),
    );
    if (refused) return setProblems([refused]);
    say(`${made.length} put on the shelf. Undo takes them off again.`);
    onClose();
  };
  return (
    <>
      <div className="relative mt-3 overflow-x-auto">
        <table className="rows w-full text-[13px]" data-read-rows={rows.length}>
          <thead>
            <tr>
              <th scope="col">take</th>
              <th scope="col">line</th>
              <th scope="col">kind</th>
              <th scope="col">read from it</th>
              <th scope="col">not found</th>
            </tr>
          </thead>
          <tbody>
            {rows.slice(0, SHOWN).map((row, k) => {
              const kind = kindOf(row, k);
              return (
                <tr key={k}>
                  <td>
                    <input
                      type="checkbox"
                      className="accent-brass"
                      aria-label={`Take ${row.name}`}
                      checked={wanted(row, k)}
                      onChange={(event) => setLeft({ ...left, [k]: !event.target.checked })}
                    />
                  </td>
                  <td className="max-w-56">
                    {row.name}
                    {known.has(row.name) && (
                      <span className="block text-ink-soft">is on the shelf already</span>
                    )}
                    {row.left.length > 0 && (
                      <span className="block text-ink-soft">unread: {row.left.join(' ')}</span>
                    )}
                  </td>
                  <td>
                    <select
                      aria-label={`Kind of ${row.name}`}
                      className="border border-line bg-paper"
                      value={kind ?? ''}
                      onChange={(event) =>
                        setKinds({ ...kinds, [k]: event.target.value as ReadCategory })
                      }
                    >
                      {!kind && <option value="">choose</option>}
                      {CATEGORIES.map(([id, name]) => (
                        <option key={id} value={id}>
                          {name}
                        </option>
                      ))}
                    </select>
                  </td>
                  <td>
                    <Fields row={row} />
                    {otherCurrency(row, currency) && (
                      <span className="text-look">
                        The price is in {otherCurrency(row, currency)}, the production counts in{' '}
                        {currency}: it is left out.
                      </span>
                    )}
                  </td>
                  <td className="text-ink-soft">{kind && missingOf(row, kind).join(', ')}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      {rows.length > SHOWN && <p className="text-[13px]">and {rows.length - SHOWN} more lines</p>}
      {problems.length > 0 && (
        <ul role="alert" className="mt-2 bg-stop-wash p-2 text-sm">
          {problems.slice(0, 8).map((each) => (
            <li key={each}>{each}</li>
          ))}
        </ul>
      )}
      <p className="mt-3">
        <button type="button" className="press press-main" disabled={ready === 0} onClick={put}>
          Put {ready} on the shelf
        </button>
      </p>
    </>
  );
}

/** Rows shown of a long list; all of them are taken. */
const SHOWN = 60;

const valueText = (value: string | number | boolean): string =>
  typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value);

function Fields({ row }: { row: ReadRow }) {
  return (
    <ul className="flex flex-wrap gap-x-3">
      {row.fields.map(({ field, value, text, sure }) => (
        <li key={field} data-field={field} data-sure={sure} title={`from “${text}”: ${SURE[sure]}`}>
          <span className="text-ink-soft">{READ_FIELDS[field]}</span>{' '}
          <span className={`figure ${sure === 'guess' ? 'line-through' : ''}`}>
            {valueText(value)}
          </span>
          {sure !== 'sure' && <span className="text-look"> {SURE[sure]}</span>}
        </li>
      ))}
    </ul>
  );
}
