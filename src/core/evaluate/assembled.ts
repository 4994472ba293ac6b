import { assembleAll } from '../accessories/attach';
import type { Body } from '../assembly/body';
import { inkedView } from '../assembly/inked';
import { standingAt, type Standing } from '../assembly/standing';
import { FROM_BEHIND, FROM_THE_RIGHT, type Eye } from '../assembly/eye';
import { takenApart } from '../assembly/apart';
import type { Step } from '../build/step';
import type { View } from '../drawing/drawing';
import type { FormContext } from '../forms/form';
import type { Resolution } from './context';

/** A light as it is put together, with the place of each thing's step in the order of making. */
export interface Assembled {
  bodies: Body[];
  steps: readonly Step[];
  /** index of the step that puts each body in; of the first that works on its piece where it lies there from then on */
  putIn: number[];
}

/** What nobody has chosen yet has no step: it is still to come. What lies there has none that names it: it is there. */
function putInAt({ step, piece }: Body, steps: readonly Step[]): number {
  if (step !== null) {
    const own = steps.findIndex(({ id }) => id === step);
    return own < 0 ? steps.length : own;
  }
  return Math.max(
    0,
    steps.findIndex(({ pieces }) => piece !== null && pieces.includes(piece)),
  );
}

/** Every piece and bought thing of a build in its place. */
export function assembledOf(
  { form, parameters, carried, resolved: { steps } }: Resolution,
  context: FormContext,
): Assembled {
  const bodies = assembleAll(form.assemble(parameters, context), carried, context);
  return { bodies, steps, putIn: bodies.map((body) => putInAt(body, steps)) };
}

/** Put together, from the front. */
export const cornerView = (bodies: readonly Body[]): View =>
  inkedView(bodies, FROM_THE_RIGHT, { id: 'assembled', title: 'Put together, from the front' });

/** Pictures that go into the pack: put together, from behind, and taken apart. */
export function assemblyViews({ bodies }: Assembled): View[] {
  return [
    cornerView(bodies),
    inkedView(takenApart(bodies, 1), FROM_THE_RIGHT, { id: 'apart', title: 'Taken apart' }),
    inkedView(bodies, FROM_BEHIND, { id: 'assembled-behind', title: 'Put together, from behind' }),
  ];
}

/** How it stands at a step, from where what is done then is seen best. */
export function stepView(found: Assembled, stepId: string): View {
  const at = found.steps.findIndex(({ id }) => id === stepId);
  const pieces = found.steps[at]?.pieces ?? [];
  const stands = new Map(
    found.bodies.map(({ id, piece }, k) => [
      id,
      standingAt({ putIn: found.putIn[k]!, piece }, at, pieces),
    ]),
  );
  const standing = ({ id }: Body): Standing => stands.get(id)!;
  const now = found.bodies.filter((body) => standing(body) === 'now');
  const eye: Eye =
    now.length && now.every(({ away }) => away[2] < 0) ? FROM_BEHIND : FROM_THE_RIGHT;
  const shown = found.bodies.filter((body) => !body.outside || standing(body) !== 'to come');
  return inkedView(shown, eye, { id: 'assembled', title: 'As it stands now' }, standing);
}
