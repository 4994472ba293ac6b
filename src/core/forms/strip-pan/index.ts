import type { FormDefinition } from '../form';
import { along, LAYERS } from '../search';
import { stripOf, tapeFill } from '../kit/tape';
import { assemblePan } from './assemble';
import { layoutPan, panProblems } from './layout';
import { stripPanParameters, type StripPan } from './parameters';
import { resolve } from './resolve';
import { draw } from './draw';
import { TAPE_WIDTH_M, WITHOUT_END_M } from '../kit/typical';

/** Round a rim there must be room for one section of tape beside the clamp. */
const LEAST_TAPE_M = 0.05;

export const stripPan: FormDefinition<StripPan> = {
  id: 'strip-pan',
  name: 'Strip pan',
  summary: 'A shallow round pan with tape on its rim or base, glowing through layers.',
  gallery: {
    goodFor: ['face', 'insert', 'dressing'],
    skill: 2,
    reach: 'A small round soft light with a clean catchlight.',
  },
  parameters: stripPanParameters.schema,
  fields: stripPanParameters.fields,
  defaults: stripPanParameters.defaults,
  fill: tapeFill(
    (pan, context) => layoutPan({ ...pan, tapeLengthM: WITHOUT_END_M }, context).rows.capacityM,
  ),
  search: [
    { shelf: 'panPartId' },
    ...LAYERS,
    along('tapeOn', 'rim', 'base'),
    along('rowPitchM', 0.012, 0.02),
  ],
  problems: panProblems,
  limits: (pan, context) => ({
    depthM: { min: stripOf(pan, context)?.tapeWidthM ?? TAPE_WIDTH_M },
    diameterM: { min: (pan.clampGapM + LEAST_TAPE_M) / Math.PI },
  }),
  resolve,
  draw,
  assemble: assemblePan,
};
