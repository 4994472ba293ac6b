import type { Body } from '../../assembly/body';
import { along, facing } from '../../assembly/poses';
import { globe, rod, slab } from '../../assembly/solids';
import type { FormContext } from '../form';
import { made } from '../kit/bodies';
import { sourceOf } from './layout';
import { type Plain } from './parameters';

/** Of a bulb's cap [typ]. */
const NECK_M = 0.027;

/** One thing as it is bought. */
export function assembleSource(plain: Plain, context: FormContext): Body[] {
  const { widthM: w, heightM: h, depthM } = sourceOf(plain, context);
  const told = ['source', 'Light', 'lamp', null] as const;
  const back = facing([0, 0, -depthM / 2]);
  switch (plain.source) {
    case 'bulb':
      return [made(...told, globe(w, depthM, NECK_M), back)];
    case 'tube':
      return [
        made(...told, rod(w / 2, h), along([0, -h / 2, depthM / 2 - w / 2], [0, 1, 0], [0, 0, 1])),
        ...(depthM > w
          ? [made('batten', 'Batten', 'part', null, slab(w, h, depthM - w), back)]
          : []),
      ];
    default:
      return [made(...told, slab(w, h, depthM), back)];
  }
}
