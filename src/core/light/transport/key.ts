import { eightDigits, fnv, FNV_BASIS, FNV_PRIME } from '../../fnv';
import { spreadKey } from '../../units/spread';
import type { Arrangement } from './arrangement';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the product itself.
const { imul } = Math;

/**
 * A key of an arrangement's content: equal rooms with equal lamps have equal keys, however bright the
 * lamps are together, since a run only knows shares. Numbers count to about seven figures.
 */
export function arrangementKey({ surfaces, emitters }: Arrangement): string {
  const total = emitters.reduce((sum, { luminousFluxLm }) => sum + luminousFluxLm, 0) || 1;
  const numbers = new Float32Array(emitters.length * 7);
  const classes: string[] = [];
  emitters.forEach(({ positionM, axis, luminousFluxLm, spread }, k) => {
    numbers.set(positionM, k * 7);
    numbers.set(axis, k * 7 + 3);
    numbers[k * 7 + 6] = luminousFluxLm / total;
    const name = spreadKey(spread);
    if (name !== classes.at(-1)) classes.push(String(k), name);
  });
  const words = new Int32Array(numbers.buffer);
  const text = JSON.stringify([surfaces, classes]);
  return [FNV_BASIS, 0x2545f491].map((basis) => hash(text, words, basis)).join('');
}

/** FNV-1a over text and 32-bit words, as eight hexadecimal digits. */
function hash(text: string, words: Int32Array, basis: number): string {
  let h = fnv(text, basis);
  for (let k = 0; k < words.length; k++) {
    // A word at a time mixes its high bits too little: they are folded down first.
    const word = words[k]! ^ (words[k]! >>> 15);
    h = imul(h ^ word, FNV_PRIME);
  }
  return eightDigits(h);
}
