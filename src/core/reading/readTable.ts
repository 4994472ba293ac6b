import { BULB_KINDS } from '../units/unit';
import { columnOf, headedScale, type Columns } from './headings';
import { labelsIn, labelText, type Label } from './label';
import { nameFrom } from './nameFrom';
import { printedNumber } from './number';
import { readLine, type FoundField, type ReadField } from './readLine';
import type { Gear } from './gear';

/** One product: a row of a table, a line of free text, or a label of several lines. */
export interface ReadRow {
  name: string;
  /** as it was pasted: what tells it apart while the text round it is edited */
  text: string;
  fields: FoundField[];
  left: string[];
  /** it gives no light: what it is instead */
  gear: Gear | null;
}

const WHOLE: readonly ReadField[] = [
  'luminousFluxLm',
  'cctK',
  'ratedLifeH',
  'lumensPerM',
  'ledsPerM',
];
const UNITS: Partial<Record<ReadField, string>> = {
  wattsW: 'W',
  luminousFluxLm: 'lm',
  cctK: 'K',
  supplyV: 'V',
  wattsPerM: 'W/m',
  lumensPerM: 'lm/m',
  ledsPerM: 'LED/m',
  reelLengthM: 'm',
  ratedLifeH: 'h',
  beamAngleDeg: '°',
};
/** Where the cell's own unit says that the heading meant another field. */
const BESIDE: Partial<Record<ReadField, ReadField>> = {
  wattsW: 'wattsPerM',
  luminousFluxLm: 'lumensPerM',
  lengthM: 'reelLengthM',
};
/** A cell that says there is nothing to say. */
const EMPTY = /^(?:[-–—?/.]*|n\/?a|n\. ?a\.|k\. ?a\.|s\/?d|unknown|unbekannt|inconnu|null|none)$/i;
const YES = /^(?:yes|ja|oui|s[ií]|true|x|✓|✔|y|j|o)$/i;
const NO = /^(?:no|nein|non|false|✗|✘|n)$/i;

