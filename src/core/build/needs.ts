import type { PartId, UnitId } from '../ids';
import type { HardwareId } from '../materials/hardware';
import type { Measure } from '../materials/part';

/** How much of something one light takes. Boards, sticks and cloth follow from the pieces instead. */
export interface Need {
  item:
    | { kind: 'part'; id: PartId }
    | { kind: 'unit'; id: UnitId }
    | { kind: 'hardware'; id: HardwareId };
  quantity: number;
  measure: Measure;
  why: string;
}
