import type { FormDefinition } from '../form';
import { stripOf, tapeFill } from '../kit/tape';
import { layoutPan, panProblems } from './layout';
import { stripPanParameters, type StripPan } from './parameters';
import { resolve } from './resolve';
import { draw } from './draw';

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
  fill: tapeFill((pan, context) => layoutPan({ ...pan, tapeLengthM: 400 }, context).rows.capacityM),
  problems: panProblems,
  limits: (pan, context) => ({
    depthM: { min: Math.max(0.02, stripOf(pan, context)?.tapeWidthM ?? 0.01), max: 0.6 },
    diameterM: { min: Math.max(0.1, (pan.clampGapM + 0.05) / Math.PI), max: 2 },
  }),
  resolve,
  draw,
};