/** A bare number under a heading; lengths without any unit may be metres or millimetres. */
function bareNumber(
  field: ReadField,
  unit: string | null,
  plain: string,
): Pick<FoundField, 'value' | 'sure'> | null {
  if (!/^[\d.,'’\s]+$/.test(plain) || !/\d/.test(plain)) return null;
  const value = printedNumber(plain, WHOLE.includes(field));
  if (!Number.isFinite(value)) return null;
  const scale = headedScale(field, unit);
  if (scale !== null) return { value: Number((value * scale).toPrecision(9)), sure: 'sure' };
  if (field === 'lengthM' && value > 20) return { value: value / 1000, sure: 'guess' };
  if (
    (field === 'tapeWidthM' || field === 'globeDiameterM' || field === 'cutIncrementM') &&
    value > 1
  )
    return { value: value / 1000, sure: 'likely' };
  return { value, sure: 'sure' };
}

/** A cell under a heading: read as its field's own words would be, or as a bare number. */
function cell(field: ReadField, unit: string | null, text: string, at: number): FoundField[] {
  const plain = text.trim();
  if (EMPTY.test(plain)) return [];
  if (field === 'category') return kindCell(plain, at);
  if (field === 'coated' && /^\d{2}$/.test(plain))
    return [{ field, value: Number(plain) >= 44, text: plain, at, sure: 'likely' }];
  const money = field === 'price' && unit ? currencyField(unit, at) : [];
  const bare = bareNumber(field, unit, plain);
  if (bare) return [{ field, text: plain, at, ...bare }, ...money];
  const context: Partial<Record<ReadField, string>> = {
    criRa: `CRI ${plain}`,
    dimmable: YES.test(plain) ? 'dimmable' : NO.test(plain) ? 'non-dimmable' : plain,
    packCount: `pack of ${plain}`,
    equivalentW: `equivalent ${plain}`,
    lengthM: `length ${plain}, tube`,
    tapeWidthM: `width ${plain}`,
    globeDiameterM: `Ø ${plain}`,
    cutIncrementM: `cut every ${plain}`,
    reelLengthM: `${plain} strip`,
    price: `price ${plain}`,
  };
  for (const candidate of [
    context[field] ?? plain,
    plain,
    `${plain} ${UNITS[field] ?? ''}`,
    `strip ${plain}`,
  ]) {
    const { fields } = readLine(candidate);
    const found = [field, BESIDE[field]].flatMap(
      (name) => fields.find((each) => each.field === name) ?? [],
    )[0];
    if (!found) continue;
    const said = fields.find((each) => field === 'price' && each.field === 'currency');
    return [{ ...found, text: plain, at }, ...(said ? [{ ...said, at }] : money)];
  }
  return [];
}

const currencyField = (code: string, at: number): FoundField[] => [
  { field: 'currency', value: code, text: code, at, sure: 'sure' },
];

/** “strip”, “led”, “LED Röhre”: our own words first, then those of a label. */
function kindCell(plain: string, at: number): FoundField[] {
  const found = (field: ReadField, value: string): FoundField => ({
    field,
    value,
    text: plain,
    at,
    sure: 'sure',
  });
  if (['bulb', 'strip', 'tube', 'work-light', 'panel'].includes(plain))
    return [found('category', plain)];
  if ((BULB_KINDS as readonly string[]).includes(plain)) return [found('kind', plain)];
  const read = readLine(plain).fields.find(({ field }) => field === 'category');
  return read ? [{ ...read, text: plain, at }] : [];
}

interface Headed {
  column: Columns[number];
  text: string;
}

/** Cells under their headings, and the words of the product itself, put together. */
function together(cells: readonly Headed[], words: string): Omit<ReadRow, 'name' | 'text'> {
  const own = cells.flatMap(({ column, text }, k) => {
    const told = columnOf(column);
    return told && told.field !== 'name' ? cell(told.field, told.unit, text, k) : [];
  });
  const said = readLine(words);
  // A guess in a cell gives way to what the name says for certain.
  const settled = own.filter(
    ({ field, sure }, k) =>
      own.findIndex((each) => each.field === field) === k &&
      !(sure === 'guess' && said.fields.some((each) => each.field === field)),
  );
  const more = said.fields.filter(({ field }) => !settled.some((each) => each.field === field));
  // What the columns say may tell the kind where the name does not.
  const joined = readLine(
    `${words} ${own.map(({ field, text }) => `${text} ${UNITS[field] ?? ''}`).join(' ')}`,
  );
  const kinds = joined.fields.filter(
    ({ field }) =>
      (field === 'category' || field === 'kind' || field === 'lamp') &&
      ![...settled, ...more].some((each) => each.field === field),
  );
  return {
    fields: asLaid([...settled, ...more, ...kinds]),
    left: said.left,
    gear: joined.gear && said.gear,
  };
}

/** The length of a tape is its reel's. */
function asLaid(fields: FoundField[]): FoundField[] {
  const strip = fields.some(({ field, value }) => field === 'category' && value === 'strip');
  const reel = fields.some(({ field }) => field === 'reelLengthM');
  return strip && !reel
    ? fields.map((each) =>
        each.field === 'lengthM' ? { ...each, field: 'reelLengthM' as const } : each,
      )
    : fields;
}

/** A table's rows by its columns; a name is read as a line too, for what has no column of its own. */
export function readTable(rows: readonly (readonly string[])[], columns: Columns): ReadRow[] {
  const name = columns.indexOf('name');
  const words = name >= 0 ? name : columns.findIndex((column) => column === null);
  return rows.slice(0, MOST_ROWS).map((cells) => {
    const row = cells.map((text) => text.slice(0, MOST_CHARACTERS));
    const own = columns.map((column, k) => ({ column, text: row[k] ?? '' }));
    const { fields, gear } = together(own, row[words] ?? '');
    const unread = own.flatMap(({ column, text }, k) =>
      column && column !== 'name' && !EMPTY.test(text.trim()) && !fields.some(({ at }) => at === k)
        ? [text.trim()]
        : [],
    );
    const text = row.join(' ');
    return {
      name: (row[words] ?? '').trim() || nameFrom(fields),
      text,
      fields,
      left: unread,
      gear,
    };
  });
}

/** Most rows that are read at once, and characters of one that are looked at: labels are short. */
export const MOST_ROWS = 1000;
const MOST_CHARACTERS = 1000;

/** Free text: one product a line, or labels of several lines each, the first thousand of them. */
export const readLines = (text: string): ReadRow[] =>
  labelsIn(text, MOST_ROWS, MOST_CHARACTERS).map(readLabel);

function readLabel(label: Label): ReadRow {
  const text = labelText(label);
  const { fields, left, gear } =
    label.headed.length > 0 ? together(label.headed, text) : readLine(text);
  return { name: nameFrom(fields, label.title), text: label.whole, fields, left, gear };
}
