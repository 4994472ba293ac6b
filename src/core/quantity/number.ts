import { accept, refuse, type Result } from '../result';

const VULGAR: Record<string, string> = { '½': '1/2', '¼': '1/4', '¾': '3/4', '⅛': '1/8' };

/**
 * Reads a number as people in several countries write it: `1.2`, `1,2`, `1 200`, `1.234,5`,
 * `1/2`, `6 1/2`, `½`. A lone comma before exactly three digits (`1,200`) could mean two things
 * and is refused rather than guessed, unless the whole part is 0.
 */
export function parseNumber(text: string): Result<number> {
  const spelled = text.trim().replace(/[½¼¾⅛]/g, (glyph) => ` ${VULGAR[glyph]}`);
  const mixed = /^([+-]?\d+\s+)?(\d+)\s*[/⁄]\s*(\d+)$/.exec(spelled.trim());
  if (mixed) return parseFraction(mixed[1] ?? '0', mixed[2]!, mixed[3]!);
  return parseDecimal(spelled.trim());
}

function parseFraction(whole: string, over: string, under: string): Result<number> {
  if (Number(under) === 0) return refuse('not_a_number', 'A fraction cannot be over zero.');
  return accept(Number(whole) + Number(over) / Number(under));
}

function parseDecimal(text: string): Result<number> {
  // Spaces (also narrow and non-breaking ones) and apostrophes group thousands.
  let digits = text.replace(/(?<=\d)[\s\u00a0\u202f'](?=\d{3}(\D|$))/g, '');
  const lastComma = digits.lastIndexOf(',');
  const lastPoint = digits.lastIndexOf('.');
  if (lastComma >= 0 && lastPoint >= 0) {
    const grouping = lastComma > lastPoint ? '.' : ',';
    digits = digits.split(grouping).join('').replace(',', '.');
  } else if (lastComma >= 0) {
    if (/^[+-]?[1-9]\d{0,2},\d{3}$/.test(digits))
      return refuse(
        'ambiguous',
        `“${text}” can be read two ways: write ${digits.replace(',', '')} or ${digits.replace(',', '.')}0.`,
      );
    digits = digits.replace(',', '.');
  }
  if (!/^[+-]?(\d+\.?\d*|\.\d+)$/.test(digits))
    return refuse('not_a_number', `“${text}” is not a number: write digits, such as 1.2 or 1/2.`);
  return accept(Number(digits));
}
