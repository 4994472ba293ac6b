import type { FormDefinition } from '../form';
import { along } from '../search';
import { assembleWorkLight } from './assemble';
import { migrations, parameters, type WorkLight } from './parameters';
import { resolve } from './resolve';
import { draw } from './draw';

export const workLight: FormDefinition<WorkLight> = {
  id: 'work-light',
  name: 'Work light with doors',
  summary: 'A construction lamp with four hinged leaves, or bounced off a wall.',
  gallery: {
    goodFor: ['edge', 'wash', 'overhead'],
    skill: 2,
    reach: 'Plenty of light for little money, shaped by doors or softened by a wall.',
  },
  parameters: parameters.schema,
  fields: parameters.fields,
  defaults: parameters.defaults,
  migrations,
  search: [
    {
      sets: [
        { aim: 'direct' },
        { aim: 'bounce', bounceWidthM: 1, bounceHeightM: 1, bounceDistanceM: 1 },
        { aim: 'bounce', bounceWidthM: 1.5, bounceHeightM: 1.5, bounceDistanceM: 1 },
        { aim: 'bounce', bounceWidthM: 2, bounceHeightM: 2, bounceDistanceM: 1.5 },
      ],
    },
    along('level', 1, 0.5),
  ],
  problems: () => [],
  limits: () => ({}),
  resolve,
  draw,
  assemble: assembleWorkLight,
};
