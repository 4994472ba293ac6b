import { KELVIN, parseQuantity, type Dimension } from '../quantity';
import { ELECTRIC_NAMES } from './electric';
import { ELECTRIC, type ElectricId, type MeterPoint, type Place, type Session } from './session';

/** What a place depends on. */
export type PlacedSession = Pick<Session, 'kind' | 'points'>;

/** More light than any lamp gives, lx. */
const MOST_LX = 1e7;

const NUMBER = /^[+−-]?\d+(?:[.,]\d+)?$/;
export const numberOf = (text: string): number | null => {
  const bare = text.trim().replace(/\s*(?:°|deg(?:rees?)?)$/i, '');
  return NUMBER.test(bare) ? Number(bare.replace('−', '-').replace(',', '.')) : null;
};
export const isRoom = (text: string): boolean => /^(?:room|dark|lamp off|off)$/i.test(text.trim());

interface FigureKind {
  dimension: Dimension;
  /** of a bare number */
  unit: string;
  /** what it is, and how it is written */
  words: string;
  least: number;
  most: number;
  beyond: string;
  /** from SI into what a session keeps */
  kept?: (value: number) => number;
}

const LIGHT: FigureKind = {
  dimension: 'illuminance',
  unit: 'lx',
  words: 'no light: write 120 lx',
  least: 0,
  most: MOST_LX,
  beyond: 'no light a lamp gives',
};
const WARMTH: FigureKind = {
  dimension: 'temperature',
  unit: '°C',
  words: 'no temperature: write 48 °C',
  least: 213,
  most: 1500,
  beyond: 'no temperature of a light',
  kept: (kelvin) => Number((kelvin - KELVIN).toFixed(4)),
};
const VOLTS: FigureKind = {
  dimension: 'voltage',
  unit: 'V',
  words: 'no voltage: write 24.1 V',
  least: 0,
  most: 5000,
  beyond: 'no voltage of a light',
};
const AMPS: FigureKind = {
  dimension: 'current',
  unit: 'A',
  words: 'no current: write 1.2 A',
  least: 0,
  most: 5000,
  beyond: 'no current of a light',
};
const WATTS: FigureKind = {
  dimension: 'power',
  unit: 'W',
  words: 'no power: write 60 W',
  least: 0,
  most: 50_000,
  beyond: 'no power of a light',
};
const FACTOR: FigureKind = {
  dimension: 'fNumber',
  unit: '',
  words: 'no power factor: write 0.9',
  least: 0,
  most: 1,
  beyond: 'no power factor: it lies between 0 and 1',
};
const ELECTRIC_KINDS: Record<ElectricId, FigureKind> = {
  nearV: VOLTS,
  farV: VOLTS,
  tapeA: AMPS,
  mainsA: AMPS,
  mainsW: WATTS,
  powerFactor: FACTOR,
};

/** What a reading there is a figure of. */
export const kindOf = (place: Place): FigureKind =>
  place.kind === 'electric'
    ? ELECTRIC_KINDS[place.what]
    : place.kind === 'warm' || place.kind === 'air'
      ? WARMTH
      : LIGHT;

/** A figure as a session keeps it, or why it is none. @param unit  of a bare number; null for the usual one */
export function figureOf(text: string, kind: FigureKind, unit: string | null): number | string {
  const read = parseQuantity(text, kind.dimension, unit ?? kind.unit);
  if (text.trim() === '' || !read.ok) return `“${text}” is ${kind.words}`;
  if (read.value < kind.least || read.value > kind.most) return `“${text}” is ${kind.beyond}`;
  return kind.kept?.(read.value) ?? read.value;
}

const SAME_PLACE_M = 0.005;

/** A place of a points session: by its name, or by metres right and up. */
function pointOf(cells: readonly string[], points: readonly MeterPoint[]): Place | string {
  const named = cells.flatMap((cell) =>
    points.filter(({ name }) => name.toLowerCase() === cell.toLowerCase()),
  );
  if (named[0]) return { kind: 'point', ...named[0] };
  const metres = cells.flatMap((cell) => numberOf(cell.replace(/\s*m$/i, '')) ?? []);
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

/** With a layer or without it, in words. */
function turnOf(cells: readonly string[]): Place | string {
  const words = cells.join(' ').trim();
  if (/^(?:without|open|bare|no(?: layer)?)\b/i.test(words)) return { kind: 'layer', with: false };
  if (/^(?:with|layer|yes)\b/i.test(words)) return { kind: 'layer', with: true };
  return `“${words}” is neither with nor without the layer`;
}

const ELECTRIC_WORDS: Record<ElectricId, RegExp> = {
  powerFactor: /power factor|cos ?(?:φ|phi)|^pf$/i,
  mainsW: /watt|^power$|^w$/i,
  mainsA: /(?:amp|current).*(?:plug|mains)|(?:plug|mains).*(?:amp|current)/i,
  tapeA: /(?:amp|current).*tape|tape.*(?:amp|current)|^(?:amps|current|a)$/i,
  farV: /\bfar\b|\bend\b/i,
  nearV: /\bfed\b|\bfeed\b|\bnear\b|\bstart\b/i,
};

/** Volts, amps or watts, by their own name or in words. */
function electricPlace(cells: readonly string[]): Place | string {
  const words = cells.filter((cell) => cell.toLowerCase() !== 'electric').join(' ');
  const what =
    ELECTRIC.find((id) =>
      [id, ELECTRIC_NAMES[id].name].some((name) => name.toLowerCase() === words.toLowerCase()),
    ) ?? (Object.keys(ELECTRIC_WORDS) as ElectricId[]).find((id) => ELECTRIC_WORDS[id].test(words));
  return what
    ? { kind: 'electric', what }
    : `“${words}” is nothing that is read here: write near, far, amps, watts, amps at the plug or power factor`;
}

const MOST_NAME = 80;

/** The room's air, or a thing by its name. */
function warmPlace(cells: readonly string[]): Place | string {
  const [first = '', ...rest] = cells;
  const named = rest.length > 0 && /^(?:warm|air)$/i.test(first) ? rest : cells;
  const thing = named.join(', ').replace(/^'(?=[=+@-])/, '');
  if (/^(?:air|room|ambient)(?:,.*)?$/i.test(thing)) return { kind: 'air' };
  if (thing === '') return 'it says no place: write the thing, or air';
  return thing.length > MOST_NAME
    ? `its place is longer than ${MOST_NAME} letters`
    : { kind: 'warm', thing };
}

/** Where a line was read, or why nobody can tell. @param cells  trimmed, none of them empty */
export function placeOf(cells: readonly string[], session: PlacedSession): Place | string {
  if (session.kind === 'electric') return electricPlace(cells);
  if (session.kind === 'warm') return warmPlace(cells);
  if (cells.some(isRoom)) return { kind: 'room' };
  return session.kind === 'layer' ? turnOf(cells) : pointOf(cells, session.points);
}
