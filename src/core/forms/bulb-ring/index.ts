import type { FormDefinition } from '../form';
import { drawRing } from './draw';
import { mostSockets, ringLimits, ringProblems } from './limits';
import { bulbRingDefaults, bulbRingFields, bulbRingSchema, type BulbRing } from './parameters';
import { resolveRing } from './resolve';

export const bulbRing: FormDefinition<BulbRing> = {
  id: 'bulb-ring',
  name: 'Bulb ring',
  summary: 'Sockets round an annular board: a soft key close to a face, with a ring in the eyes.',
  gallery: {
    goodFor: ['face', 'insert'],
    skill: 2,
    reach: 'A flattering key round the lens, and a ring in the eyes.',
  },
  parameters: bulbRingSchema,
  fields: bulbRingFields,
  defaults: bulbRingDefaults,
  fill: {
    parameter: 'socketCount',
    step: (ring) => ring.rows,
    most: mostSockets,
    onHand: ({ groups }, context) =>
      groups.reduce((sum, { bulbId }) => sum + (context.bulb(bulbId)?.onHandCount ?? 0), 0),
  },
  problems: ringProblems,
  limits: ringLimits,
  resolve: resolveRing,
  draw: drawRing,
};
