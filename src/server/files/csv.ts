import Papa from 'papaparse';
import type { Readouts } from '@/core/evaluate/evaluate';
import { minorDigits } from '@/core/quantity';
import type { CutPlan } from '@/core/shop/cutPlan';
import { sawList } from '@/core/shop/sawList';

/** RFC 4180 with a byte-order mark, so that spreadsheets read its letters right. */
const table = (rows: object[]): string =>
  `\ufeff${Papa.unparse(rows, { newline: '\r\n', escapeFormulae: true })}\r\n`;

const mm = (metres: number): number => Number((metres * 1000).toFixed(1));

/** The list at the saw; millimetres. */
export const cutListCsv = (cuts: CutPlan): string =>
  table(
    sawList(cuts).map((row) => ({
      material: row.material,
      from: row.from,
      piece: row.piece,
      count: row.count,
      length_mm: mm(row.lengthM),
      width_mm: row.widthM === null ? '' : mm(row.widthM),
      note: row.note,
    })),
  );

/** The shopping list; money in the currency's own unit. */
export function shoppingCsv({ purchase }: Readouts, currency: string): string {
  const whole = 10 ** minorDigits(currency);
  const digits = minorDigits(currency);
  const money = (minor: number) => (minor / whole).toFixed(digits);
  return table(
    purchase.lines.map((line) => ({
      what: line.name,
      why: line.why,
      needed: Number(line.needed.toFixed(3)),
      measure: line.measure,
      on_hand: line.onHand,
      pack: line.packSize,
      packs_to_buy: line.packsNow,
      left_over: Number(line.leftOver.toFixed(3)),
      spent_now: line.priced ? money(line.spentNowMinor) : '',
      full: line.priced ? money(line.fullMinor) : '',
      currency,
    })),
  );
}
