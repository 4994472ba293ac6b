import type { FormDefinition } from '../form';
import { across, along, ONE_LAYER } from '../search';
import { tapeFill } from '../kit/tape';
import { assemblePanel } from './assemble';
import { parameters, type Sandwich } from './parameters';
import { layout, problems } from './layout';
import { resolve } from './resolve';
import { draw } from './draw';
import { WITHOUT_END_M } from '../kit/typical';

/** Left between the edges for at least a row. */
const LEAST_INSIDE_M = 0.02;

export const sandwichPanel: FormDefinition<Sandwich> = {
  id: 'sandwich-panel',
  name: 'Sandwich panel',
  summary: 'Tape in rows between a bright back and an opal front, held apart by bolts.',
  gallery: {
    goodFor: ['insert', 'dressing', 'face'],
    skill: 3,
    reach: 'A thin flat panel that looks finished: for inserts, signs and window light.',
  },
  parameters: parameters.schema,
  fields: parameters.fields,
  defaults: parameters.defaults,
  fill: tapeFill(
    (panel, context) => layout({ ...panel, tapeLengthM: WITHOUT_END_M }, context).rows.capacityM,
  ),
  search: [
    across(['widthM', 'heightM'], [0.4, 0.3], [0.6, 0.3], [0.6, 0.6], [0.9, 0.6], [1.2, 0.8]),
    along('rowPitchM', 0.02, 0.03, 0.06),
    along('spacerM', 0.016, 0.032, 0.064),
    ...ONE_LAYER,
  ],
  problems,
  limits: (panel) => ({
    widthM: { min: 2 * panel.edgeM + LEAST_INSIDE_M },
    heightM: { min: 2 * panel.edgeM + LEAST_INSIDE_M },
  }),
  resolve,
  draw,
  assemble: assemblePanel,
};
