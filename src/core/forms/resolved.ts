import type { Finding } from '../findings/finding';
import type { BulbId, PartId, UnitId } from '../ids';
import type { Dots } from '../light/ripple';
import type { Control } from '../light/controls';
import type { Mouth } from '../light/mouth';
import type { Emitter, ReflectingSurface } from '../light/emitter';
import type { HardwareId } from '../materials/hardware';
import type { Measure } from '../materials/part';
import type { TapeLoad } from '../power/ladder';
import type { Connector, LeadMm2 } from '../power/tapeFindings';
import type { Dimension } from '../quantity';
import type { EffectiveUnit } from '../units/effective';
import type { Shape } from './drawing';

/** Units that are dimmed together. */
export interface LampGroup {
  name: string;
  unit: EffectiveUnit;
  count: number;
  /** light level 0…1 */
  level: number;
  /** indices into the build's emitters */
  emitters: readonly number[];
  /** traps in the unit's own label */
  labelFindings: readonly Finding[];
}

/** One mains load, in wiring order. */
export interface Load {
  ref: string;
  /** apparent power P/pf with every dimmer fully up, volt-amperes */
  apparentVa: number;
  /** cord from the load before it (from the plug, for the first), metres */
  cordM: number;
}

/** The wire that leads to a load has its name from it. */
export const wireId = ({ ref }: Pick<Load, 'ref'>): string => `wire-${ref}`;

/** A part chosen for a place in the wiring, and the parameter that chooses it. */
export interface Slot {
  partId: PartId | null;
  /** none where the form has no such choice */
  field?: string;
}

export interface Wiring {
  cord: Slot;
  plug: Slot;
  dimmer: Slot;
  loads: Load[];
}

/** LED tape behind its supply, and how it is fed. */
export interface TapeRun {
  voltageV: number;
  /** with every diode lit that can be */
  wattsPerM: number;
  load: TapeLoad;
  /** of the copper out and back; null for what is typical of its width */
  loopOhmPerM: number | null;
  widthM: number;
  /** diodes of several colours, which fade unevenly */
  colour: boolean;
  rowsM: readonly number[];
  /** at one end, at both, at the start of every row, or evenly at as many places as it needs */
  feed: 'one' | 'both' | 'rows' | 'spaced';
  supplies: number;
  /** none chosen yet */
  supplyMissing: boolean;
  leadLengthM: number;
  leadMm2: LeadMm2;
  connector: Connector;
  /** parameters that change them */
  supplyField: string;
  feedField: string;
  leadField: string;
  connectorField: string;
}

interface PieceBase {
  /** stays when sizes and counts change */
  id: string;
  name: string;
  partId: PartId | null;
  count: number;
  markOut: readonly string[];
}

/** A flat piece of board; the outline and everything on it in metres, from the lower left corner. */
export interface SheetPiece extends PieceBase {
  kind: 'sheet';
  /** rectangle of stock it takes */
  widthM: number;
  heightM: number;
  thicknessM: number;
  shapes: readonly Shape[];
  mayTurn: boolean;
  areaM2: number;
  /** what falls out of its middle and can serve for smaller pieces */
  hole?: { x: number; y: number; w: number; h: number };
}

export interface StickPiece extends PieceBase {
  kind: 'stick';
  lengthM: number;
}

/** A cloth, film or foil from the roll; several lengths are sewn or joined when it is wider. */
export interface ClothPiece extends PieceBase {
  kind: 'cloth';
  widthM: number;
  heightM: number;
  seamM: number;
  hemM: number;
}

export type Piece = SheetPiece | StickPiece | ClothPiece;

/** How much of something one light takes. Boards, sticks and cloth follow from the pieces instead. */
export interface Need {
  item:
    | { kind: 'bulb'; id: BulbId }
    | { kind: 'part'; id: PartId }
    | { kind: 'unit'; id: UnitId }
    | { kind: 'hardware'; id: HardwareId };
  quantity: number;
  measure: Measure;
  why: string;
}

/** Stages of making, in order; the way a light comes together at the bench. */
export const STAGES = [
  'check parts',
  'mark',
  'cut',
  'finish',
  'mount',
  'wire',
  'close',
  'look over',
  'power up',
  'warm',
  'dress',
  'rig',
  'meter',
] as const;
export type Stage = (typeof STAGES)[number];

/** One thing to do. Its id stays when its words and numbers change: ticks hang on it. */
export interface Step {
  id: string;
  stage: Stage;
  title: string;
  why: string;
  /** ids of steps that come before it, beyond what the stages say */
  needs: readonly string[];
  /** ids of the pieces that are worked on or put in */
  pieces: readonly string[];
  /** all pieces of a kind, beside those named */
  works?: Piece['kind'];
  tools: readonly string[];
  /** of work */
  minutes: number;
  /** of waiting: paint, glue, a lamp that must get warm */
  waitMinutes: number;
  hazards: readonly string[];
  /** what must be so before going on */
  check: string;
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
  burns: 'wood' | 'foam' | 'cloth' | 'film';
  distanceM: number;
  ref: string;
  /** parameter that moves it away */
  field: string;
  /** that parameter's value, when raising it adds to the distance metre for metre */
  raiseFromM: number | null;
}

/** A case that keeps its lamps' heat in. */
export interface Enclosure {
  /** outside surface that gives the heat off */
  areaM2: number;
  /** shut all round, or with a mouth closed by layers */
  closed: boolean;
  /** lowest softening or scorching limit among its walls and layers; null when unknown */
  limitC: number | null;
  ref: string;
  field: string;
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
  apparent: { widthM: number; heightM: number };
  /** neighbouring emitters: centre spacing and one emitter's width */
  array: { spacingM: number; emitterWidthM: number };
  /** bare diodes behind layers; null where none could show through */
  dots: Dots | null;
  /** plane the shot's distance is measured from */
  frontM: number;
  /** things that burn, with the distance from the nearest lamp's glowing centre */
  flammables: Flammable[];
  massKg: number;
  folded: { widthM: number; heightM: number; depthM: number };
}
