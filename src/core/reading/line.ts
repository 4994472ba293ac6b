import { hasPlainSpace, NUMBER, printedNumber, TIGHT_NUMBER } from './number';

/** How far a field read from a label may be trusted without looking. */
export type Sureness = 'sure' | 'likely' | 'guess';

export const READ_FIELDS = {
  category: 'Kind of unit',
  kind: 'Kind of bulb',
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
  globeDiameterM: 'Globe Ø, m',
  lengthM: 'Length, m',
  wattsPerM: 'Watts a metre',
  lumensPerM: 'Lumens a metre',
  ledsPerM: 'LED a metre',
  reelLengthM: 'Reel, m',
  tapeWidthM: 'Tape width, m',
  coated: 'Coated',
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

/** A line being read: what has been understood is blanked, so that nothing is read twice. */
export class Line {
  rest: string;
  readonly fields: FoundField[] = [];
  constructor(readonly text: string) {
    this.rest = text.replace(/[\u00a0\u202f]/g, ' ');
  }
  has = (field: ReadField) => this.fields.some((found) => found.field === field);

  /** Takes every match; the first becomes the field, further ones that differ make it unsure. */
  take(
    field: ReadField,
    pattern: RegExp,
    value: (match: RegExpExecArray) => FoundField['value'] | null,
    sure: Sureness | ((match: RegExpExecArray) => Sureness) = 'sure',
  ): void {
    const flags = pattern.flags.includes('g') ? pattern.flags : `${pattern.flags}g`;
    const all = new RegExp(pattern.source, flags);
    for (let match = all.exec(this.rest); match; match = all.exec(this.rest)) {
      const read = value(match);
      if (read === null) continue;
      const known = this.fields.find((found) => found.field === field);
      if (known && known.value !== read) known.sure = 'guess';
      if (!known)
        this.fields.push({
          field,
          value: read,
          text: this.text.slice(match.index, match.index + match[0].length).trim(),
          at: match.index,
          sure: typeof sure === 'string' ? sure : sure(match),
        });
      this.blank(match.index, match[0].length);
    }
  }
  /** A conclusion from what has been read, without a place of its own. */
  conclude(field: ReadField, value: FoundField['value'], from: string, sure: Sureness): void {
    if (!this.has(field)) this.fields.push({ field, value, text: from, at: -1, sure });
  }
  private blank(at: number, length: number): void {
    this.rest = this.rest.slice(0, at) + '·'.repeat(length) + this.rest.slice(at + length);
  }
}

/** Not inside a word or a longer number. */
export const START = String.raw`(?<![\p{L}\d.,])`;
export const END = String.raw`(?![\p{L}\d])`;
export const re = (source: string) => new RegExp(source, 'giu');
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
export const LITTLE_W = String.raw`(?:watts?|w)`;
export const METRE = String.raw`\s*(?:\/\s*m(?:et(?:er|re|ro))?|per met(?:er|re)|pro meter|par m[eè]tre|por metro)`;
