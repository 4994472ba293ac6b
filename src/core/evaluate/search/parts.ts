import type { BuildParameters } from '../../document/production';
import { readParameters } from '../../forms';
import { choosing } from '../../forms/brings';
import type { FormDefinition } from '../../forms/form';
import { planPower } from '../../power/plan';
import { quickFindings } from '../quickFindings';
import { bareWith, partsFor, type LampPlace } from './shells';
import type { Question } from './question';

/** Whole resolutions it may cost to find parts for one lamp. */
const MOST_TRIES = 30;

/** Stops of the quick engines while parts are chosen; what cannot be made has them all. */
function stopsIn(form: FormDefinition, parameters: BuildParameters, question: Question): number {
  const { context, circuit, othersA, document } = question;
  const read = readParameters(form, parameters);
  if (!read.ok || form.problems(read.value, context).length > 0) return Infinity;
  const resolved = form.resolve(read.value, context);
  const plan = planPower(resolved, circuit, othersA, context.part);
  const found = quickFindings(resolved, plan, document.shelf.parts);
  return found.filter(({ severity }) => severity === 'stop').length;
}

/** Places of a form that a part must be chosen for; layers are a choice of the search. */
const needed = (form: FormDefinition) =>
  form.fields.flatMap((field) =>
    field.kind === 'part' && (!field.optional || field.begins) ? [field] : [],
  );

/**
 * Parts that go with a lamp: for every place that needs one what is owned, or cheapest; where that is refused, the first
 * that is refused less.
 * @returns null where the shelf has nothing for a place
 */
export function partsWith(
  form: FormDefinition,
  lamp: LampPlace,
  question: Question,
): BuildParameters | null {
  const { shelf } = question.document;
  const places = needed(form).map((field) => ({ field, options: partsFor(field, question) }));
  if (places.some(({ field, options }) => !field.optional && options.length === 0)) return null;
  const chosen = places.flatMap(({ field, options: [first] }) =>
    first ? [choosing(field, first.id, shelf)] : [],
  );
  let best = Object.assign(bareWith(form, lamp, question.document), ...chosen) as BuildParameters;
  let least = stopsIn(form, best, question);
  let tries = MOST_TRIES;
  for (const { field, options } of places)
    for (const { id } of options.slice(1)) {
      if (least === 0 || tries-- === 0) return best;
      const tried = { ...best, ...choosing(field, id, shelf) } as BuildParameters;
      const its = stopsIn(form, tried, question);
      if (its < least) [best, least] = [tried, its];
    }
  return best;
}
