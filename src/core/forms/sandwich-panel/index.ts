import type { FormDefinition } from '../form';
import { tapeFill } from '../kit/tape';
import { parameters, type Sandwich } from './parameters';
import { layout, problems } from './layout';
import { resolve } from './resolve';
import { draw } from './draw';

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
    (panel, context) => layout({ ...panel, tapeLengthM: 400 }, context).rows.capacityM,
  ),
  problems,
  limits: (panel) => ({
    widthM: { min: Math.max(0.1, 2 * panel.edgeM + 0.02), max: 2.4 },
    heightM: { min: Math.max(0.1, 2 * panel.edgeM + 0.02), max: 2.4 },
  }),
  resolve,
  draw,
};
