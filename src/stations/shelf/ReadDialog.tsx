'use client';
import Papa from 'papaparse';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { decodeText } from '@/core/reading/decode';
import { READ_FIELDS, type ReadField, type Sureness } from '@/core/reading/readLine';
import {
  matchColumns,
  readLines,
  readTable,
  type Columns,
  type ReadRow,
} from '@/core/reading/readTable';
import { categoryOf, missingOf, recordOf, type ReadCategory } from '@/core/reading/record';
import { looksLikeHeadings, MOST_COLUMNS, MOST_ROWS, shelfTable } from '@/core/reading/shelfTable';
import { minorDigits } from '@/core/quantity';
import type { Production } from '@/core/document/production';
import { Dialog } from '@/ui/Dialog';
import { FileField } from '@/ui/fields/FileField';
import { download, exportName } from '../shell/actions';
import { useSession } from '../shell/Workbench';
import { useProduction, useProductionStore } from '../store/context';
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

interface Table {
  headings: string[];
  rows: string[][];
}

/** Lines are a table when their first one names at least two fields. */
function tableIn(text: string): Table | null | string {
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' });
  const [headings, ...rows] = data;
  if (!headings || headings.length < 2 || !looksLikeHeadings(matchColumns(headings))) return null;
  const widest = Math.max(...data.map(({ length }) => length));
  if (widest > MOST_COLUMNS)
    return `The table has ${widest} columns; at most ${MOST_COLUMNS} are read. Keep those about the lamps.`;
  return { headings, rows };
}

/** Labels pasted or chosen as a file, what was read of each, and which of them go on the shelf. */
export default function ReadDialog({ onClose }: { onClose: () => void }) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [chosen, setChosen] = useState<Columns | null>(null);
  const table = useMemo(() => tableIn(text), [text]);
  const columns = useMemo(
    () => (table && typeof table !== 'string' ? (chosen ?? matchColumns(table.headings)) : null),
    [table, chosen],
  );
  const rows = useMemo(() => {
    if (typeof table === 'string') return [];
    const all = table && columns ? readTable(table.rows, columns) : readLines(text);
    return all.slice(0, MOST_ROWS);
  }, [table, columns, text]);
  const take = (words: string) => {
    setText(words);
    setChosen(null);
    setProblem(null);
  };
  const open = async (file: File) => {
    const read = decodeText(
      new Uint8Array(await file.slice(0, 2_000_001).arrayBuffer()),
      file.name,
    );
    if (read.ok) take(read.value);
    else setProblem(read.problems[0]!.message);
  };
  const refused = problem ?? (typeof table === 'string' ? table : null);
  return (
    <Dialog title="Read labels" open onClose={onClose} place="wide">
      <p className="text-sm text-ink-soft">
        One product a line, as the shop prints it, in English, German, French or Spanish; or a table
        with headings. Nothing changes before you put it on the shelf.
      </p>
      <label className="mt-2 block text-[13px] text-ink-soft">
        Lines or a table
        <textarea
          className="field figure mt-1 h-28 text-[13px] text-ink"
          value={text}
          placeholder="A60 8.5W (60W eq.) 806 lm 2700K Ra>80 E27 non-dim 3-pack 8,99 €"
          onChange={(event) => take(event.target.value)}
        />
      </label>
      <div className="mt-2 flex flex-wrap items-end gap-4 text-[13px]">
        <FileField
          label="or a file"
          accept=".csv,.tsv,.txt,text/csv,text/plain"
          onFile={(file) => void open(file)}
        />
        <ShelfAsCsv />
      </div>
      {refused && (
        <p role="alert" className="mt-3 bg-stop-wash p-2 text-sm">
          {refused} The shelf is unchanged.
        </p>
      )}
      {table && typeof table !== 'string' && columns && (
        <ColumnChoice headings={table.headings} columns={columns} onChange={setChosen} />
      )}
      {rows.length > 0 && <Found key={text.length} rows={rows} onClose={onClose} />}
    </Dialog>
  );
}

function ShelfAsCsv() {
  const document = useProduction((state) => state.document);
  const save = () => {
    const rows = shelfTable(document.shelf, minorDigits(document.currency));
    const csv = Papa.unparse(rows, { newline: '\r\n', escapeFormulae: true });
    download(exportName(document, 'shelf', 'csv'), `\ufeff${csv}\r\n`, 'text/csv');
  };
  return (
    <button type="button" className="press" onClick={save}>
      Take the shelf away as CSV
    </button>
  );
}

const FIELDS = Object.entries(READ_FIELDS) as [ReadField, string][];

function ColumnChoice({
  headings,
  columns,
  onChange,
}: {
  headings: readonly string[];
  columns: Columns;
  onChange: (columns: Columns) => void;
}) {
  return (
    <fieldset className="mt-3">
      <legend className="text-[13px] font-semibold">Which column is what</legend>
      <div className="flex flex-wrap gap-2">
        {headings.map((heading, k) => (
          <label key={k} className="text-[12.5px]">
            {heading || `column ${k + 1}`}
            <select
              className="field"
              value={columns[k] ?? ''}
              onChange={(event) =>
                onChange(
                  columns.map((field, at) =>
                    at === k ? ((event.target.value || null) as Columns[number]) : field,
                  ),
                )
              }
            >
              <option value="">not read</option>
              <option value="name">name</option>
              {FIELDS.map(([field, name]) => (
                <option key={field} value={field}>
                  {name}
                </option>
              ))}
            </select>
          </label>
        ))}
      </div>
    </fieldset>
  );
}

const emptyOf = (document: Production, category: ReadCategory) => {
  const voltage = document.circuits[0]?.voltageV ?? 230;
  return category === 'bulb'
    ? plainBulb(nanoid(10), 'New bulb', voltage)
    : newUnit(document.shelf, category, 'New unit', voltage);
};

/** What was read of every line, and putting the wanted ones on the shelf in one go. */
function Found({ rows, onClose }: { rows: readonly ReadRow[]; onClose: () => void }) {
  const store = useProductionStore();
  const document = useProduction((state) => state.document);
  const { say } = useSession();
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
      return [recordOf(row, kind, emptyOf(document, kind), minorDigits(document.currency))];
    });
    const wrong = made.flatMap((each) => (each.ok ? [] : [each.problems[0]!.message]));
    if (wrong.length > 0) return setProblems(wrong);
    store.getState().change(`read ${made.length} labels`, (draft) => {
      for (const each of made) {
        if (!each.ok) continue;
        if (each.value.list === 'bulbs') draft.shelf.bulbs.push(each.value.record);
        else draft.shelf.units.push(each.value.record);
      }
    });
    say(`${made.length} put on the shelf. Undo takes them off again.`);
    onClose();
  };
  return (
    <>
      <div className="relative mt-3 overflow-x-auto">
        <table className="rows w-full text-[13px]" data-read-rows={rows.length}>
          <thead>
            <tr>
              <th>take</th>
              <th>line</th>
              <th>kind</th>
              <th>read from it</th>
              <th>not found</th>
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
