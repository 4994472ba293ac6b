import { parseQuantity } from '../quantity';
import type { Problem, Result } from '../result';
import type { MeterPoint, Place, Session } from './session';

/** A line of a meter's own log, or of a spreadsheet. */
export interface PastedReading {
  place: Place;
  lux: number;
}

/** More lines than a sweep of any lamp has are something else. */
const MOST_LINES = 2000;
/** So many lines are told of; the rest is counted. */
const MOST_TOLD = 5;
const MOST_LX = 1e7;

const NUMBER = /^[+−-]?\d+(?:[.,]\d+)?$/;
const numberOf = (text: string): number | null => {
  const bare = text.trim().replace(/\s*(?:°|deg(?:rees?)?)$/i, '');
  return NUMBER.test(bare) ? Number(bare.replace('−', '-').replace(',', '.')) : null;
};
const isRoom = (text: string): boolean => /^(?:room|dark|lamp off|off)$/i.test(text.trim());

interface Columns {
  angle: number;
  plane: number | null;
  lux: number;
  unit: string;
}

/** The last in a heading is its unit: “Lux (klx)”. */
const UNITS = /\b(lx|lux|klx|fc|ft-?cd|foot-?candles?)\b/gi;
const UNIT_OF: Record<string, string> = {
  lux: 'lx',
  ftcd: 'fc',
  footcandle: 'fc',
  footcandles: 'fc',
};
const unitIn = (heading: string): string => {
  const found = [...heading.matchAll(UNITS)].at(-1)?.[1]?.toLowerCase().replace('-', '') ?? 'lx';
  return UNIT_OF[found] ?? found;
};

/** What the columns are called; without a line of names the first is the angle and the last the light. */
function columnsOf(first: readonly string[]): { columns: Columns; named: boolean } {
  const named = first.every(
    (cell) =>
      numberOf(cell) === null && !isRoom(cell) && !parseQuantity(cell, 'illuminance', 'lx').ok,
  );
  const find = (words: RegExp) => first.findIndex((cell) => words.test(cell));
  const lux = named ? find(/lux|lx|fc|candle|light|reading|value/i) : -1;
  const angle = named ? find(/angle|°|deg|theta/i) : -1;
  const plane = named ? find(/plane|way/i) : -1;
  return {
    named,
    columns: {
      angle: angle < 0 ? 0 : angle,
      plane: plane < 0 || plane === angle ? null : plane,
      lux: lux < 0 ? first.length - 1 : lux,
      unit: lux < 0 ? 'lx' : unitIn(first[lux]!),
    },
  };
}

/** A place of a points session: by its name, or by metres right and up. */
function pointOf(cells: readonly string[], points: readonly MeterPoint[]): Place | string {
  const named = cells
    .map((cell) => cell.trim())
    .flatMap((cell) => points.filter(({ name }) => name.toLowerCase() === cell.toLowerCase()));
  if (named[0]) return { kind: 'point', ...named[0] };
  const metres = cells.flatMap((cell) => {
    const number = numberOf(cell.replace(/\s*m$/i, ''));
    return number === null || cell.trim() === '' ? [] : [number];
  });
  const [xM, yM] = metres;
  const there = points.find(
    (point) =>
      xM !== undefined &&
      yM !== undefined &&
      Math.hypot(point.xM - xM, point.yM - yM) < SAME_PLACE_M,
  );
  return there
    ? { kind: 'point', ...there }
    : `“${cells.join(', ')}” is no place of this session: write its name, or metres right and up`;
}
const SAME_PLACE_M = 0.005;

/** With a layer or without it, in words. */
function turnOf(cells: readonly string[]): Place | string {
  const words = cells.join(' ').trim();
  if (/^(?:without|open|bare|no(?: layer)?)\b/i.test(words)) return { kind: 'layer', with: false };
  if (/^(?:with|layer|yes)\b/i.test(words)) return { kind: 'layer', with: true };
  return `“${words}” is neither with nor without the layer`;
}

