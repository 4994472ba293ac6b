import type { FormDefinition } from '../form';
import { parameters, type Bounce } from './parameters';
import { problems } from './layout';
import { resolve } from './resolve';
import { draw } from './draw';

export const coveredBounce: FormDefinition<Bounce> = {
  id: 'covered-bounce',
  name: 'Covered bounce',
  summary: 'Two tubes shine into a white board, with cloth over the whole.',
  gallery: {
    goodFor: ['face', 'overhead', 'wash'],
    skill: 2,
    reach: 'The softest face light that still folds into a car.',
  },
  parameters: parameters.schema,
  fields: parameters.fields,
  defaults: parameters.defaults,
  problems,
  limits: (bounce) => ({
    heightM: { min: Math.max(0.2, 2 * bounce.offsetM + 0.03), max: 3 },
    offsetM: { min: 0.01, max: Math.min(0.5, bounce.heightM / 2 - 0.02) },
  }),
  resolve,
  draw,
};
