/** The same without a plain space inside, which may as well part two numbers. */
export const TIGHT_NUMBER = String.raw`(?:\d{1,3}['’´]\d(?!\d)|\d{1,3}(?:[.,'’\u00a0\u202f]\d{3})+(?![\d])(?:[.,]\d{1,2})?|\d+(?:[.,]\d+)?)`;

/** A number as shops of several countries print it: 8.99, 8,99, 1.055, 1 055, 1’055, 1,055.50. */
export const NUMBER = String.raw`(?:\d{1,3}(?:[.,'’\u00a0\u202f ]\d{3})+(?![\d])(?:[.,]\d{1,2})?|\d+(?:[.,]\d+)?)`;

/**
 * Reads a printed number. @param whole where fractions are not to be expected (lumens, kelvin, hours): a
 * point or comma before exactly three digits parts thousands
 */
export function printedNumber(text: string, whole = false): number {
  // 6'5 and 9'90, as Spain writes decimals; three figures behind a mark are thousands.
  const bare = text
    .replace(/^(\d{1,4})['’´](?=\d{1,2}$)/, '$1.')
    .replace(/[\s\u00a0\u202f'’]/g, '');
  const [point, comma] = [bare.lastIndexOf('.'), bare.lastIndexOf(',')];
  if (point >= 0 && comma >= 0) {
    const [thousand, decimal] = point > comma ? [',', '.'] : ['.', ','];
    return Number(bare.replaceAll(thousand, '').replace(decimal, '.'));
  }
  const mark = Math.max(point, comma);
  if (mark < 0) return Number(bare);
  const sign = bare[mark]!;
  const parts = bare.split(sign);
  const thousands = parts.length > 2 || (whole && parts.at(-1)!.length === 3);
  return Number(thousands ? bare.replaceAll(sign, '') : bare.replace(sign, '.'));
}

/** A plain space inside a number may as well part two numbers. */
export const hasPlainSpace = (text: string): boolean => /\d \d/.test(text);
