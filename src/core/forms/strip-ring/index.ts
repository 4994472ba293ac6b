import type { FormDefinition } from '../form';
import { across, along } from '../search';
import { tapeFill } from '../kit/tape';
import { assembleStripRing } from './assemble';
import { drawStripRing } from './draw';
import { layoutStripRing, stripRingProblems } from './layout';
import { stripRingParameters, type StripRing } from './parameters';
import { resolveStripRing } from './resolve';
import { WITHOUT_END_M } from '../kit/typical';

/** Between the ring's two circles: room for one row and its edges. */
const LEAST_BAND_M = 0.03;

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
    (ring, context) =>
      layoutStripRing({ ...ring, tapeLengthM: WITHOUT_END_M }, context).rows.capacityM,
  ),
  search: [
    across(
      ['outerDiameterM', 'innerDiameterM'],
      [0.3, 0.2],
      [0.4, 0.3],
      [0.5, 0.38],
      [0.6, 0.44],
      [0.9, 0.7],
    ),
    along('rowPitchM', 0.01, 0.02),
    along('feed', 'one', 'both'),
  ],
  problems: stripRingProblems,
  limits: (ring) => ({
    outerDiameterM: { min: ring.innerDiameterM + LEAST_BAND_M },
    innerDiameterM: { max: ring.outerDiameterM - LEAST_BAND_M },
  }),
  resolve: resolveStripRing,
  draw: drawStripRing,
  assemble: assembleStripRing,
};
