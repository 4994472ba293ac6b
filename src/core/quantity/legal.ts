import type { Dimension, UnitSystem } from './dimension';
import { editText, showText } from './format';
import { parseQuantity } from './parse';

/** Text for editing; counts and f-numbers are bare numbers. */
export function fieldText(value: number, dimension: Dimension, system: UnitSystem): string {
  if (dimension === 'count' || dimension === 'fNumber')
    return String(Number(value.toFixed(Math.abs(value) < 0.1 ? 4 : 2)));
  if (dimension === 'ratio') return `${Number((value * 100).toFixed(1))}%`;
  if (dimension === 'stops')
    return showText({ figure: String(Number(value.toFixed(2))), unit: 'stops' });
  return editText(value, dimension, system);
}

interface Limits {
  min: number;
  max: number;
}

/** Within a hair: 94 · 0.01 is 0.94. */
export const inLimits = (value: number, { min, max }: Limits): boolean => {
  const slack = 1e-9 * Math.max(1, Math.abs(value));
  return value >= min - slack && value <= max + slack;
};

/** Steps inwards from a limit that are tried before it is written as it is. */
const MOST_STEPS = 40;

/**
 * A limit as a hint may name it: whatever rounding to the text of a field does to it, what is written can be typed and
 * is taken.
 */
function legalText(
  limit: number,
  inward: 1 | -1,
  limits: Limits,
  dimension: Dimension,
  system: UnitSystem,
): string {
  const least = Math.max(Math.abs(limit), 1e-4) * 0.002;
  const step = dimension === 'length' && system === 'imperial' ? 0.0254 / 16 : least;
  for (let k = 0; k < MOST_STEPS; k++) {
    const text = fieldText(limit + inward * k * step, dimension, system);
    const read = parseQuantity(text.replace('−', '-'), dimension, '');
    if (read.ok && inLimits(read.value, limits)) return text;
  }
  return fieldText(limit, dimension, system);
}

/** “10 cm to 5 m”: what a field takes, in words that it really takes. */
export const legalRange = (limits: Limits, dimension: Dimension, system: UnitSystem): string =>
  `${legalText(limits.min, 1, limits, dimension, system)} to ${legalText(limits.max, -1, limits, dimension, system)}`;
