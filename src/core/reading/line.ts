import { hasPlainSpace, NUMBER, printedNumber, TIGHT_NUMBER } from './number';
import { tightened } from './spacedOut';

/** How far a field read from a label may be trusted without looking. */
export type Sureness = 'sure' | 'likely' | 'guess';

export const READ_FIELDS = {
  category: 'Kind of unit',
  kind: 'Kind of bulb',
  lamp: 'What gives its light',
  wattsW: 'Watts',
  equivalentW: 'Claims to replace, W',
  luminousFluxLm: 'Lumens',
  cctK: 'Colour temperature, K',
  criRa: 'CRI Ra',
  base: 'Base',
  supplyV: 'Volts',
  dimmable: 'Dimmable',
  beamAngleDeg: 'Beam angle, °',
  packCount: 'In a pack',
  price: 'Price',
  currency: 'Currency',
  ratedLifeH: 'Rated life, h',
  globeDiameterM: 'Globe Ø',
  lengthM: 'Length',
  wattsPerM: 'Watts a metre',
  lumensPerM: 'Lumens a metre',
  ledsPerM: 'LED a metre',
  reelLengthM: 'Reel',
  tapeWidthM: 'Tape width',
  cutIncrementM: 'Cut marks apart',
  coated: 'Keeps water out',
  colour: 'Colour of tape',
} as const;
export type ReadField = keyof typeof READ_FIELDS;

/** One field, where it stood and how sure it is. */
export interface FoundField {
  field: ReadField;
  value: string | number | boolean;
  /** what stood there */
  text: string;
  at: number;
  sure: Sureness;
}

/** Printed in metres and in feet beside each other, a figure is rounded twice. */
const SAME_LENGTH = 0.03;
const differ = (field: ReadField, a: FoundField['value'], b: FoundField['value']): boolean =>
  typeof a === 'number' && typeof b === 'number' && field.endsWith('M')
    ? Math.abs(a - b) > SAME_LENGTH * Math.max(a, b)
    : a !== b;

/** A line being read: what has been understood is blanked, so that nothing is read twice. */
export class Line {
  rest: string;
  readonly fields: FoundField[] = [];
  /** index in the text of each character of `rest` */
  private readonly places: readonly number[] | null;
  constructor(readonly text: string) {
    const tight = tightened(text);
    this.places = tight?.places ?? null;
    this.rest = (tight?.text ?? text).replace(/[\u00a0\u202f\u2009]/g, ' ').replace(/º/g, '°');
    this.words = this.rest;
  }
  /** the line as it is read, nothing blanked */
  readonly words: string;
  has = (field: ReadField) => this.fields.some((found) => found.field === field);
  valueOf = (field: ReadField) => this.fields.find((found) => found.field === field)?.value;
  /** Letters a scanner set apart were put together again: nothing of it is certain. */
  private spoken = (sure: Sureness): Sureness => (this.places && sure === 'sure' ? 'likely' : sure);

  /** Takes every match; the first becomes the field, further ones that differ make it unsure. */
  take(
    field: ReadField,
    pattern: RegExp,
    value: (match: RegExpExecArray) => FoundField['value'] | null,
    sure: Sureness | ((match: RegExpExecArray) => Sureness) = 'sure',
  ): void {
    for (const match of this.matches(pattern)) {
      const read = value(match);
      if (read === null) continue;
      const known = this.fields.find((found) => found.field === field);
      if (known && differ(field, known.value, read)) known.sure = 'guess';
      if (!known) this.put(field, read, match, typeof sure === 'string' ? sure : sure(match));
      this.blank(match.index, match[0].length);
    }
  }
  /** Every place a pattern fits in what is left. */
  *matches(pattern: RegExp): Generator<RegExpExecArray> {
    const all = everywhere(pattern);
    // Its place is kept here: others look with the same pattern between two matches.
    for (let at = 0; ;) {
      all.lastIndex = at;
      const match = all.exec(this.rest);
      if (!match) return;
      at = all.lastIndex + (match[0] === '' ? 1 : 0);
      yield match;
    }
  }
  /** A field from what stood at a match; not blanked. */
  put(field: ReadField, value: FoundField['value'], match: RegExpExecArray, sure: Sureness): void {
    if (this.has(field)) return;
    const first = match[0].length - match[0].trimStart().length;
    const from = this.placeOf(match.index + first);
    const to = this.placeOf(match.index + match[0].length - 1) + 1;
    this.fields.push({
      field,
      value,
      text: this.text.slice(from, to).trim(),
      at: from,
      sure: this.spoken(sure),
    });
  }
  /** A conclusion from what has been read, without a place of its own. */
  conclude(field: ReadField, value: FoundField['value'], from: string, sure: Sureness): void {
    if (!this.has(field))
      this.fields.push({ field, value, text: from, at: -1, sure: this.spoken(sure) });
  }
  /** Passes over what says nothing about the light: a warranty, a cable, what the power costs. */
  drop(pattern: RegExp): void {
    for (const match of this.matches(pattern)) this.blank(match.index, match[0].length);
  }
  blank(at: number, length: number): void {
    this.rest = this.rest.slice(0, at) + '·'.repeat(length) + this.rest.slice(at + length);
  }
  private placeOf = (index: number): number => this.places?.[index] ?? index;
}

/** Not inside a word or a longer number. */
export const START = String.raw`(?<![\p{L}\d.,])`;
export const END = String.raw`(?![\p{L}\d])`;
/** Half the time of reading a line went into making the same few hundred patterns again. By flags and source. */
const made = new Map<string, Map<string, RegExp>>();
function patternOf(source: string, flags: string): RegExp {
  let ofFlags = made.get(flags);
  if (!ofFlags) made.set(flags, (ofFlags = new Map()));
  let pattern = ofFlags.get(source);
  if (!pattern) ofFlags.set(source, (pattern = new RegExp(source, flags)));
  pattern.lastIndex = 0;
  return pattern;
}

/** @param source  of the code's own, never of what is read: patterns are kept */
export const re = (source: string): RegExp => patternOf(source, 'giu');

/** The same pattern, looked for at every place. */
const everywhere = (pattern: RegExp): RegExp =>
  pattern.global ? pattern : patternOf(pattern.source, `${pattern.flags}g`);

/** A word of a language with accents: `\b` knows none of them. */
export const word = (source: string) => re(`(?<![\\p{L}\\d])(?:${source})${END}`);
export const number = (unit: string) => re(`${START}(${TIGHT_NUMBER})\\s*${unit}`);
/** For what comes in thousands. */
export const big = (unit: string) => re(`${START}(${NUMBER})\\s*${unit}`);
export const between =
  (min: number, max: number, whole = false, scale = 1) =>
  (match: RegExpExecArray): number | null => {
    const value = printedNumber(match[1]!, whole) * scale;
    return value >= min && value <= max ? Number(value.toPrecision(9)) : null;
  };
export const spaced = (match: RegExpExecArray): Sureness =>
  hasPlainSpace(match[1]!) ? 'likely' : 'sure';
export const LITTLE_W = String.raw`(?:-?\s?watts?|w|vatios?)`;
const RUNNING = String.raw`(?:lfd\.?\s*|laufende[rnm]?\s*)?`;
export const METRE = String.raw`\s*(?:(?:\/|pro|per|par|por)\s*${RUNNING}(?:lfm|ml|mtr|m(?:et(?:er|re|ro)|ètre)?(?:\s+lin(?:[ée]aire|eal))?))${END}`;
export const FOOT = String.raw`\s*(?:\/|per)\s*(?:ft|foot)${END}`;
/** Metres of an international foot. */
export const FOOT_M = 0.3048;
