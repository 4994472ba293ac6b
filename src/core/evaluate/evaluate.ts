import type { Build, Production } from '../document/production';
import type { Finding } from '../findings/finding';
import type { Drawing, View } from '../forms/drawing';
import type { ResolvedBuild } from '../forms/resolved';
import { extraction } from '../light/mouth';
import { fallOffCurve, type FallOffPoint } from '../light/falloff';
import { illuminanceLx } from '../light/illuminance';
import type { Arrangement } from '../light/transport/arrangement';
import { arrangementKey } from '../light/transport/key';
import type { Transported } from '../light/transport/result';
import { glowOf, type Glow, type GlowId } from './glow';
import type { Evenness } from '../light/evenness';
import { planPower, type PowerPlan } from '../power/plan';
import { planTape } from '../power/tapePlan';
import { wireOf, type Wire } from '../power/wire';
import { accept, refuse, type Result } from '../result';
import { planCuts, type CutPlan } from '../shop/cutPlan';
import { planPurchase, type Purchase } from '../shop/purchase';
import { compare, type Comparison, type Contender } from '../verdict/compare';
import { findingsOf, unknownForm } from './check';
import { colourRung, flickerRung } from './colourRungs';
import {
  findBuild,
  otherLoadA,
  resolveScene,
  sceneOf,
  type LoadCache,
  type Resolution,
  type Scene,
} from './context';
import { costRung, heatRung, powerRung } from './costRungs';
import { alternatives, type Alternative } from './alternatives';
import { evaluateLight, type LightResult } from './light';
import { evennessRung, lightRung, softnessRung, stopsRung } from './lightRungs';
import type { Readout, RungId } from './readout';

/** Everything the engines say about one build. Plain data: it can be printed as JSON. */
export interface Readouts {
  buildId: string;
  formId: string;
  /** nine rungs in ladder order; empty when the form could not be resolved */
  rungs: Readout[];
  findings: Finding[];
  facts: ResolvedBuild['facts'];
  pieces: ResolvedBuild['pieces'];
  steps: ResolvedBuild['steps'];
  cuts: CutPlan;
  purchase: Purchase;
  /** what the Glow station says; null unless it is asked for, or without light */
  glow: Glow | null;
  /** the closed room behind the build's mouth, for the transport engine; null when there is none */
  room: Room | null;
  /** what the Wire station says; null when the form could not be resolved */
  wire: Wire | null;
  /** share of the lamps' light that gets out: told at once, and simulated; null for an open array */
  extraction: { estimate: number; simulated: number | null } | null;
  evenness: Evenness | null;
  fallOff: FallOffPoint[];
  /** ways to less light without a dimmer, when there is too much */
  alternatives: Alternative[];
  comparisons: Comparison[];
  massKg: number;
  folded: ResolvedBuild['folded'];
  /** lux reached over lux wanted; how full the jar is */
  filled: number;
  /** lumens its lamps send */
  sentLm: number;
  cctK: number | null;
  /** of the worst-rendering bulb in it */
  criRa: number | null;
  drawing: Drawing | null;
  /** the build's parameters with what the fill mode worked out */
  parameters: Build['parameters'];
}

/** Cutting plans tried on every change; the Cut & buy station looks longer. */
const QUICK_PLAN = { starts: 5, batch: 80 };

export interface EvaluateOptions {
  /** cells along each side of the evenness grid, 2…64 */
  gridCells?: number;
  /** kept between evaluations of one document, so that unchanged neighbours are not worked out again */
  loads?: LoadCache;
  /** what the transport engine has found for a room so far */
  transported?: (room: Room) => Transported | null;
  /** efficiency over estimate when this build's room was last simulated */
  estimateScale?: number;
  /** the Glow station's readouts too */
  glow?: boolean;
}

/** A room as the transport engine takes it, under a key of its content. */
export interface Room {
  key: string;
  arrangement: Arrangement;
}

/**
 * The one entry to the engines, used by screens, command line and HTTP alike.
 * @returns problems when the document has no such build
 */
export function evaluate(
  document: Production,
  buildId: string,
  options: EvaluateOptions = {},
): Result<Readouts> {
  const build = findBuild(document, buildId);
  if (!build)
    return refuse('no_such_build', `This production has no build “${buildId}”.`, 'builds');
  const scene = sceneOf(document, build);
  const found = resolveScene(scene);
  return accept(found ? readoutsOf(scene, found, options) : unresolved(scene));
}

/** Nothing but its finding. */
function unresolved({ build }: Scene): Readouts {
  return {
    buildId: build.id,
    formId: build.form,
    rungs: [],
    findings: [unknownForm(build)],
    facts: [],
    pieces: [],
    steps: [],
    cuts: { plans: [], unchosen: [] },
    purchase: {
      lines: [],
      spentNowMinor: 0,
      stockMinor: 0,
      fullMinor: 0,
      fullPerLightMinor: 0,
      unpriced: 0,
    },
    glow: null,
    room: null,
    wire: null,
    extraction: null,
    evenness: null,
    fallOff: [],
    alternatives: [],
    comparisons: [],
    massKg: 0,
    folded: { widthM: 0, heightM: 0, depthM: 0 },
    filled: 0,
    sentLm: 0,
    cctK: null,
    criRa: null,
    drawing: null,
    parameters: build.parameters,
  };
}

