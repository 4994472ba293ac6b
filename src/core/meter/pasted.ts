import { findUnit } from '../quantity/dimension';
import type { Problem, Result } from '../result';
import { figureOf, isRoom, kindOf, numberOf, placeOf, type PlacedSession } from './pastedPlaces';
import type { Place } from './session';

/** A line of a meter's own log, or of a spreadsheet. */
export interface PastedReading {
  place: Place;
  /** lx, V, A, W or °C, as its place has it */
  value: number;
  /** why it does not count, where the line says so */
  struck: string | null;
  simulated: boolean;
}

/** More lines than a sweep of any lamp has are something else. */
const MOST_LINES = 2000;
/** So many lines are told of; the rest is counted. */
const MOST_TOLD = 5;

interface Columns {
  named: boolean;
  angle: number;
  plane: number | null;
  /** null for the last cell of a line that says anything */
  figure: number | null;
  /** of all figures, where their heading says it */
  heading: string;
  /** where each line says its unit, why it does not count, that nobody held the meter */
  unit: number | null;
  struck: number | null;
  simulated: number | null;
}

const FIGURE = /lux|lx|fc|candle|light|reading|value|volt|amp|watt|current|temp|°C|°F/i;
const UNNAMED: Columns = {
  named: false,
  angle: 0,
  plane: null,
  figure: null,
  heading: '',
  unit: null,
  struck: null,
  simulated: null,
};

/** What the columns are called; without a line of names the first is the place and the last the figure. */
function columnsOf([first, ...others]: readonly (readonly string[])[]): Columns {
  // A figure or the room makes it a reading, and so does standing alone.
  const named =
    others.length > 0 && first!.every((cell) => !/^\s*[+−-]?[.,]?\d/.test(cell) && !isRoom(cell));
  if (!named) return UNNAMED;
  const find = (words: RegExp) => {
    const at = first!.findIndex((cell) => words.test(cell));
    return at < 0 ? null : at;
  };
  const figure = find(FIGURE) ?? first!.length - 1;
  const angle = find(/angle|°$|deg|theta/i) ?? 0;
  const plane = find(/plane|way/i);
  return {
    named,
    angle,
    plane: plane === angle ? null : plane,
    figure,
    heading: first![figure]!,
    unit: find(/^units?$/i),
    struck: find(/^struck/i),
    simulated: find(/^simulated$/i),
  };
}

/** The unit of a line's own cell, else the last one in the heading: “Lux (klx)”. */
function unitOf(row: readonly string[], { unit, heading }: Columns, place: Place): string | null {
  const { dimension } = kindOf(place);
  const own = unit === null ? undefined : findUnit(dimension, row[unit] ?? '');
  if (own) return own.symbol;
  const words = heading.replaceAll('-', '').split(/[\s()[\]{},;/]+/);
  const last = words.findLast((word) => word !== '' && findUnit(dimension, word));
  return last === undefined ? null : findUnit(dimension, last)!.symbol;
}

/** Where a place may stand: kind, name and two numbers; behind them lie unit, time and who. */
const PLACE_CELLS = 4;

function placeIn(
  row: readonly string[],
  figure: number,
  columns: Columns,
  session: PlacedSession,
): Place | string {
  if (session.kind === 'sweep') return angleOf(row, columns);
  const cells = row
    .map((cell) => cell.trim())
    .filter((cell, k) => k !== figure && k < PLACE_CELLS && cell !== '');
  return placeOf(cells, session);
}

function angleOf(row: readonly string[], { angle, plane }: Columns): Place | string {
  const where = row[angle] ?? '';
  if (isRoom(where)) return { kind: 'room' };
  const angleDeg = numberOf(where);
  if (angleDeg === null) return `“${where}” is no angle: write −30, or room`;
  if (Math.abs(angleDeg) > 180) return `${angleDeg}° is more than all the way round: −180 to 180`;
  const planeDeg = plane === null ? 0 : numberOf(row[plane] ?? '');
  if (planeDeg === null || planeDeg < 0 || planeDeg > 180)
    return `“${plane === null ? '' : row[plane]}” is no way round the axis: 0 level, 90 upright`;
  return { kind: 'angle', planeDeg, angleDeg };
}

function rowOf(
  row: readonly string[],
  columns: Columns,
  session: PlacedSession,
): PastedReading | string {
  // Before a figure stands its place.
  const figure =
    columns.figure ??
    Math.max(
      1,
      row.findLastIndex((cell) => cell.trim() !== ''),
    );
  const place = placeIn(row, figure, columns, session);
  // A place that nobody knows says nothing of what the figure should be: it is told once.
  if (typeof place === 'string') return place;
  const value = figureOf(row[figure] ?? '', kindOf(place), unitOf(row, columns, place));
  if (typeof value === 'string') return value;
  const cell = (at: number | null) => (at === null ? '' : (row[at] ?? '').trim());
  return {
    place,
    value,
    struck: cell(columns.struck).slice(0, 200) || null,
    simulated: cell(columns.simulated) !== '',
  };
}

/**
 * Reads lines of place and figure as readings: angles of a sweep, points by name or metres, with and without a layer, volts and amps,
 * warm things. All or nothing: what cannot be read is told by its line.
 * @param rows  cells, by line; empty lines are passed over
 */
export function pastedReadings(
  rows: readonly (readonly string[])[],
  session: PlacedSession = { kind: 'sweep', points: [] },
): Result<PastedReading[]> {
  const refuse = (problems: Problem[]): Result<PastedReading[]> => ({ ok: false, problems });
  const lines = rows
    .map((cells, k) => ({ cells, line: k + 1 }))
    .filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  if (lines.length === 0)
    return refuse([
      { code: 'empty', path: '', message: 'Nothing to read: a line is −30, 120 lx.' },
    ]);
  if (lines.length > MOST_LINES)
    return refuse([
      {
        code: 'too_many',
        path: '',
        message: `${lines.length} lines are no session: at most ${MOST_LINES}, one a reading.`,
      },
    ]);
  const columns = columnsOf(lines.map(({ cells }) => cells));
  const found = (columns.named ? lines.slice(1) : lines).map(({ cells, line }) => ({
    line,
    read: rowOf(cells, columns, session),
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
