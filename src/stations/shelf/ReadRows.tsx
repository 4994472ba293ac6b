'use client';
import { useState } from 'react';
import { minorDigits } from '@/core/quantity';
import { READ_FIELDS, type Sureness } from '@/core/reading/readLine';
import { addRecord, together } from '@/core/document/edit';
import type { ReadRow } from '@/core/reading/readTable';
import { categoryOf, missingOf, otherCurrency, recordOf } from '@/core/reading/record';
import { CATEGORIES, type Category } from '@/core/units/unit';
import { useSession } from '../shell/Workbench';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';
import { newUnit } from './newRecords';
import { ONE_OF } from './unitRows';
import { Heads } from '@/ui/Heads';

const SURE: Record<Sureness, string> = {
  sure: 'read',
  likely: 'likely',
  guess: 'a guess, left out',
};

/** Which of the read lines are taken, as what, and putting them on the shelf in one go. */
function useTaking(rows: readonly ReadRow[], onDone: () => void) {
  const edits = useEdits();
  const document = useProduction((state) => state.document);
  const { say } = useSession();
  const { currency, shelf } = document;
  const money = { currency, minorDigits: minorDigits(currency) };
  const voltage = document.circuits[0]?.voltageV ?? 230;
  const known = new Set(shelf.units.map(({ name }) => name));
  const [kinds, setKinds] = useState<Record<number, Category>>({});
  const [left, setLeft] = useState<Record<number, boolean>>({});
  const [problems, setProblems] = useState<string[]>([]);
  const kindOf = (row: ReadRow, k: number) => kinds[k] ?? categoryOf(row);
  const wanted = (row: ReadRow, k: number) => !(left[k] ?? known.has(row.name));
  const put = () => {
    const made = rows.flatMap((row, k) => {
      const kind = kindOf(row, k);
      if (!kind || !wanted(row, k)) return [];
      return [recordOf(row, kind, newUnit(shelf, kind, 'New unit', voltage), money)];
    });
    const wrong = made.flatMap((each) => (each.ok ? [] : [each.problems[0]!.message]));
    if (wrong.length > 0) return setProblems(wrong);
    const refused = edits.make(
      `read ${made.length} labels`,
      together(
        ...made.flatMap((each) => (each.ok ? [addRecord({ kind: 'unit' }, each.value)] : [])),
      ),
    );
    if (refused) return setProblems([refused]);
    say(`${made.length} put on the shelf. Undo takes them off again.`);
    onDone();
  };
  return {
    currency,
    known,
    problems,
    kindOf,
    wanted,
    put,
    ready: rows.filter((row, k) => wanted(row, k) && kindOf(row, k)).length,
    setKind: (k: number, kind: Category) => setKinds({ ...kinds, [k]: kind }),
    setLeft: (k: number, isLeft: boolean) => setLeft({ ...left, [k]: isLeft }),
  };
}

/** What was read of every line, and what is to be taken. */
export function ReadRows({ rows, onClose }: { rows: readonly ReadRow[]; onClose: () => void }) {
  const taking = useTaking(rows, onClose);
  const { problems, ready } = taking;
  return (
    <>
      <div className="relative mt-3 overflow-x-auto">
        <table className="rows w-full text-[13px]" data-read-rows={rows.length}>
          <Heads of={['take', 'line', 'kind', 'read from it', 'not found']} />
          <tbody>
            {rows.slice(0, SHOWN).map((row, k) => (
              <ReadLine key={k} row={row} at={k} taking={taking} />
            ))}
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
        <button
          type="button"
          className="press press-main"
          disabled={ready === 0}
          onClick={taking.put}
        >
          Put {ready} on the shelf
        </button>
      </p>
    </>
  );
}

interface ReadLineProps {
  row: ReadRow;
  at: number;
  taking: ReturnType<typeof useTaking>;
}

function ReadLine({ row, at, taking }: ReadLineProps) {
  const { currency, known } = taking;
  const kind = taking.kindOf(row, at);
  const other = otherCurrency(row, currency);
  return (
    <tr>
      <td>
        <input
          type="checkbox"
          className="accent-brass"
          aria-label={`Take ${row.name}`}
          checked={taking.wanted(row, at)}
          onChange={(event) => taking.setLeft(at, !event.target.checked)}
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
          onChange={(event) => taking.setKind(at, event.target.value as Category)}
        >
          {!kind && <option value="">choose</option>}
          {CATEGORIES.map((category) => (
            <option key={category} value={category}>
              {ONE_OF[category]}
            </option>
          ))}
        </select>
      </td>
      <td>
        <Fields row={row} />
        {other && (
          <span className="text-look">
            The price is in {other}, the production counts in {currency}: it is left out.
          </span>
        )}
      </td>
      <td className="text-ink-soft">{kind && missingOf(row, kind).join(', ')}</td>
    </tr>
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
