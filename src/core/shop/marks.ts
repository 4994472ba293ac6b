/**
 * What is written on every piece, cord and length, so that nothing is mixed up at the bench: the number of the
 * piece in the list, a letter where there are several of it, the copy of the light before it where there are more.
 */
export const markOf = (number: number, item: number, count: number, copy: number, copies: number) =>
  `${copies > 1 ? `${copy}·` : ''}${number}${count > 1 ? letters(item) : ''}`;

/** a … z, aa, ab … */
function letters(item: number): string {
  const own = String.fromCharCode(97 + (item % 26));
  return item < 26 ? own : letters(Math.floor(item / 26) - 1) + own;
}
