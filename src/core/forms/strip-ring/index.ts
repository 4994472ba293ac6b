import type { FormDefinition } from '../form';
import { tapeFill } from '../kit/tape';
import { drawStripRing } from './draw';
import { layoutStripRing, stripRingProblems } from './layout';
import { stripRingParameters, type StripRing } from './parameters';
import { resolveStripRing } from './resolve';

export const stripRing: FormDefinition<StripRing> = {
  id: 'strip-ring',
  name: 'Strip ring',
  summary: 'Tape round and round a ring with the camera in the middle.',
  gallery: {
    goodFor: ['face', 'insert'],
    skill: 2,
    reach: 'Shadowless light round the lens for faces and inserts close by.',
  },
  parameters: stripRingParameters.schema,
  fields: stripRingParameters.fields,
  defaults: stripRingParameters.defaults,
  fill: tapeFill(
    (ring, context) => layoutStripRing({ ...ring, tapeLengthM: 400 }, context).rows.capacityM,
  ),
  problems: stripRingProblems,
  limits: (ring) => ({
    outerDiameterM: { min: ring.innerDiameterM + 0.03, max: 2 },
    innerDiameterM: { min: 0.03, max: ring.outerDiameterM - 0.03 },
  }),
  resolve: resolveStripRing,
  draw: drawStripRing,
};
