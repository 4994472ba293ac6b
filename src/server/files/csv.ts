import Papa from 'papaparse';
import type { WorkedOut } from '@/core/evaluate/evaluate';
import { minorDigits } from '@/core/quantity';
import type { CutPlan } from '@/core/shop/cutPlan';
import { sawList } from '@/core/shop/sawList';

/** RFC 4180 with a byte-order mark, so that spreadsheets read its letters right. */
function table(columns: readonly string[], rows: readonly unknown[][]): string {
  const text = Papa.unparse([[...columns], ...rows], { newline: '\r\n', escapeFormulae: true });
  return `\ufeff${text}\r\n`;
}

const mm = (metres: number): number => Number((metres * 1000).toFixed(1));

const CUT_COLUMNS = ['material', 'from', 'piece', 'count', 'length_mm', 'width_mm', 'note'];

/** The list at the saw; millimetres. Its first line names the columns, even when nothing is cut. */
export const cutListCsv = (cuts: CutPlan): string =>
  table(
    CUT_COLUMNS,
    sawList(cuts).map((row) => [
      row.material,
      row.from,
      row.piece,
      row.count,
      mm(row.lengthM),
      row.widthM === null ? '' : mm(row.widthM),
      row.note,
    ]),
  );

const SHOPPING_COLUMNS = [
  'what',
  'why',
  'needed',
  'measure',
  'on_hand',
  'pack',
  'packs_to_buy',
  'left_over',
  'spent_now',
  'full',
  'currency',
];

/** The shopping list; money in the currency's own unit. */
export function shoppingCsv({ purchase }: Pick<WorkedOut, 'purchase'>, currency: string): string {
  const digits = minorDigits(currency);
  const money = (minor: number) => (minor / 10 ** digits).toFixed(digits);
  return table(
    SHOPPING_COLUMNS,
    purchase.lines.map((line) => [
      line.name,
      line.why,
      Number(line.needed.toFixed(3)),
      line.measure,
      line.onHand,
      line.packSize,
      line.packsNow,
      Number(line.leftOver.toFixed(3)),
      line.priced ? money(line.spentNowMinor) : '',
      line.priced ? money(line.fullMinor) : '',
      currency,
    ]),
  );
}
