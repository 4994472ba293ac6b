import Papa from 'papaparse';
import { looksLikeHeadings, matchColumns } from '@/core/reading/headings';
import { MOST_ROWS } from '@/core/reading/readTable';
import { MOST_COLUMNS } from '@/core/reading/shelfTable';

export interface Table {
  headings: string[];
  rows: string[][];
}

/** Rows of a title and its like that may stand above the headings. */
const MOST_ABOVE = 8;

/** Wider than this no row is headings; the refusal of a table that is too wide comes from those within. */
const MOST_LOOKED_AT = 1000;

/** Bars of a drawn table, and the dashes under its headings. */
const undrawn = (rows: string[][]): string[][] =>
  rows
    .filter((cells) => !cells.every((each) => /^[\s:=+-]*$/.test(each)))
    .map((cells) => {
      const inside =
        cells[0]?.trim() === '' && cells.at(-1)?.trim() === '' ? cells.slice(1, -1) : cells;
      return inside.map((each) => each.trim());
    });

function partedBy(text: string, delimiter: string): Table | null {
  const { data } = Papa.parse<string[]>(text, {
    delimiter,
    skipEmptyLines: 'greedy',
    preview: MOST_ROWS + 1 + MOST_ABOVE,
  });
  const rows = delimiter === '|' ? undrawn(data) : data;
  const at = rows
    .slice(0, MOST_ABOVE)
    .findIndex(
      (cells) => cells.length >= 2 && cells.length <= MOST_LOOKED_AT && looksLikeHeadings(cells),
    );
  // Above headings stand titles, never products: cells of more than one field each.
  if (at < 0 || rows.slice(0, at).some((cells) => cells.filter((each) => each.trim()).length > 2))
    return null;
  return { headings: rows[at]!, rows: rows.slice(at + 1) };
}

/** Lines are a table when an early one names at least two fields; null for free lines, words for a refusal. */
export function tableIn(text: string): Table | null | string {
  const trimmed = text.trim();
  const named = (table: Table) => matchColumns(table.headings).filter(Boolean).length;
  const best = ['\t', ';', '|', ',']
    .map((delimiter) => partedBy(trimmed, delimiter))
    .filter((table) => table !== null)
    .toSorted((a, b) => named(b) - named(a))[0];
  if (!best) return null;
  const widest = Math.max(best.headings.length, ...best.rows.map(({ length }) => length));
  if (widest > MOST_COLUMNS)
    return `The table has ${widest} columns; at most ${MOST_COLUMNS} are read. Keep those about the lamps.`;
  return best;
}
