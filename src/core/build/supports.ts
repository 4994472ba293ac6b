import type { PartOf } from '../materials/part';

interface SupportBase {
  /** stable; findings about it are named after it */
  id: string;
  /** mass of the support itself, which is no load on it, kg */
  ownKg: number;
  ref: string;
  field: string;
}

/** Points a light is fixed by: spigot, clamp, thread, hook. */
interface Fixing extends SupportBase {
  kind: 'fixing';
  name: string;
  points: number;
  /** what one of them bears, kg */
  limitKg: number;
  overPeople: boolean;
}

/** Ropes from rated points overhead. */
interface Hoist extends SupportBase {
  kind: 'hoist';
  points: number;
  /** what each point is rated for, kg */
  limitKg: number;
  /** a second fixing at every point */
  bonds: boolean;
  bondsField: string | null;
}

/** A bar between hang points, loaded evenly by its share of the whole. */
interface Beam extends SupportBase {
  kind: 'beam';
  pipe: PartOf<'stick'>;
  spanM: number;
  /** length over which the light's mass is spread, both sides of the frame together */
  loadedM: number;
}

/** A foot with uprights; the light stands on top, its back over the uprights. */
export interface Stand extends SupportBase {
  kind: 'stand';
  pipe: PartOf<'stick'> | null;
  uprights: number;
  uprightM: number;
  /** from the uprights to the foot's edge before and behind, and to the sides */
  foreM: number;
  sideM: number;
  /** parameters that move those edges */
  foreField: string;
  uprightField: string;
  uprightsField: string;
  /** the most it can have */
  mostUprights: number;
  sideField: string | null;
}

/** What holds a light up; judged with everything it carries, whatever was added first. */
export type Support = Fixing | Hoist | Beam | Stand;
