import type { Body } from '../../assembly/body';
import { facing } from '../../assembly/poses';
import { slab } from '../../assembly/solids';
import type { FormContext } from '../form';
import { forwards, made } from '../kit/bodies';
import { leafBodies } from '../kit/doorBodies';
import { doorPlates } from '../kit/doors';
import { partOf } from '../kit/lookup';
import { doorsOf, lampOf } from './layout';
import { type WorkLight } from './parameters';
import { GUARD_M, LAMP_DEPTH_M } from './resolve';

const GLASS_M = 0.003;

/** The case as it is bought, its face that stands out of it, its glass, the leaves at its edges. */
export function assembleWorkLight(light: WorkLight, context: FormContext): Body[] {
  const deep = lampOf(light, context)?.depthM ?? LAMP_DEPTH_M;
  const [w, h] = [light.faceWidthM, light.faceHeightM];
  const doors = doorsOf(light);
  const glass = light.glass === 'in' ? GLASS_M : 0;
  return [
    made(
      'case',
      'Case',
      'metal',
      null,
      slab(w + 2 * GUARD_M, h + 2 * GUARD_M, deep),
      facing([0, 0, -deep - GUARD_M]),
      { away: forwards(-1) },
    ),
    made('face', 'Face', 'lamp', null, slab(w, h, GUARD_M - glass), facing([0, 0, -GUARD_M])),
    ...(glass
      ? [
          made('glass', 'Guard glass', 'part', null, slab(w, h, glass), facing([0, 0, -glass]), {
            away: forwards(1),
          }),
        ]
      : []),
    ...leafBodies(
      doors,
      doorPlates(doors, w, h, 0),
      partOf(context, doors.boardPartId, 'sheet')?.thicknessM ?? 0,
    ),
  ];
}
