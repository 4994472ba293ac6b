// Bound by name: where globals are guarded a look-up of `Math` costs more than the product itself.
const { imul } = Math;

/** Where FNV-1a begins, and what it multiplies by [std: Fowler, Noll, Vo]. */
export const FNV_BASIS = 0x811c9dc5;
export const FNV_PRIME = 0x01000193;

/** FNV-1a over UTF-16 units [std: Fowler, Noll, Vo]; a 32-bit number, sign and all. */
export function fnv(text: string, basis = FNV_BASIS): number {
  let h = basis;
  for (let k = 0; k < text.length; k++) h = imul(h ^ text.charCodeAt(k), FNV_PRIME);
  return h;
}

/** Eight hexadecimal digits of a 32-bit number. */
export const eightDigits = (h: number): string => (h >>> 0).toString(16).padStart(8, '0');
