import { askedReadings } from '../making/asked';
import { raAsMixed } from '../power/watts';
import { lampGlows } from './lampGlow';
import { shotOf } from '../document/blank';
import type { Build, Production } from '../document/production';
import type { ResolvedBuild } from '../build/resolvedBuild';
import type { Finding } from '../findings/finding';
import { fallOffCurve } from '../light/falloff';
import { extraction } from '../light/mouth';
import { chainOf } from '../power/chain';
import { wireOf } from '../power/wire';
import type { PowerPlan } from '../power/plan';
import { accept, refuse, type Result } from '../result';
import type { Purchase } from '../shop/purchase';
import { supportFacts } from '../statics/load';
import { compare, type Contender } from '../verdict/compare';
import { alternatives } from './alternatives';
import { colourRung } from './colourRungs';
import { findBuild, sceneOf } from './context';
import { costRung, heatRung, powerRung } from './costRungs';
import { Derivations, type LightAsked } from './derive';
import { rungMarked } from './marks';
import { glowOf } from './glow';
import type { LightResult } from './light';
import { evennessRung, lightRung, softnessRung, stopsRung } from './lightRungs';
import type { Readouts, WorkedOut } from './readouts';

export type { Readouts, CavityModel, UnknownForm, WorkedOut } from './readouts';

export interface EvaluateOptions extends LightAsked {
  /** kept between evaluations, so that what has not changed is not worked out again */
  derivations?: Derivations;
  /** the Glow station's readouts too */
  glow?: boolean;
}

/**
 * The one entry to the engines, used by screens, command line and HTTP alike.
 * @returns problems when the document has no such build
 */
export function evaluate(
  document: Production,
  buildId: string,
  { derivations = new Derivations(), ...options }: EvaluateOptions = {},
): Result<Readouts> {
  const build = findBuild(document, buildId);
  if (!build)
    return refuse('no_such_build', `This production has no build “${buildId}”.`, 'builds');
  return accept(
    workOut(derivations, document, build, options) ?? {
      kind: 'unknown form',
      buildId: build.id,
      formId: build.form,
      findings: derivations.findings(document, build),
    },
  );
}

type Asked = Omit<EvaluateOptions, 'derivations'>;

/** What the engines said of a build; null when it cannot be worked out. */
function workedParts(derive: Derivations, document: Production, build: Build, options: Asked) {
  const found = derive.resolve(document, build);
  const light = derive.light(document, build, options);
  const power = derive.power(document, build);
  const cuts = derive.cuts(document, build);
  const purchase = derive.cost(document, build);
  const flicker = derive.flicker(document, build, options);
  const drawing = derive.drawing(document, build);
  const wiring = derive.wiring(document, build);
  if (!found || !light || !power || !cuts || !purchase || !flicker || !drawing || !wiring)
    return null;
  return {
    found,
    light,
    power,
    cuts,
    purchase,
    flicker,
    drawing,
    wiring,
    findings: derive.findings(document, build, options),
    shot: derive.shot(document, build),
    circuit: derive.circuit(document, build),
    room: derive.room(document, build),
  };
}
type Parts = NonNullable<ReturnType<typeof workedParts>>;
/** Keeps a result under a name for as long as its inputs are the same objects. */
type KeepAs = <T>(name: string, inputs: readonly unknown[], work: () => T) => T;

const moneyOf = ({ currency, taxIncluded }: Production) => ({ currency, taxIncluded });

/** The rungs of the ladder but for flicker, which the engines have said. */
function ladderOf(keep: KeepAs, parts: Parts, document: Production, build: Build) {
  const { found, light, power, purchase, findings, shot } = parts;
  const { resolved } = found;
  const { budgetMinor } = shotOf(document, build);
  const { currency, taxIncluded } = document;
  const lit = keep('light rungs', [found, light, shot], () => [
    lightRung(light, resolved, shot),
    stopsRung(light, resolved, shot),
    softnessRung(light, resolved, shot),
    evennessRung(light, resolved, shot),
    colourRung(light, resolved, shot),
  ]);
  const run = keep('power rungs', [found, power.plan, findings], () => [
    powerRung(power.plan, resolved, findings),
    heatRung(resolved, findings),
  ]);
  const cost = keep('cost rung', [purchase, currency, taxIncluded, build.copies, budgetMinor], () =>
    costRung(purchase, moneyOf(document), build, { budgetMinor }),
  );
  return { lit, run, cost };
}

/** How the light falls off, and how it stands against every fixture and other ways of lighting. */
function comparedOf(keep: KeepAs, parts: Parts, document: Production) {
  const { found, light, power, purchase, shot, findings } = parts;
  const { form, resolved } = found;
  const { fixtures, currency } = document;
  const { plan } = power;
  const farthest = Math.max(3, shot.distanceM * 2.5);
  const fallOff = keep('fall-off', [light, resolved.frontM, farthest], () =>
    light.totalLx > 0 ? fallOffCurve(light.axisLx, 0.3, farthest) : [],
  );
  const contender = keep('contender', [found, light, shot], () =>
    contenderOf(form.name, shot.distanceM, resolved, light),
  );
  return {
    fallOff,
    comparisons: keep(
      'comparisons',
      [contender, plan, purchase, fixtures, shot, currency, findings],
      () => {
        const whole = priced(contender, plan, purchase, softTroubleOf(findings));
        return fixtures.map((fixture) => compare(whole, fixture, shot, moneyOf(document)));
      },
    ),
    alternatives: keep('alternatives', [found, light, shot, fallOff], () =>
      alternatives(resolved, shot, light, fallOff),
    ),
  };
}

