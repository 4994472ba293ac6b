import type { PartId, UnitId } from '../ids';
import type { HardwareId } from '../materials/hardware';
import type { Measure } from '../materials/part';

/** How much of something one light takes, and where. Boards, sticks and cloth follow from the pieces instead. */
export interface Need {
  item:
    | { kind: 'part'; id: PartId }
    | { kind: 'unit'; id: UnitId }
    | {
        kind: 'hardware';
        id: HardwareId;
        /** which of its kind, as a box says it: “M6 × 40” */
        size?: string;
      };
  quantity: number;
  measure: Measure;
  why: string;
  /** the step that takes it off the bench */
  step: string;
}
