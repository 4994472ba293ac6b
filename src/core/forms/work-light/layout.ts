import { type Doors } from '../kit/doors';
import type { FormContext } from '../form';
import { unitOf } from '../kit/lookup';
import { type WorkLight } from './parameters';

export const lampOf = (light: WorkLight, context: FormContext) =>
  unitOf(context, light.unitId, 'work-light');
export const doorsOf = (light: WorkLight): Doors => light;
