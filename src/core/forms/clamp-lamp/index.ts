import type { FormDefinition } from '../form';
import { along, ONE_LAYER } from '../search';
import { assembleLamp } from './assemble';
import { problems } from './layout';
import { parameters, type ClampLamp } from './parameters';
import { resolve } from './resolve';
import { draw } from './draw';

export const clampLamp: FormDefinition<ClampLamp> = {
  id: 'clamp-lamp',
  name: 'Clamp lamp',
  summary: 'A reflector clamp lamp with paper, film or cloth over it.',
  gallery: {
    goodFor: ['edge', 'insert', 'dressing'],
    skill: 1,
    reach: 'A small softish source in ten minutes.',
  },
  parameters: parameters.schema,
  fields: parameters.fields,
  defaults: parameters.defaults,
  search: [...ONE_LAYER, along('standoffM', 0, 0.1)],
  problems,
  limits: () => ({}),
  resolve,
  draw,
  assemble: assembleLamp,
};
