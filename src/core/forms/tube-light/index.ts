import type { FormDefinition } from '../form';
import { along } from '../search';
import { stripOf, tapeFill, tapeWidthOf } from '../kit/tape';
import { assembleTube } from './assemble';
import { parameters, type TubeLight } from './parameters';
import { layout, problems } from './layout';
import { resolve } from './resolve';
import { draw } from './draw';
import { WITHOUT_END_M } from '../kit/typical';

export const tubeLight: FormDefinition<TubeLight> = {
  id: 'tube-light',
  name: 'Tube light',
  summary: 'Tape in a clear tube with a rolled liner: a glowing line.',
  gallery: {
    goodFor: ['edge', 'dressing'],
    skill: 1,
    reach: 'A line of light in the picture, or an edge along a wall.',
  },
  parameters: parameters.schema,
  fields: parameters.fields,
  defaults: parameters.defaults,
  fill: tapeFill(
    (light, context) => layout({ ...light, tapeLengthM: WITHOUT_END_M }, context).rows.capacityM,
  ),
  search: [
    along('tubeLengthM', 0.5, 0.75, 1, 1.5, 2),
    along('strands', 1, 2),
    { shelf: 'linerPartId' },
  ],
  problems,
  limits: (light, context) => ({
    insideDiameterM: { min: tapeWidthOf(stripOf(light, context)) },
  }),
  resolve,
  draw,
  assemble: assembleTube,
};
