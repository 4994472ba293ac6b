import { type Part, PART_RECORDS, partSchema } from '../materials/part';
import type { FigureOrigin } from '../origin';
import { show, showText } from '../quantity';
import type { RecordField } from '../record/field';
import { accept, refuse, type Result } from '../result';
import { cutText } from '../schema';
import { CATEGORIES, type Category, UNIT_RECORDS, type Unit, unitSchema } from '../units/unit';
import { partSizes } from './partSizes';
import type { FoundField, ReadField } from './readLine';
import type { ReadRow } from './readTable';

const valueOf = (fields: readonly FoundField[], field: ReadField) =>
  fields.find((each) => each.field === field)?.value;

/** What the line is, when it says so. */
export const categoryOf = ({ fields }: ReadRow): Category | null =>
  (valueOf(fields, 'category') as Category | undefined) ?? null;

/** What somebody says of a row's fields: another value, or null for one that is to be left out. */
export type Corrections = Partial<Record<ReadField, FoundField['value'] | null>>;

/** A row with its corrections: what a person has said or accepted is as sure as the label itself. */
export function corrected(row: ReadRow, corrections: Corrections): ReadRow {
  const said = Object.entries(corrections) as [ReadField, FoundField['value'] | null][];
  return {
    ...row,
    fields: [
      ...row.fields.filter(({ field }) => !(field in corrections)),
      ...said.flatMap(([field, value]): FoundField[] =>
        value === null ? [] : [{ field, value, text: String(value), at: -1, sure: 'sure' }],
      ),
    ],
  };
}

/** Read fields that a record holds under another name, or in another manner. */
const PLACES: Partial<Record<ReadField, readonly Category[]>> = {
  category: CATEGORIES,
  price: CATEGORIES,
  currency: CATEGORIES,
  supplyV: CATEGORIES,
  beamAngleDeg: ['bulb', 'work-light', 'panel'],
  lamp: ['tube', 'work-light'],
  coated: ['strip', 'tube', 'work-light', 'panel'],
};

/** Has a record of this category a place for what was read? */
export const hasPlace = (category: Category, field: ReadField): boolean =>
  PLACES[field]?.includes(category) ?? field in UNIT_RECORDS[category].shape;

/** What a label of a kind should say. */
const wantedOf = (category: Category): ReadField[] => {
  switch (category) {
    case 'strip':
      return ['wattsPerM', 'lumensPerM', 'cctK', 'criRa', 'supplyV', 'reelLengthM', 'price'];
    case 'tube':
      return ['wattsW', 'luminousFluxLm', 'cctK', 'criRa', 'lengthM', 'price'];
    default:
      return ['wattsW', 'luminousFluxLm', 'cctK', 'criRa', 'price'];
  }
};

/** What a label of this kind should say and this one does not; a guess is not found. */
export const missingOf = ({ fields }: ReadRow, category: Category): ReadField[] =>
  wantedOf(category).filter(
    (field) => !fields.some((each) => each.field === field && each.sure !== 'guess'),
  );

/** The currency a price was read in, when it is not the production's; null otherwise. */
export function otherCurrency({ fields }: ReadRow, currency: string): string | null {
  const read = valueOf(fields, 'currency');
  return typeof read === 'string' && read !== currency ? read : null;
}

export interface Money {
  currency: string;
  minorDigits: number;
}

/** A price that may be taken, in minor units; a price in another currency is left out, nothing is converted. */
function priceOf(row: ReadRow, money: Money): number | null {
  const price = row.fields.find(({ field }) => field === 'price');
  if (!price || price.sure === 'guess' || otherCurrency(row, money.currency)) return null;
  return Math.round(Number(price.value) * 10 ** money.minorDigits);
}

/** How a reflector’s angle on a label becomes a spread. */
function spreadOf(category: Category, beamDeg: number): object {
  if (category === 'bulb')
    return beamDeg <= 170 ? { class: 'reflector', beamAngleDeg: beamDeg } : { class: 'forward' };
  // A flat face gives 120° to half of its peak: that is its cosine.
  return beamDeg < 110 ? { class: 'reflector', beamAngleDeg: beamDeg } : { class: 'lambert' };
}

/** How wet a thing may get, by its code; said without one, splashes and no more. */
function weatherOf({ value, text }: FoundField): 'dry' | 'IP44' | 'IP65' {
  if (value !== true) return 'dry';
  return Number(/\d{2}/.exec(text)?.[0] ?? 44) >= 65 ? 'IP65' : 'IP44';
}

