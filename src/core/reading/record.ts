import { type Category, UNIT_RECORDS, type Unit, unitSchema } from '../units/unit';
import type { FigureOrigin } from '../origin';
import { accept, refuse, type Result } from '../result';
import { cutText } from '../schema';
import { READ_FIELDS, type FoundField, type ReadField } from './readLine';
import type { ReadRow } from './readTable';

const valueOf = (fields: readonly FoundField[], field: ReadField) =>
  fields.find((each) => each.field === field)?.value;

/** What the line is, when it says so. */
export const categoryOf = ({ fields }: ReadRow): Category | null =>
  (valueOf(fields, 'category') as Category | undefined) ?? null;

/** Millimetres on a bulb's box may be its globe's width as well as its length: nobody can tell. */
const DOUBTFUL: Partial<Record<Category, readonly ReadField[]>> = { bulb: ['lengthM'] };

/** Has a record of this category a field of the name, that a label can fill? */
const hasPlace = (category: Category, field: ReadField): boolean =>
  field in UNIT_RECORDS[category].shape && !DOUBTFUL[category]?.includes(field);

/** What a label of this kind should say and this one does not, in words. */
export function missingOf(row: ReadRow, category: Category): string[] {
  const wanted: ReadField[] =
    category === 'strip'
      ? ['wattsPerM', 'lumensPerM', 'cctK', 'criRa', 'supplyV', 'reelLengthM', 'price']
      : ['wattsW', 'luminousFluxLm', 'cctK', 'criRa', 'price'];
  return wanted
    .filter((field) => valueOf(row.fields, field) === undefined)
    .map((field) => READ_FIELDS[field]);
}

/** The currency a price was read in, when it is not the production's; null otherwise. */
export function otherCurrency({ fields }: ReadRow, currency: string): string | null {
  const read = valueOf(fields, 'currency');
  return typeof read === 'string' && read !== currency ? read : null;
}

/**
 * Puts what was read into an empty record of its category. What was not read stays as the empty record has
 * it; guesses are left out.
 * @param money of the production; a price in another currency is left out, nothing is converted
 */
export function recordOf(
  row: ReadRow,
  category: Category,
  empty: Unit,
  money: { currency: string; minorDigits: number },
): Result<Unit> {
  const target: Record<string, unknown> = structuredClone(empty);
  const origins: Record<string, FigureOrigin> = {};
  const put = (field: string, value: unknown) => {
    target[field] = value;
    if (UNIT_RECORDS[category].roles[field] === 'figure') origins[field] = 'label';
  };
  target.name = cutText(row.name, 120) || 'Unnamed';
  for (const { field, value, sure } of row.fields)
    if (sure !== 'guess' && hasPlace(category, field)) put(field, value);
  const price = row.fields.find(({ field }) => field === 'price');
  if (price && price.sure !== 'guess' && !otherCurrency(row, money.currency))
    put('priceMinor', Math.round(Number(price.value) * 10 ** money.minorDigits));
  const volts = valueOf(row.fields, 'supplyV');
  if (category === 'strip' && volts !== undefined) put('voltageV', volts);
  const beam = valueOf(row.fields, 'beamAngleDeg');
  if (category === 'bulb' && typeof beam === 'number')
    target.spread = beam <= 170 ? { class: 'reflector', beamAngleDeg: beam } : { class: 'forward' };
  target.origins = origins;
  const read = unitSchema.safeParse(target);
  if (read.success) return accept(read.data);
  const path = read.error.issues[0]!.path.join('.');
  return refuse('read', `“${cutText(row.name, 60)}”: ${path} does not fit.`, path);
}
