import type { FormDefinition } from '../form';
import { boxProblems, layoutBox } from './layout';
import { foamBoxParameters, type FoamBox } from './parameters';
import { resolve } from './resolve';
import { draw } from './draw';

export const foamBox: FormDefinition<FoamBox> = {
  id: 'foam-box',
  name: 'Foam box',
  summary: 'A pyramid softbox of board with a bulb at the back and layers in front.',
  gallery: {
    goodFor: ['face', 'overhead', 'insert'],
    skill: 1,
    reach: 'A big soft key from one strong LED bulb and an evening of taping.',
  },
  parameters: foamBoxParameters.schema,
  fields: foamBoxParameters.fields,
  defaults: foamBoxParameters.defaults,
  problems: boxProblems,
  limits: (box) => {
    const { backW, backH } = layoutBox(box);
    return {
      frontW: { min: box.shapeBy === 'depth' ? backW : 0.15, max: 3 },
      frontH: { min: box.shapeBy === 'depth' ? backH : 0.15, max: 3 },
      backW: { min: Math.max(0.05, box.holeDiameterM + 0.01), max: box.frontW },
      backH: { min: Math.max(0.05, box.holeDiameterM + 0.01), max: box.frontH },
      wingM: { min: box.insetM + 0.02, max: 1.5 },
    };
  },
  resolve,
  draw,
};
