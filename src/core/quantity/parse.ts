import { accept, refuse, type Result } from '../result';
import { findUnit, spellingsOf, type Dimension, type UnitSpelling } from './dimension';
import { parseNumber } from './number';

/** A number (with fraction or mixed fraction) followed by an optional unit. */
const TERM =
  /([+-]?(?:\d+\s+\d+\s*[/⁄]\s*\d+|\d+\s*[/⁄]\s*\d+|\d+\s*[½¼¾⅛]|[½¼¾⅛]|[\d.,]+(?:[\s\u00a0\u202f']\d{3}(?!\d))*[\d.,]*))\s*([^\d\s½¼¾⅛+.,-][^\d½¼¾⅛]*)?\s*/gy;

/**
 * Reads a quantity typed by a person into SI (radians for angles, parts of one for ratios).
 * Lengths may be compound: `12 ft 6` means inches after feet, `1 m 20 cm`, `5' 6 1/2"`.
 *
 * @param assumedUnit unit of a bare number, a symbol of the dimension
 * @returns the SI value, or a problem that names the text and the legal units
 */
export function parseQuantity(
  text: string,
  dimension: Dimension,
  assumedUnit: string,
): Result<number> {
  const typed = text.trim();
  if (typed === '') return refuse('empty', `Type a value, such as ${example(dimension)}.`);
  const bare = dimension === 'fNumber' ? typed.replace(/^f\s*\/?\s*/i, '') : typed;
  const terms = splitTerms(bare, dimension, assumedUnit);
  if (!terms.ok) return terms;
  if (terms.value.length > 1 && dimension !== 'length')
    return refuse('not_a_quantity', `“${typed}” holds more than one number: keep one.`);
  const total = terms.value.reduce((sum, term) => sum + term, 0);
  // 94 · 0.01 is 0.94, not 0.9400000000000001.
  return accept(Number(total.toPrecision(12)));
}

/** The unit of the first figure in a text a field shows; null where it shows none. */
export function unitShown(text: string, dimension: Dimension): string | null {
  TERM.lastIndex = 0;
  const spelled = TERM.exec(text.trim())?.[2]?.trim();
  return (spelled && findUnit(dimension, spelled)?.symbol) || null;
}

function splitTerms(text: string, dimension: Dimension, assumedUnit: string): Result<number[]> {
  const values: number[] = [];
  let previous: UnitSpelling | undefined;
  TERM.lastIndex = 0;
  while (TERM.lastIndex < text.length) {
    const match = TERM.exec(text);
    if (!match)
      return refuse('not_a_quantity', `“${text}” is not read: write ${example(dimension)}.`);
    const number = parseNumber(match[1]!);
    if (!number.ok) return number;
    // After feet a bare number means inches; otherwise the field's own unit.
    const fallback = previous?.symbol === 'ft' ? 'in' : assumedUnit;
    if (previous && !match[2] && previous.symbol !== 'ft')
      return refuse('not_a_quantity', `“${text}”: give the last number a unit.`);
    const unit = findUnit(dimension, match[2]?.trim() || fallback);
    if (!unit) return refuse('unknown_unit', unknownUnit(match[2] ?? '', dimension));
    values.push(number.value * unit.factor + (unit.offset ?? 0));
    previous = unit;
  }
  return accept(values);
}

function unknownUnit(spelled: string, dimension: Dimension): string {
  const legal = spellingsOf(dimension).map((unit) => unit.symbol || 'a plain number');
  return `“${spelled.trim()}” is not a unit known here: use ${legal.join(', ')}.`;
}

const EXAMPLES: Partial<Record<Dimension, string>> = {
  length: '40 cm, 16 in or 12 ft 6',
  time: '1/50 s',
  fNumber: '2.8',
  count: '16',
  temperature: '60 °C',
};

function example(dimension: Dimension): string {
  return EXAMPLES[dimension] ?? `12 ${spellingsOf(dimension)[0]!.symbol}`;
}
