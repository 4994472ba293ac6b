import Papa from 'papaparse';
import { matchColumns, MOST_ROWS } from '@/core/reading/readTable';
import { looksLikeHeadings, MOST_COLUMNS } from '@/core/reading/shelfTable';

export interface Table {
  headings: string[];
  rows: string[][];
}

/** Lines are a table when their first one names at least two fields; null for free lines, words for a refusal. */
export function tableIn(text: string): Table | null | string {
  const { data } = Papa.parse<string[]>(text.trim(), {
    skipEmptyLines: 'greedy',
    preview: MOST_ROWS + 1,
  });
  const [headings, ...rows] = data;
  if (!headings || headings.length < 2 || !looksLikeHeadings(matchColumns(headings))) return null;
  const widest = Math.max(...data.map(({ length }) => length));
  if (widest > MOST_COLUMNS)
    return `The table has ${widest} columns; at most ${MOST_COLUMNS} are read. Keep those about the lamps.`;
  return { headings, rows };
}
