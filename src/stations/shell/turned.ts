import type { Readout } from '@/core/evaluate/readout';
import type { Sensitivity } from '@/core/evaluate/sensitivity';

/**
 * Where a knob would take the figure on screen. Knobs are tried on the instant estimate; what they change is
 * carried over to the simulated figure, as a ratio, or as a difference where stops are counted.
 */
export function turned(
  { value, dimension }: Pick<Readout<string>, 'value' | 'dimension'>,
  { before, after }: Pick<Sensitivity, 'before' | 'after'>,
): number {
  const now = value ?? before;
  return dimension === 'stops' || before === 0 ? now + after - before : (now * after) / before;
}