/** What gives the light of a tube or a work light, in the words of its record. */
export const LAMPS: Partial<Record<Category, readonly string[]>> = {
  tube: UNIT_RECORDS.tube.shape.technology.options,
  'work-light': UNIT_RECORDS['work-light'].shape.lamp.options,
};

/** Fields that a record says in words of its own. */
function inOwnWords(category: Category, row: ReadRow): Record<string, unknown> {
  const { fields } = row;
  const own: Record<string, unknown> = {};
  const beam = valueOf(fields, 'beamAngleDeg');
  if (typeof beam === 'number' && hasPlace(category, 'beamAngleDeg'))
    own.spread = spreadOf(category, beam);
  const lamp = valueOf(fields, 'lamp');
  if (category === 'work-light' && lamp) own.lamp = lamp;
  if (category === 'tube' && lamp) {
    own.technology = lamp;
    own.needsBallast = lamp === 'fluorescent';
  }
  const coated = fields.find(({ field }) => field === 'coated');
  if (coated && category !== 'bulb' && category !== 'strip') own.weather = weatherOf(coated);
  return own;
}

/**
 * Puts what was read into an empty record of its category. What was not read stays as the empty record has
 * it, typical or unknown; guesses are left out.
 * @param money of the production
 */
export function recordOf(
  row: ReadRow,
  category: Category,
  empty: Unit,
  money: Money,
): Result<Unit> {
  const target: Record<string, unknown> = structuredClone(empty);
  const origins: Record<string, FigureOrigin> = {};
  const put = (field: string, value: unknown) => {
    target[field] = value;
    if (UNIT_RECORDS[category].roles[field] === 'figure') origins[field] = 'label';
  };
  target.name = cutText(row.name, 120) || 'Unnamed';
  const read = row.fields.filter(({ sure }) => sure !== 'guess');
  for (const { field, value } of read)
    if (field in UNIT_RECORDS[category].shape && field !== 'lamp') put(field, value);
  const price = priceOf(row, money);
  if (price !== null) target.priceMinor = price;
  const volts = valueOf(read, 'supplyV');
  if (category === 'strip' && volts !== undefined) put('voltageV', volts);
  Object.assign(target, inOwnWords(category, { ...row, fields: read }));
  target.origins = origins;
  return judged(unitSchema.safeParse(target), UNIT_RECORDS[category].fields, target);
}

/** Of what a thing is made tells these; no label prints them. */
const BY_STUFF = ['wallM', 'stiffnessGPa', 'massKgPerM', 'densityKgPerM3'];

/** A thing that gives no light: its name, price and sizes, all else as an empty record has it. */
export function partOf(row: ReadRow, empty: Part, money: Money): Result<Part> {
  const said = partSizes(row.text, empty.role);
  const { roles } = PART_RECORDS[empty.role];
  const read = Object.keys(said).filter(
    (field) => roles[field] === 'figure' && !BY_STUFF.includes(field),
  );
  const pack = row.fields.find(({ field, sure }) => field === 'packCount' && sure !== 'guess');
  const target = {
    ...structuredClone(empty),
    ...(pack && empty.packSize === 1 ? { packSize: Number(pack.value) } : {}),
    ...said,
    origins: Object.fromEntries(read.map((field) => [field, 'label'])),
    name: cutText(row.name, 120) || 'Unnamed',
    priceMinor: priceOf(row, money),
  };
  return judged(partSchema.safeParse(target), PART_RECORDS[empty.role].fields, target);
}

interface Checked<T> {
  success: boolean;
  data?: T;
  error?: { issues: readonly { path: readonly PropertyKey[] }[] };
}

/** What was wrong, in the words of the record's own fields, with what would be right. */
function judged<T>(read: Checked<T>, fields: readonly RecordField[], target: object): Result<T> {
  if (read.success) return accept(read.data!);
  const path = read.error!.issues[0]!.path.join('.');
  const field = fields.find((each) => each.field === path);
  const value = (target as Record<string, unknown>)[path];
  if (field?.kind !== 'quantity' || typeof value !== 'number')
    return refuse(
      'read',
      `${field?.label ?? path}: “${String(value)}” is nothing the shelf knows.`,
      path,
    );
  const text = (figure: number) =>
    field.dimension === 'count'
      ? String(figure)
      : showText(show(figure, field.dimension, 'metric'));
  return refuse(
    'read',
    `${field.label}: ${text(value)} is outside ${text(field.min)} to ${text(field.max)}${field.whole ? ', in whole numbers' : ''}.`,
    path,
  );
}
