import type { FormDefinition } from '../form';
import { across, along } from '../search';
import { bulbsOnHand } from '../kit/lamps';

import { assembleRing } from './assemble';
import { drawRing } from './draw';
import { mostSockets, ringLimits, ringProblems } from './limits';
import { bulbRingParameters, type BulbRing } from './parameters';
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
  parameters: bulbRingParameters.schema,
  fields: bulbRingParameters.fields,
  defaults: bulbRingParameters.defaults,
  fill: {
    parameter: 'socketCount',
    step: (ring) => ring.rows,
    most: mostSockets,
    onHand: ({ groups }, context) => bulbsOnHand(groups, context),
  },
  search: [
    across(['outerDiameterM', 'ringWidthM'], [0.5, 0.12], [0.7, 0.12], [0.9, 0.15], [1.2, 0.15]),
    along('rows', 1, 2),
  ],
  problems: ringProblems,
  limits: ringLimits,
  resolve: resolveRing,
  draw: drawRing,
  assemble: assembleRing,
};