/** A line of a session that is no sweep: the place in words, the light last, or where its heading says. */
function placedRow(
  row: readonly string[],
  { lux: named, unit }: Columns,
  session: Pick<Session, 'kind' | 'points'>,
  hasNames: boolean,
): PastedReading | string {
  // Without a line of names the light stands last, in lines of a name and of two numbers alike.
  const lux = hasNames ? named : row.findLastIndex((cell) => cell.trim() !== '');
  const light = row[lux] ?? '';
  const read = parseQuantity(light, 'illuminance', unit);
  if (light.trim() === '' || !read.ok) return `“${light}” is no light: write 120 lx`;
  if (read.value < 0 || read.value > MOST_LX) return `“${light}” is no light a lamp gives`;
  const cells = row.filter((cell, k) => k !== lux && k < PLACE_CELLS && cell.trim() !== '');
  if (cells.some(isRoom)) return { place: { kind: 'room' }, lux: read.value };
  const place = session.kind === 'layer' ? turnOf(cells) : pointOf(cells, session.points);
  return typeof place === 'string' ? place : { place, lux: read.value };
}
/** Where a place may stand: kind, name and two numbers; behind them lie unit, time and who. */
const PLACE_CELLS = 4;

function rowOf(
  row: readonly string[],
  { angle, plane, lux, unit }: Columns,
): PastedReading | string {
  const [where, light] = [row[angle] ?? '', row[lux] ?? ''];
  const read = parseQuantity(light, 'illuminance', unit);
  if (light.trim() === '' || !read.ok) return `“${light}” is no light: write 120 lx`;
  if (read.value < 0 || read.value > MOST_LX) return `“${light}” is no light a lamp gives`;
  if (isRoom(where)) return { place: { kind: 'room' }, lux: read.value };
  const angleDeg = numberOf(where);
  if (angleDeg === null) return `“${where}” is no angle: write −30, or room`;
  if (Math.abs(angleDeg) > 180) return `${angleDeg}° is more than all the way round: −180 to 180`;
  const planeDeg = plane === null ? 0 : numberOf(row[plane] ?? '');
  if (planeDeg === null || planeDeg < 0 || planeDeg > 180)
    return `“${plane === null ? '' : row[plane]}” is no way round the axis: 0 level, 90 upright`;
  return { place: { kind: 'angle', planeDeg, angleDeg }, lux: read.value };
}

/**
 * Reads lines of place and light as readings: angles of a sweep, points by name or metres, with and without a layer. All or nothing: what cannot be read is told by its line.
 * @param rows  cells, by line; empty lines are passed over
 */
export function pastedReadings(
  rows: readonly (readonly string[])[],
  session: Pick<Session, 'kind' | 'points'> = { kind: 'sweep', points: [] },
): Result<PastedReading[]> {
  const refuse = (problems: Problem[]): Result<PastedReading[]> => ({ ok: false, problems });
  const lines = rows
    .map((cells, k) => ({ cells, line: k + 1 }))
    .filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  const [first] = lines;
  if (!first)
    return refuse([
      { code: 'empty', path: '', message: 'Nothing to read: a line is −30, 120 lx.' },
    ]);
  if (lines.length > MOST_LINES)
    return refuse([
      {
        code: 'too_many',
        path: '',
        message: `${lines.length} lines are no sweep: at most ${MOST_LINES}, one an angle.`,
      },
    ]);
  const { columns, named } = columnsOf(first.cells);
  const found = (named ? lines.slice(1) : lines).map(({ cells, line }) => ({
    line,
    read:
      session.kind === 'sweep' ? rowOf(cells, columns) : placedRow(cells, columns, session, named),
  }));
  const wrong = found.flatMap(({ line, read }) =>
    typeof read === 'string'
      ? [{ code: 'line', path: String(line), message: `Line ${line}: ${read}.` }]
      : [],
  );
  if (wrong.length > 0) {
    const more = wrong.length - MOST_TOLD;
    return refuse([
      ...wrong.slice(0, MOST_TOLD),
      ...(more > 0 ? [{ code: 'more', path: '', message: `And ${more} more lines.` }] : []),
    ]);
  }
  return { ok: true, value: found.map(({ read }) => read as PastedReading) };
}
