import type { FormContext, FormDefinition } from './form';
import type { ResolvedBuild } from '../build/resolvedBuild';

/** How the count of a build is found; `gap` and the like are a form's own affair. */
const SOLVED = new Set(['fit', 'target', 'onHand']);
/** Tries after the first guess; light follows the count almost in proportion. */
const MOST_TRIES = 6;

/**
 * Puts the number behind “as many as fit”, “enough for the shot” and “use up what is on hand” into
 * the parameters, so that forms only ever see a number.
 * @param margin light reached over light wanted, of a resolved build
 * @param stock  the same context, where it also tells what is on hand
 */
export function filledParameters(
  form: FormDefinition,
  parameters: unknown,
  context: FormContext,
  margin: (resolved: ResolvedBuild) => number,
  stock = context,
): unknown {
  const given = parameters as Record<string, unknown>;
  if (!form.fill || !SOLVED.has(String(given.fillMode))) return parameters;
  const { parameter } = form.fill;
  const step = form.fill.step(parameters, context);
  const most = whole(form.fill.most(parameters, context), step);
  const withCount = (count: number) => ({ ...given, [parameter]: count });
  const bounded = (count: number) => Math.max(Math.min(step, most), Math.min(most, count));
  switch (given.fillMode) {
    case 'fit':
      return withCount(bounded(most));
    case 'onHand':
      return withCount(bounded(whole(form.fill.onHand(parameters, stock), step)));
    default: {
      const reached = (count: number) => margin(form.resolve(withCount(count), context));
      return withCount(bounded(least(reached, step, most)));
    }
  }
}

/** The same parameters with the number they hold, where it would be found by the light. */
export const countedNotSolved = <P extends Record<string, unknown>>(parameters: P): P =>
  parameters.fillMode === 'target' ? { ...parameters, fillMode: 'count' } : parameters;

const whole = (value: number, step: number): number =>
  Number((Math.floor(value / step + 1e-9) * step).toFixed(9));
const up = (value: number, step: number): number =>
  Number((Math.ceil(value / step - 1e-9) * step).toFixed(9));

/** The least count that reaches the target; all of them when even that is short. */
function least(reached: (count: number) => number, step: number, most: number): number {
  const atMost = reached(most);
  if (!(atMost >= 1)) return most;
  let enough = most;
  let short = 0;
  let guess = Math.max(step, up(most / atMost, step));
  for (let tries = 0; tries < MOST_TRIES && enough - short > step + 1e-9; tries++) {
    const at = Math.min(Math.max(guess, short + step), enough - step);
    const share = reached(at);
    if (share >= 1) enough = at;
    else short = at;
    guess = share > 0 ? up(at / share, step) : up((enough + short) / 2, step);
    // A guess that does not move would only be tried again.
    if (guess >= enough || guess <= short) guess = up((enough + short) / 2, step);
  }
  return enough;
}
