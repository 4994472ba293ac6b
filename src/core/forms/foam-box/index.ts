import type { FormDefinition } from '../form';
import { boxProblems, layoutBox } from './layout';
import { foamBoxParameters, migrations, type FoamBox } from './parameters';
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
  migrations,
  problems: boxProblems,
  limits: (box) => {
    const { backWidthM, backHeightM } = layoutBox(box);
    return {
      frontWidthM: { min: box.shapeBy === 'depth' ? backWidthM : 0.15, max: 3 },
      frontHeightM: { min: box.shapeBy === 'depth' ? backHeightM : 0.15, max: 3 },
      backWidthM: { min: Math.max(0.05, box.holeDiameterM + 0.01), max: box.frontWidthM },
      backHeightM: { min: Math.max(0.05, box.holeDiameterM + 0.01), max: box.frontHeightM },
      wingM: { min: box.insetM + 0.02, max: 1.5 },
    };
  },
  resolve,
  draw,
};
