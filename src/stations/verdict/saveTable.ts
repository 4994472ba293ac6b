import Papa from 'papaparse';
import type { Production } from '@/core/document/production';
import { download, exportName } from '../shell/actions';

/** A table on screen as CSV; names are typed by people, none of them is a formula in a table. */
export function saveTable(
  document: Production,
  what: string,
  heads: readonly string[],
  rows: readonly { label: string; cells: readonly { words: string; note?: string }[] }[],
): void {
  const lines = rows.map(({ label, cells }) => [
    label,
    ...cells.map(({ words, note }) => (note ? `${words} (${note})` : words)),
  ]);
  const name = what.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '-');
  download(
    exportName(document, name, 'csv'),
    Papa.unparse([[...heads], ...lines], { escapeFormulae: true }),
    'text/csv',
  );
}
