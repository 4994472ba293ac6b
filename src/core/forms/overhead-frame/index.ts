import type { FormDefinition } from '../form';
import { across, along } from '../search';
import { tapeFill } from '../kit/tape';
import { assembleFrame } from './assemble';
import { draw } from './draw';
import { layoutFrame } from './layout';
import { overheadParameters, type Overhead } from './parameters';
import { resolveFrame } from './resolve';
import { WITHOUT_END_M } from '../kit/typical';

export const overheadFrame: FormDefinition<Overhead> = {
  id: 'overhead-frame',
  name: 'Overhead frame',
  summary: 'A pipe frame with rows of tape and cloth under it, hoisted over the action.',
  gallery: {
    goodFor: ['overhead', 'wash'],
    skill: 3,
    reach: 'A ceiling of soft light over a whole scene.',
  },
  parameters: overheadParameters.schema,
  fields: overheadParameters.fields,
  defaults: overheadParameters.defaults,
  fill: tapeFill(
    (frame, context) =>
      layoutFrame({ ...frame, tapeLengthM: WITHOUT_END_M }, context).rows.capacityM,
  ),
  search: [
    across(['widthM', 'heightM'], [2, 1], [2, 2], [3, 2], [4, 2.5], [5, 2.5]),
    along('rowPitchM', 0.1, 0.2, 0.4),
    { shelf: 'layer1PartId' },
  ],
  problems: () => [],
  limits: () => ({}),
  resolve: resolveFrame,
  draw,
  assemble: assembleFrame,
};
