import type { FormDefinition } from '../form';
import { along, LAYERS } from '../search';
import { assembleBox } from './assemble';
import { HOLE_EDGE_M, LEAST_DEPTH_M, boxProblems, layoutBox } from './layout';
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
  search: [
    {
      sets: [
        { frontWidthM: 0.4, frontHeightM: 0.4, depthM: 0.25 },
        { frontWidthM: 0.6, frontHeightM: 0.6, depthM: 0.35 },
        { frontWidthM: 0.8, frontHeightM: 0.8, depthM: 0.45 },
        { frontWidthM: 1, frontHeightM: 1, depthM: 0.5 },
        { frontWidthM: 1.3, frontHeightM: 1.3, depthM: 0.6 },
      ],
    },
    { shelf: 'boardPartId' },
    ...LAYERS,
    along('finish', 'foil-crumpled', 'white-emulsion'),
  ],
  problems: boxProblems,
  limits: (box) => {
    const { backWidthM, backHeightM } = layoutBox(box);
    return {
      frontWidthM: box.shapeBy === 'depth' ? { min: backWidthM } : {},
      frontHeightM: box.shapeBy === 'depth' ? { min: backHeightM } : {},
      backWidthM: { min: box.holeDiameterM + HOLE_EDGE_M, max: box.frontWidthM },
      backHeightM: { min: box.holeDiameterM + HOLE_EDGE_M, max: box.frontHeightM },
      wingM: { min: box.insetM + LEAST_DEPTH_M },
    };
  },
  resolve,
  draw,
  assemble: assembleBox,
};
