import type { Finding } from '../findings/finding';
import type { BulbId, PartId } from '../ids';
import type { Emitter, ReflectingSurface } from '../light/emitter';
import type { Measure } from '../materials/part';
import type { Dimension } from '../quantity';
import type { EffectiveBulb } from '../units/effective';

/** Units that are dimmed together. */
export interface LampGroup {
  name: string;
  unit: EffectiveBulb;
  count: number;
  /** light level 0…1 */
  level: number;
  /** indices into the build's emitters */
  emitters: readonly number[];
}

/** One mains load, in wiring order. */
export interface Load {
  ref: string;
  group: number;
  /** cord from the load before it (from the plug, for the first), metres */
  cordM: number;
}

/** A part chosen for a place in the wiring, and the parameter that chooses it. */
export interface Slot {
  partId: PartId | null;
  field: string;
}

export interface Wiring {
  cord: Slot;
  plug: Slot;
  dimmer: Slot;
  loads: Load[];
}

export interface Point {
  x: number;
  y: number;
}

/** A flat piece to be cut; lengths in metres, angles in radians. */
export interface Piece {
  name: string;
  partId: PartId | null;
  count: number;
  /** rectangle of stock it takes */
  stockWidthM: number;
  stockHeightM: number;
  thicknessM: number;
  circles: readonly (Point & { radiusM: number; layer: 'cut' | 'drill' | 'mark'; label: string })[];
  markOut: readonly string[];
}

/** How much of something one light takes. */
export interface Need {
  item: { kind: 'bulb'; id: BulbId } | { kind: 'part'; id: PartId };
  quantity: number;
  measure: Measure;
  why: string;
}

export interface Step {
  title: string;
  why: string;
  tool: string;
  minutes: number;
  check: string;
  hazard: string | null;
}

/** A figure of the layout that a maker marks out or asks about. */
export interface LayoutFact {
  id: string;
  label: string;
  value: number;
  dimension: Dimension;
  working: string;
}

export interface Flammable {
  name: string;
  burns: 'wood' | 'foam' | 'cloth';
  distanceM: number;
  ref: string;
  /** parameter that moves it away */
  field: string;
  /** that parameter's value, when raising it adds to the distance metre for metre */
  raiseFromM: number | null;
}

/**
 * The neck of the hourglass: every form becomes this, and every engine reads only this.
 * Build axes in metres: the light goes to +z, the back of the build lies at z ≤ 0.
 */
export interface ResolvedBuild {
  emitters: Emitter[];
  surfaces: ReflectingSurface[];
  groups: LampGroup[];
  /** where findings about the lamps point */
  lampsAt: { drawing: string; field: string };
  wiring: Wiring;
  pieces: Piece[];
  needs: Need[];
  steps: Step[];
  facts: LayoutFact[];
  findings: Finding[];
  /** what the subject sees as the source */
  apparent: { widthM: number; heightM: number };
  /** neighbouring emitters: centre spacing and one emitter's width */
  array: { spacingM: number; emitterWidthM: number };
  /** plane the shot's distance is measured from */
  frontM: number;
  /** things that burn, with the distance from the nearest lamp's glowing centre */
  flammables: Flammable[];
  massKg: number;
  folded: { widthM: number; heightM: number; depthM: number };
}
