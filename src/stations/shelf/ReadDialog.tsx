'use client';
import Papa from 'papaparse';
import { useMemo, useState } from 'react';
import { decodeText } from '@/core/reading/decode';
import { columnOf, matchColumns, type Column, type Columns } from '@/core/reading/headings';
import { READ_FIELDS, type ReadField } from '@/core/reading/readLine';
import { shelfTable } from '@/core/reading/shelfTable';
import { minorDigits } from '@/core/quantity';
import { Dialog } from '@/ui/Dialog';
import { FileField } from '@/ui/fields/FileField';
import { download, exportName } from '../shell/actions';
import { useEngine } from '../shell/useEngine';
import { useProduction } from '../store/context';
import { ReadRows } from './ReadRows';
import { tableIn } from './tableIn';

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
  const laid = table && typeof table !== 'string' && columns ? { rows: table.rows, columns } : null;
  const { answer: read, busy } = useEngine(
    (engine) => engine.readLabels(text, laid),
    [text, columns],
    text.trim() !== '' && typeof table !== 'string',
  );
  const { rows, language } = read ?? { rows: [], language: null };
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
        One product a line, a whole label with its bullets, or a table with headings; in English,
        German, French or Spanish. Nothing changes before you put it on the shelf.
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
      {language && (
        <p role="note" data-language={language} className="mt-3 bg-brass-wash p-2 text-sm">
          This looks like {language}, whose words are not read here: figures with their units are
          taken, what only words say is left to you.
        </p>
      )}
      {table && typeof table !== 'string' && columns && (
        <ColumnChoice headings={table.headings} columns={columns} onChange={setChosen} />
      )}
      <p role="status" className="sr-only">
        {busy ? 'Reading' : `${rows.length} read`}
      </p>
      {!busy && rows.length > 0 && <ReadRows rows={rows} onClose={onClose} />}
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

interface ColumnChoiceProps {
  headings: readonly string[];
  columns: Columns;
  onChange: (columns: Columns) => void;
}

function ColumnChoice({ headings, columns, onChange }: ColumnChoiceProps) {
  return (
    <fieldset className="mt-3">
      <legend className="text-[13px] font-semibold">Which column is what</legend>
      <div className="flex flex-wrap gap-2">
        {headings.map((heading, k) => {
          const told = columnOf(columns[k] ?? null);
          return (
            <label key={k} className="text-[12.5px]">
              {heading || `column ${k + 1}`}
              {told?.unit && <span className="text-ink-soft"> in {told.unit}</span>}
              <select
                className="field"
                value={told?.field ?? ''}
                onChange={(event) =>
                  onChange(
                    columns.map((column, at) =>
                      at === k ? ((event.target.value || null) as Column) : column,
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
          );
        })}
      </div>
    </fieldset>
  );
}