function workOut(
  derive: Derivations,
  document: Production,
  build: Build,
  options: Asked,
): WorkedOut | null {
  const parts = workedParts(derive, document, build, options);
  if (!parts) return null;
  const { found, light, power, shot, circuit, cuts, purchase, drawing, wiring, findings, room } =
    parts;
  const { form, parameters, resolved } = found;
  const keep: KeepAs = (name, inputs, work) => derive.kept(document, build, name, inputs, work);
  const ladder = ladderOf(keep, parts, document, build);
  const compared = comparedOf(keep, parts, document);
  const glow = options.glow
    ? keep('glow', [found, light, shot, circuit], () => glowOf(light, resolved, shot, circuit))
    : null;
  const wire = keep('wire', [found, power, wiring, build.site, findings], () =>
    wireOf(
      power.plan,
      power.tape,
      resolved,
      wiring,
      chainOf(power.plan, resolved, build.site, findings),
    ),
  );
  const read = [
    ...Object.values(parts),
    ...Object.values(compared),
    ...Object.values(ladder),
    glow,
    wire,
  ];
  return keep('readouts', read, () => ({
    kind: 'worked out',
    buildId: build.id,
    formId: form.id,
    rungs: [...ladder.lit, parts.flicker, ...ladder.run, ladder.cost].map((rung) =>
      rungMarked(rung, findings),
    ),
    findings,
    facts: [...resolved.facts, ...supportFacts(resolved)],
    pieces: resolved.pieces,
    needs: derive.needs(document, build),
    steps: resolved.steps,
    cuts,
    purchase,
    glow,
    room,
    wire,
    extraction: extractionOf(resolved, light),
    estimateScale: scaleOf(resolved, light),
    evenness: light.totalLx > 0 ? light.evenness : null,
    ...compared,
    massKg: resolved.massKg,
    folded: resolved.folded,
    parcels: resolved.parcels,
    targetShare: light.totalLx / light.targetLx,
    sentLm: light.luminousFluxLm,
    cctK: light.cctK,
    uv: light.uv,
    glows: lampGlows(resolved),
    criRa: worstCri(resolved),
    drawing,
    asked: askedReadings(
      {
        resolved,
        context: sceneOf(document, build).context,
        plan: power.plan,
        tape: power.tape,
        lightLx: light.totalLx > 0 ? light.totalLx : null,
      },
      new Set(resolved.steps.map(({ id }) => id)),
    ),
    parameters: parameters as Build['parameters'],
  }));
}

const extractionOf = (
  { mouth }: ResolvedBuild,
  { transported }: LightResult,
): WorkedOut['extraction'] =>
  mouth && { estimate: extraction(mouth), simulated: transported?.efficiency ?? null };

const scaleOf = (
  { mouth }: ResolvedBuild,
  { transported, overEstimate }: LightResult,
): WorkedOut['estimateScale'] =>
  mouth && transported
    ? { out: transported.efficiency / extraction(mouth), light: overEstimate }
    : null;

function worstCri({ groups }: ResolvedBuild): number | null {
  return groups.length ? Math.min(...groups.map(raAsMixed)) : null;
}

const NEAREST_M = 0.1;

type Unpriced = Omit<
  Contender,
  'fullMinor' | 'spentNowMinor' | 'unpriced' | 'dimmable' | 'softTrouble'
>;

/** What a build's light brings to a comparison; what it costs comes later, for it changes alone. */
function contenderOf(
  formName: string,
  distanceM: number,
  resolved: ResolvedBuild,
  light: LightResult,
): Unpriced {
  const nearest = Math.min(NEAREST_M, distanceM / 2);
  const way = fallOffCurve(light.axisLx, nearest, distanceM);
  return {
    formName,
    illuminanceLx: light.totalLx,
    exposureTimeS: light.exposureTimeS,
    angleDeg: light.angleDeg,
    separate: light.shadows.separate,
    approach: way.reverse(),
    illuminanceAt: light.axisLx,
  };
}

/** That it is smaller than the shot wants is said by its angle; anything else said against its softness is not. */
const softTroubleOf = (findings: readonly Finding[]): string | null =>
  findings.find(
    ({ topic, id, severity }) =>
      topic === 'softness' && id !== 'light.hard' && (severity === 'look' || severity === 'stop'),
  )?.title ?? null;

const priced = (
  contender: Unpriced,
  plan: PowerPlan,
  purchase: Purchase,
  softTrouble: string | null,
): Contender => ({
  ...contender,
  softTrouble,
  fullMinor: purchase.fullPerLightMinor,
  spentNowMinor: purchase.spentNowMinor,
  unpriced: purchase.unpriced,
  dimmable: plan.dimmer !== null,
});
