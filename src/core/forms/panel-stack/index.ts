import type { FormDefinition } from '../form';
import { along, ONE_LAYER } from '../search';
import { assembleStack } from './assemble';
import { parameters, type Stack } from './parameters';
import { panelOf, layout, problems } from './layout';
import { resolve } from './resolve';
import { draw } from './draw';

export const panelStack: FormDefinition<Stack> = {
  id: 'panel-stack',
  name: 'Panel stack',
  summary: 'Two to four shop panels on a bracket inside a folding softbox.',
  gallery: { goodFor: ['face', 'overhead'], skill: 1, reach: 'Makes panels you own big and soft.' },
  parameters: parameters.schema,
  fields: parameters.fields,
  defaults: parameters.defaults,
  fill: {
    parameter: 'panelCount',
    step: () => 1,
    most: () => 4,
    onHand: (stack, context) => panelOf(stack, context)?.onHand ?? 0,
  },
  search: [{ shelf: 'softboxPartId' }, along('gapM', 0.01, 0.1), ...ONE_LAYER],
  problems,
  limits: (stack, context) => {
    const { stackW, stackH } = layout(stack, context);
    return { boxM: { min: Math.hypot(stackW, stackH) } };
  },
  resolve,
  draw,
  assemble: assembleStack,
};
