import type { FormDefinition } from '../form';
import { drawRing } from './draw';
import { ringLimits, ringProblems } from './limits';
import { bulbRingDefaults, bulbRingFields, bulbRingSchema, type BulbRing } from './parameters';
import { resolveRing } from './resolve';

export const bulbRing: FormDefinition<BulbRing> = {
  id: 'bulb-ring',
  name: 'Bulb ring',
  summary: 'Sockets round an annular board: a soft key close to a face, with a ring in the eyes.',
  parameters: bulbRingSchema,
  fields: bulbRingFields,
  defaults: bulbRingDefaults,
  problems: ringProblems,
  limits: ringLimits,
  resolve: resolveRing,
  draw: drawRing,
};
