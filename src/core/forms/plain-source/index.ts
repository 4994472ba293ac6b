import type { FormDefinition } from '../form';
import { assembleSource } from './assemble';
import { migrations, parameters, type Plain } from './parameters';
import { resolve } from './resolve';
import { draw } from './draw';

export const plainSource: FormDefinition<Plain> = {
  id: 'plain-source',
  name: 'Plain source',
  summary: 'A bare lamp, window or panel placed as it is.',
  gallery: {
    goodFor: ['dressing', 'edge', 'face'],
    skill: 1,
    reach: 'What is there already, to be matched or compared.',
  },
  parameters: parameters.schema,
  fields: parameters.fields,
  defaults: parameters.defaults,
  migrations,
  problems: () => [],
  limits: () => ({}),
  resolve,
  draw,
  assemble: assembleSource,
};
