import type { Bulb } from '../units/bulb';
import { bulbSchema } from '../units/bulb';
import { ORIGIN_OF, unitSchema, type Unit } from '../units/unit';
import { accept, refuse, type Result } from '../result';
import { cutText } from '../schema';
import { READ_FIELDS, type FoundField, type ReadField } from './readLine';
import type { ReadRow } from './readTable';

/** Where a read line ends up. */
type ReadRecord = { list: 'bulbs'; record: Bulb } | { list: 'units'; record: Unit };

const valueOf = (fields: readonly FoundField[], field: ReadField) =>
  fields.find((each) => each.field === field)?.value;

export type ReadCategory = 'bulb' | Unit['category'];

/** What the line is, when it says so. */
export const categoryOf = ({ fields }: ReadRow): ReadCategory | null =>
  (valueOf(fields, 'category') as ReadCategory | undefined) ?? null;

/** Fields that have a place in a record of a category. */
const ANY: readonly ReadField[] = ['cctK', 'criRa', 'dimmable', 'packCount', 'price'];
const MAINS: readonly ReadField[] = [...ANY, 'wattsW', 'luminousFluxLm', 'supplyV'];
const PLACES: Record<ReadCategory, readonly ReadField[]> = {
  bulb: [...MAINS, 'kind', 'equivalentW', 'base', 'ratedLifeH', 'globeDiameterM'],
  strip: [
    ...ANY,
    'wattsPerM',
    'lumensPerM',
    'ledsPerM',
    'reelLengthM',
    'tapeWidthM',
    'coated',
    'colour',
  ],
  tube: [...MAINS, 'lengthM'],
  'work-light': MAINS,
  panel: MAINS,
};

/** What a label of this kind should say and this one does not, in words. */
export function missingOf(row: ReadRow, category: ReadCategory): string[] {
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
  category: ReadCategory,
  empty: Bulb | Unit,
  money: { currency: string; minorDigits: number },
): Result<ReadRecord> {
  const target: Record<string, unknown> = structuredClone(empty);
  const origins: Record<string, string> = {};
  target.name = cutText(row.name, 120) || 'Unnamed';
  for (const found of row.fields) {
    if (found.sure === 'guess' || !PLACES[category].includes(found.field)) continue;
    if (found.field === 'price') {
      if (!otherCurrency(row, money.currency))
        target.priceMinor = Math.round(Number(found.value) * 10 ** money.minorDigits);
    } else target[found.field] = found.value;
    const origin = ORIGIN_OF[found.field];
    if (origin) origins[origin] = 'label';
  }
  const volts = valueOf(row.fields, 'supplyV');
  if (category === 'strip' && volts !== undefined) target.voltageV = volts;
  const beam = valueOf(row.fields, 'beamAngleDeg');
  if (category === 'bulb' && typeof beam === 'number')
    target.spread = beam <= 170 ? { class: 'reflector', beamAngleDeg: beam } : { class: 'forward' };
  target.origins = origins;
  const read = category === 'bulb' ? bulbSchema.safeParse(target) : unitSchema.safeParse(target);
  if (!read.success) {
    const [issue] = read.error.issues;
    return refuse(
      'read',
      `“${cutText(row.name, 60)}”: ${issue!.path.join('.')} does not fit.`,
      issue!.path.join('.'),
    );
  }
  return accept(
    category === 'bulb'
      ? { list: 'bulbs', record: read.data as Bulb }
      : { list: 'units', record: read.data as Unit },
  );
}