function readoutsOf(
  scene: Scene,
  { form, parameters, resolved, views }: Resolution,
  options: EvaluateOptions,
): Readouts {
  const { document, build, shot, circuit, context, shelf } = scene;
  const room = roomOf(resolved);
  const light = evaluateLight(resolved, shot, {
    gridCells: options.gridCells,
    transported: (room && options.transported?.(room)) ?? null,
    estimateScale: options.estimateScale,
  });
  const plan = planPower(
    resolved,
    circuit,
    otherLoadA(scene, options.loads),
    context.part,
    build.copies,
  );
  const tape = planTape(resolved.tape);
  const cuts = planCuts(resolved.pieces, build.copies, context.part, QUICK_PLAN);
  const purchase = planPurchase(resolved.needs, build.copies, cuts, shelf);
  const flicker = flickerRung(light, resolved, shot, circuit);
  const findings = findingsOf(scene, resolved, { light, plan, tape, cuts });
  const contender = contenderOf(form.name, scene, resolved, light, plan, purchase);
  const farthest = Math.max(3, shot.distanceM * 2.5);
  const fallOff =
    light.totalLx > 0 ? fallOffCurve(light.field, resolved.frontM, 0.3, farthest) : [];
  return {
    buildId: build.id,
    formId: form.id,
    rungs: [
      lightRung(light, resolved, shot),
      stopsRung(light, resolved, shot),
      softnessRung(light, resolved, shot),
      evennessRung(light, resolved, shot),
      colourRung(light, resolved, shot),
      flicker,
      powerRung(plan, resolved, findings),
      heatRung(resolved, findings),
      costRung(purchase, document, build, shot),
    ],
    findings,
    facts: resolved.facts,
    pieces: resolved.pieces,
    steps: resolved.steps,
    cuts,
    purchase,
    glow: options.glow ? glowOf(light, resolved, shot, circuit) : null,
    room,
    wire: wireOf(plan, tape, resolved),
    extraction: extractionOf(resolved, light),
    evenness: light.totalLx > 0 ? light.evenness : null,
    fallOff,
    alternatives: alternatives(resolved, shot, light, fallOff),
    comparisons: document.fixtures.map((fixture) => compare(contender, fixture, shot, document)),
    massKg: resolved.massKg,
    folded: resolved.folded,
    filled: light.totalLx / light.targetLx,
    sentLm: light.luminousFluxLm,
    cctK: light.cctK,
    criRa: worstCri(resolved),
    drawing: drawn(form.draw(parameters, context), views),
    parameters: parameters as Build['parameters'],
  };
}

/** A rung of the ladder or a figure of the Glow station, by its id. */
export const findReadout = (
  { rungs, glow }: Readouts,
  id: RungId | GlowId,
): Readout<string> | undefined =>
  [...rungs, ...(glow?.readouts ?? [])].find((readout) => readout.id === id);

const extractionOf = (
  { mouth }: ResolvedBuild,
  { transported }: LightResult,
): Readouts['extraction'] =>
  mouth && { estimate: extraction(mouth), simulated: transported?.efficiency ?? null };

/** The room of a lit build with one. */
export function roomOf({ mouth, emitters }: ResolvedBuild): Room | null {
  const arrangement = mouth?.room;
  if (!arrangement || !emitters.some(({ luminousFluxLm }) => luminousFluxLm > 0)) return null;
  return { key: arrangementKey(arrangement), arrangement };
}

const drawn = (drawing: Drawing, more: readonly View[]): Drawing => ({
  views: [...drawing.views, ...more],
});

function worstCri({ groups }: ResolvedBuild): number | null {
  return groups.length ? Math.min(...groups.map(({ unit }) => unit.criRa.value)) : null;
}

const NEAREST_M = 0.1;

function contenderOf(
  formName: string,
  { shot }: Scene,
  resolved: ResolvedBuild,
  light: LightResult,
  plan: PowerPlan,
  purchase: Purchase,
): Contender {
  const nearest = Math.min(NEAREST_M, shot.distanceM / 2);
  const way = fallOffCurve(light.field, resolved.frontM, nearest, shot.distanceM);
  return {
    formName,
    illuminanceLx: light.totalLx,
    exposureTimeS: light.exposureTimeS,
    angleDeg: light.angleDeg,
    fullMinor: purchase.fullPerLightMinor,
    spentNowMinor: purchase.spentNowMinor,
    dimmable: plan.dimmer !== null,
    approach: way.reverse(),
    illuminanceAt: (distanceM) =>
      illuminanceLx(light.field, [0, 0, resolved.frontM + distanceM], [0, 0, -1]),
  };
}
