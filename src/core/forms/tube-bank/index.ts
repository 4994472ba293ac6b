import type { FormDefinition } from '../form';
import { along } from '../search';
import { tubeOf } from '../kit/tubes';
import { assembleBank } from './assemble';
import { parameters, type TubeBank } from './parameters';
import { layout, problems } from './layout';
import { resolve } from './resolve';
import { draw } from './draw';

export const tubeBank: FormDefinition<TubeBank> = {
  id: 'tube-bank',
  name: 'Tube bank',
  summary: 'Tubes or LED bars side by side in a housing, or end to end.',
  gallery: {
    goodFor: ['wash', 'overhead', 'edge'],
    skill: 2,
    reach: 'An even wash: two banks of four make an even green screen.',
  },
  parameters: parameters.schema,
  fields: parameters.fields,
  defaults: parameters.defaults,
  fill: {
    parameter: 'tubeCount',
    step: () => 1,
    most: () => 8,
    onHand: (bank, context) =>
      Math.floor((tubeOf(bank.unitId, context)?.onHand ?? 0) / bank.linkRun),
  },
  search: [
    along('pitchM', 0.06, 0.12, 0.2),
    along('linkRun', 1, 2),
    along('orientation', 'upright', 'level'),
  ],
  problems,
  limits: (bank, context) => ({
    pitchM: { min: layout(bank, context).diameterM },
  }),
  resolve,
  draw,
  assemble: assembleBank,
};
