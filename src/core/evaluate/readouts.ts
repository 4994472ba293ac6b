import type { Asked } from '../making/asked';
import type { Chromaticity } from '../colour/planck';
import type { LampGlow } from './lampGlow';
import type { Build } from '../document/production';
import type { Finding } from '../findings/finding';
import type { Drawing } from '../drawing/drawing';
import { readsOf } from './reads';
import type { Shot } from '../location/shot';
import type { Reads } from '../light/field/prepare';
import type { Need } from '../build/needs';
import type { ResolvedBuild } from '../build/resolvedBuild';
import type { Evenness } from '../light/evenness';
import type { FallOffPoint } from '../light/falloff';
import type { Arrangement } from '../light/transport/arrangement';
import { arrangementKey } from '../light/transport/key';
import type { Wire } from '../power/wire';
import type { CutPlan } from '../shop/cutPlan';
import type { Purchase } from '../shop/purchase';
import type { Comparison } from '../verdict/compare';
import type { Alternative } from './alternatives';
import type { EstimateScale } from './field';
import type { Glow, GlowId } from './glow';
import type { Readout, RungId } from './readout';

/** Everything the engines say about one build. Plain data: it can be printed as JSON. */
export interface WorkedOut {
  kind: 'worked out';
  buildId: string;
  formId: string;
  /** nine rungs in ladder order */
  rungs: Readout[];
  findings: Finding[];
  facts: ResolvedBuild['facts'];
  pieces: ResolvedBuild['pieces'];
  /** of one light, leads from the supplies among them */
  needs: readonly Need[];
  steps: ResolvedBuild['steps'];
  cuts: CutPlan;
  purchase: Purchase;
  /** what the Glow station says; null unless it is asked for, or without light */
  glow: Glow | null;
  /** the closed room behind the build's mouth, for the transport engine; null when there is none */
  room: CavityModel | null;
  /** what the Wire station says */
  wire: Wire;
  /** share of the lamps' light that gets out: told at once, and simulated; null for an open array */
  extraction: { estimate: number; simulated: number | null } | null;
  /** how far the instant estimate was off; null where nothing was simulated */
  estimateScale: EstimateScale | null;
  evenness: Evenness | null;
  fallOff: FallOffPoint[];
  /** ways to less light without a dimmer, when there is too much */
  alternatives: Alternative[];
  comparisons: Comparison[];
  massKg: number;
  folded: ResolvedBuild['folded'];
  /** what travels beside it */
  parcels: ResolvedBuild['parcels'];
  /** lux reached over lux wanted; how full the jar is */
  targetShare: number;
  /** lumens its lamps send */
  sentLm: number;
  cctK: number | null;
  /** place of a mixed colour in CIE 1960 u, v */
  uv: Chromaticity | null;
  /** how its lamps look in the drawings */
  glows: LampGlow[];
  /** of the worst-rendering bulb in it */
  criRa: number | null;
  drawing: Drawing;
  /** what its steps ask a person to read off, with what is predicted */
  asked: Asked[];
  /** the build's parameters with what the fill mode worked out */
  parameters: Build['parameters'];
}

/** A build this version cannot work out: nothing but the finding that says so. */
export interface UnknownForm {
  kind: 'unknown form';
  buildId: string;
  formId: string;
  findings: Finding[];
}

export type Readouts = WorkedOut | UnknownForm;

/** A room as the transport engine takes it, under a key of its content. */
export interface CavityModel {
  key: string;
  arrangement: Arrangement;
  /** where its light will be read */
  reads: Reads;
}

/** The room of a lit build with one. */
export function cavityOf(resolved: ResolvedBuild, shot: Shot): CavityModel | null {
  const { mouth, emitters } = resolved;
  const arrangement = mouth?.room;
  if (!arrangement || !emitters.some(({ luminousFluxLm }) => luminousFluxLm > 0)) return null;
  return { key: arrangementKey(arrangement), arrangement, reads: readsOf(resolved, shot) };
}

/** A rung of the ladder or a figure of the Glow station, by its id. */
export const findReadout = (
  { rungs, glow }: Pick<WorkedOut, 'rungs' | 'glow'>,
  id: RungId | GlowId,
): Readout<string> | undefined =>
  [...rungs, ...(glow?.readouts ?? [])].find((readout) => readout.id === id);
