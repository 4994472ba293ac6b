import type { Finding } from '../findings/finding';
import type { Dots } from '../light/ripple';
import type { Control } from '../light/controls';
import type { Mouth } from '../light/mouth';
import type { ReflectingSurface } from '../light/surfaces';
import type { Emitter } from '../light/emitter';
import type { Mixture } from '../units/channels';
import type { EffectiveUnit } from '../units/effective';
import type { LayoutFact } from './facts';
import type { BoughtSize } from './bought';
import type { Framework } from './framework';
import type { Enclosure, Thing } from './things';
import type { Need } from './needs';
import type { Piece } from './pieces';
import type { Step } from './step';
import type { Support } from './supports';
import type { TapeRun, Wiring } from './wiring';

/** Units that are dimmed together. */
export interface LampGroup {
  name: string;
  unit: EffectiveUnit;
  count: number;
  /** light level 0…1 */
  level: number;
  /** how its colours are turned up; null for bulbs in sockets, as they come */
  mixture: Mixture | null;
  /** indices into the build's emitters */
  emitters: readonly number[];
  /** of its glass about the glowing point, metres; 0 for a face */
  bodyRadiusM: number;
  /** traps in the unit's own label */
  labelFindings: readonly Finding[];
}

export interface Size {
  widthM: number;
  heightM: number;
  depthM: number;
}

/** Something that travels by itself. */
export interface Parcel extends Size {
  name: string;
  massKg: number;
}

/**
 * The neck of the hourglass: every form becomes this, and every engine reads only this.
 * Build axes in metres: the light goes to +z, the back of the build lies at z ≤ 0.
 */
export interface ResolvedBuild {
  emitters: Emitter[];
  surfaces: ReflectingSurface[];
  /** a closed or covered front through which all light leaves; null for an open array */
  mouth: Mouth | null;
  /** what stands in the way of the light outside the mouth */
  controls: readonly Control[];
  enclosure: Enclosure | null;
  groups: LampGroup[];
  /** where findings about the lamps point */
  lampsAt: { drawing: string; field: string };
  wiring: Wiring;
  /** null where nothing runs on low voltage */
  tape: TapeRun | null;
  pieces: Piece[];
  needs: Need[];
  steps: Step[];
  facts: LayoutFact[];
  findings: Finding[];
  /** what the subject sees as the source */
  apparent: { widthM: number; heightM: number; round?: true };
  /** neighbouring emitters: centre spacing and one emitter's width */
  array: { spacingM: number; emitterWidthM: number };
  /** bare diodes behind layers; null where none could show through */
  dots: Dots | null;
  /** plane the shot's distance is measured from */
  frontM: number;
  /** what stands near the lamps, whoever brought it; layers across the mouth are told there */
  things: Thing[];
  massKg: number;
  /** Σ mass · distance before the back of the light, kg·m: how far it leans out of what holds it */
  momentKgM: number;
  /** what holds it up; their own mass is in `massKg` */
  supports: Support[];
  /** outer size as it stands lit; `folded` as it lies in the car */
  built: Size;
  /** as the light itself lies in the car; what comes off it lies beside, in `parcels` */
  folded: Size;
  /** what travels beside it: hoods, stands, cloths */
  parcels: Parcel[];
  /** pipes and the fittings they meet in */
  frameworks: Framework[];
  /** sizes of bought things as the drawing has them, beside what the shelf says */
  bought: BoughtSize[];
}
