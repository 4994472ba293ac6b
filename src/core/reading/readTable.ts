import { BULB_KINDS } from '../units/unit';
import { cutText } from '../schema';
import { printedNumber } from './number';
import { readLine, type FoundField, type ReadField } from './readLine';

/** Headings shops and spreadsheets use for a field, lower case; the first that fits wins. */
const HEADINGS: [ReadField | 'name', RegExp][] = [
  [
    'name',
    /^(name|product|title|description|item|bezeichnung|artikel|produkt|produit|d[eé]signation|nombre|producto|descripci[oó]n)$/,
  ],
  ['category', /^(category|kategorie|cat[eé]gorie|categor[ií]a|kind|art|type|tipo)$/],
  ['lumensPerM', /(lm|lumens?)\s*(\/|per|pro|par|por)\s*m/],
  ['wattsPerM', /(w|watts?)\s*(\/|per|pro|par|por)\s*m/],
  ['ledsPerM', /leds?\s*(\/|per|pro|par|por)\s*m/],
  ['equivalentW', /equiv|replaces|ersetzt|remplace|sustituye|entspricht/],
  ['wattsW', /^(w|watts?|power|leistung|puissance|potencia)\b/],
  ['luminousFluxLm', /^(lm|lumens?|flux|lichtstrom|l[uú]menes|flujo|luminous flux)\b/],
  ['cctK', /^(k|kelvin|cct|colou?r temp|farbtemp|temp[eé]rature|temperatura)/],
  ['criRa', /^(cri|ra|irc|colou?r rendering|farbwiedergabe)/],
  ['base', /^(base|cap|socket|sockel|fassung|culot|casquillo)\b/],
  ['supplyV', /^(v|volts?|voltage|spannung|tension|tensi[oó]n)\b/],
  ['dimmable', /^(dim|gradable|regulable)/],
  ['beamAngleDeg', /^(beam|angle|abstrahl|[aá]ngulo)/],
  ['packCount', /^(pack|pieces|count|st[uü]ck|menge|unidades|lot)\b/],
  ['price', /^(price|cost|preis|prix|precio)\b/],
  ['ratedLifeH', /^(life|hours|lebensdauer|dur[eé]e|vida)/],
  ['reelLengthM', /^(reel|roll|rolle|rouleau|rollo)/],
];

/** Columns of a table: which field each holds; null for those that stay unread. */
export type Columns = (ReadField | 'name' | null)[];

/** Matches headings to fields, each field once. */
export function matchColumns(headings: readonly string[]): Columns {
  const taken = new Set<string>();
  return headings.map((heading) => {
    const plain = heading.trim().toLowerCase();
    const found = HEADINGS.find(([field, words]) => !taken.has(field) && words.test(plain));
    if (!found) return null;
    taken.add(found[0]);
    return found[0];
  });
}

/** One row of a table, or one line of free text, with its fields. */
export interface ReadRow {
  name: string;
  fields: FoundField[];
  left: string[];
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

/** A cell under a heading: read as its field's own words would be, or as a bare number. */
function cell(field: ReadField, text: string, column: number): FoundField | null {
  const plain = text.trim();
  if (plain === '') return null;
  if (field === 'category') return kindCell(plain, column);
  const at = column;
  const bare = /^[\d.,'’\s]+$/.test(plain) ? printedNumber(plain, WHOLE.includes(field)) : NaN;
  if (Number.isFinite(bare)) return { field, value: bare, text: plain, at, sure: 'sure' };
  const context: Partial<Record<ReadField, string>> = {
    criRa: `CRI ${plain}`,
    dimmable: /^(yes|ja|oui|s[ií]|true|x)$/i.test(plain)
      ? 'dimmable'
      : /^(no|nein|non|false)$/i.test(plain)
        ? 'non-dimmable'
        : plain,
    packCount: `pack of ${plain}`,
    equivalentW: `equivalent ${plain}`,
  };
  const candidates = [context[field] ?? plain, `${plain} ${UNITS[field] ?? ''}`];
  for (const candidate of candidates) {
    const found = readLine(candidate).fields.find((each) => each.field === field);
    if (found) return { ...found, text: plain, at };
  }
  return null;
}

/** “strip”, “led”, “LED Röhre”: our own words first, then those of a label. */
function kindCell(plain: string, at: number): FoundField | null {
  const found = (field: ReadField, value: string): FoundField => ({
    field,
    value,
    text: plain,
    at,
    sure: 'sure',
  });
  if (['bulb', 'strip', 'tube', 'work-light', 'panel'].includes(plain))
    return found('category', plain);
  if ((BULB_KINDS as readonly string[]).includes(plain)) return found('kind', plain);
  const read = readLine(plain).fields.find(({ field }) => field === 'category');
  return read ? { ...read, text: plain, at } : null;
}

/** A table's rows by its columns; a name is read as a line too, for what has no column of its own. */
export function readTable(rows: readonly (readonly string[])[], columns: Columns): ReadRow[] {
  return rows.slice(0, MOST_ROWS).map((cells) => {
    const row = cells.map((text) => text.slice(0, MOST_CHARACTERS));
    const name = columns.indexOf('name');
    const own = columns.flatMap((field, k): FoundField[] => {
      if (!field || field === 'name') return [];
      const found = cell(field, row[k] ?? '', k);
      return found ? [found] : [];
    });
    const words = readLine(row[name < 0 ? 0 : name] ?? '');
    const more = words.fields.filter(({ field }) => !own.some((each) => each.field === field));
    // What the columns say may tell the kind where the name does not.
    const joined = readLine(
      `${words.text} ${own.map(({ field, text }) => `${text} ${UNITS[field] ?? ''}`).join(' ')}`,
    );
    const kinds = joined.fields.filter(
      ({ field }) =>
        (field === 'category' || field === 'kind') &&
        ![...own, ...more].some((each) => each.field === field),
    );
    const unread = columns.flatMap((field, k) =>
      field && field !== 'name' && (row[k] ?? '').trim() && !own.some(({ at }) => at === k)
        ? [row[k]!.trim()]
        : [],
    );
    return { name: words.text.trim(), fields: [...own, ...more, ...kinds], left: unread };
  });
}

/** Most rows that are read at once, and characters of one that are looked at: labels are short. */
export const MOST_ROWS = 1000;
const MOST_CHARACTERS = 1000;

/** Free text, one product a line, the first thousand of them. */
export const readLines = (text: string): ReadRow[] =>
  text
    .split(/\r\n|\n|\r/)
    .filter((line) => /\p{L}|\d/u.test(line))
    .slice(0, MOST_ROWS)
    .map((whole) => {
      const line = whole.slice(0, MOST_CHARACTERS);
      const { fields, left } = readLine(line);
      return { name: cutText(line.trim(), 120), fields, left };
    });
