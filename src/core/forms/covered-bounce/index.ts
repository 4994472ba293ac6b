import type { FormDefinition } from '../form';
import { across, along, ONE_LAYER } from '../search';
import { assembleBounce } from './assemble';
import { parameters, type Bounce } from './parameters';
import { LEAST_EDGE_M, problems } from './layout';
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
  search: [
    across(['widthM', 'heightM'], [0.8, 0.6], [1.2, 0.8], [1.5, 1], [2, 1.2]),
    along('linkRun', 1, 2),
    along('facing', 'in', 'round'),
    { shelf: 'boardPartId' },
    ...ONE_LAYER,
  ],
  problems,
  limits: (bounce) => ({
    heightM: { min: 2 * (bounce.offsetM + LEAST_EDGE_M) },
    offsetM: { max: bounce.heightM / 2 - LEAST_EDGE_M },
  }),
  resolve,
  draw,
  assemble: assembleBounce,
};
