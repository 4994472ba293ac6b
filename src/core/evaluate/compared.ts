import { countedNotSolved } from '../forms/fill';
import type { Build, Production } from '../document/production';
import type { Compared } from '../meter/calibrate';
import { lumensWithin, saidOf } from '../meter/said';
import type { Session } from '../meter/session';
import { combined } from '../meter/uncertainty';
import { sharedApart } from '../meter/points';
import { sweptLumens } from '../meter/sweep';
import { electricOf, layerResult, pointsOf, sweepResult } from '../meter/working';
import { tapeCopper } from '../units/effective';
import { Derivations } from './derive';
import {
  causeOfKey,
  copperKey,
  fluxKey,
  hangsOn,
  keysOf,
  layerKey,
  MODEL_SHARE,
  suspectsOf,
} from './forecastShare';
import { litBy, onPlane, sweptCd, type Lit } from './litBy';

/** How much a lamp or a layer is changed to see what hangs on it: far enough to stand out of a quick simulation's noise. */
const NUDGE = 0.75;
/** What hangs on a cause less than this hangs on it by noise. */
const LEAST_EXPONENT = 0.03;

/** Lights that were simulated, by build and by the cause that was changed: two sessions of one light simulate it once. */
export type Known = Map<string, Lit | null>;

function once(known: Known, key: string, work: () => Lit | null): Lit | null {
  if (!known.has(key)) known.set(key, work());
  return known.get(key)!;
}

/** The same production with one cause other than the shelf says. */
const nudged = (document: Production, key: string, factor: number): Production => ({
  ...document,
  calibration: {
    at: '2000-01-01T00:00:00Z',
    by: '',
    readings: 1,
    simulated: false,
    causes: [{ ...causeOfKey(key), factor, deviation: 0 }],
  },
});

interface Forecast {
  values: number[];
  /** by cause, for each figure */
  exponents: Record<string, number>[];
}

/** The light as it stands: what its fill mode chose by the shelf's word stays chosen when a lamp turns out weaker. */
function asBuilt(document: Production, build: Build): Build {
  const found = new Derivations().resolve(document, build);
  if (!found) return build;
  return { ...build, parameters: countedNotSolved(found.parameters as Build['parameters']) };
}

/**
 * Figures of a build's light, and how they hang on its lamps, layers and finishes: the room is simulated with each changed a little.
 */
export function forecastOf(
  document: Production,
  known: Known,
  build: Build,
  figures: (light: Lit) => number[],
): Forecast | null {
  const plain = { ...document, calibration: null };
  const built = asBuilt(plain, build);
  const light = once(known, build.id, () => litBy(plain, built));
  if (!light) return null;
  const values = figures(light);
  const exponents = values.map((): Record<string, number> => ({}));
  // What was metered itself is taken as it is.
  const open = suspectsOf(document, keysOf(hangsOn(document, built))).map(({ key }) => key);
  const fluxes = open.filter((key) => key.startsWith('flux'));
  const [alone] = fluxes.length === 1 ? fluxes : [];
  const keys = open.filter((key) => key !== alone);
  // One kind of lamp alone: all light is its light.
  if (alone) for (const each of exponents) each[alone] = 1;
  for (const key of keys) {
    const other = once(known, `${build.id} ${key}`, () => litBy(nudged(plain, key, NUDGE), built));
    if (!other) continue;
    const found = figures(other).map((value, k) => Math.log(value / values[k]!) / Math.log(NUDGE));
    // A layer or a finish changes how much comes out, hardly where it goes: the mean over places has less of the simulation's noise.
    const mean = found.reduce((sum, exponent) => sum + exponent, 0) / found.length;
    found.forEach((own, k) => {
      const exponent = key.startsWith('flux') ? own : mean;
      if (Number.isFinite(exponent) && Math.abs(exponent) > LEAST_EXPONENT)
        exponents[k]![key] = Number(exponent.toFixed(4));
    });
  }
  return { values, exponents };
}

type Comparing = (document: Production, known: Known, session: Session) => Compared[];

/** One figure of a whole session: what its meter is wrong by stands in the figure's own error. */
const single = (
  { id, name }: Session,
  {
    what,
    lnRatio,
    share,
    exponents,
  }: {
    what: string;
    lnRatio: number;
    share: number;
    exponents: Record<string, number>;
  },
): Compared => ({
  id,
  sessionId: id,
  label: `${name}, ${what}`,
  lnRatio,
  deviation: Math.max(0.01, share),
  shared: 1e-4,
  exponents,
});

const sweepCompared: Comparing = (document, known, session) => {
  const found = sweepResult(session);
  if (!found.ok) return [];
  const { sweep, deviationLm } = found.value;
  const { luminousFluxLm, coveredDeg } = sweep;
  const share = deviationLm / luminousFluxLm;
  const build = document.builds.find(({ id }) => id === session.buildId);
  if (build) {
    const forecast = forecastOf(document, known, build, (light) => [
      sweptLumens(sweptCd(light, session.distanceM), coveredDeg) *
        Math.max(session.level, LEAST_LEVEL),
    ]);
    const [lumens] = forecast?.values ?? [];
    if (!forecast || !lumens) return [];
    return [
      {
        ...single(session, {
          what: 'round the light',
          lnRatio: Math.log(luminousFluxLm / lumens),
          share,
          exponents: forecast.exponents[0]!,
        }),
        shared: MODEL_SHARE,
      },
    ];
  }
  const unit = document.shelf.units.find(({ id }) => id === session.unitId);
  const said = unit && saidOf(unit);
  if (!unit || !said) return [];
  const lnRatio = Math.log(luminousFluxLm / lumensWithin(said, coveredDeg));
  return [
    single(session, {
      what: 'round the lamp',
      lnRatio,
      share,
      exponents: { [fluxKey(unit.id)]: 1 },
    }),
  ];
};

const layerCompared: Comparing = ({ shelf }, _, session) => {
  const part = shelf.parts.find(({ id }) => id === session.partId);
  const found = layerResult(session);
  if (part?.role !== 'diffusion' || !found.ok) return [];
  const { tau, deviation } = found.value;
  const lnRatio = Math.log(tau / part.transmittance);
  const exponents = { [layerKey(part.id)]: 1 };
  return [
    single(session, { what: 'through the layer', lnRatio, share: deviation / tau, exponents }),
  ];
};

const voltsCompared: Comparing = ({ shelf }, _, session) => {
  const strip = shelf.units.find(({ id }) => id === session.unitId);
  const { loopOhmPerM } = electricOf(session, session.sizeM);
  if (strip?.category !== 'strip' || !loopOhmPerM) return [];
  const { value, deviation } = loopOhmPerM;
  const lnRatio = Math.log(value / tapeCopper(strip).value);
  const exponents = { [copperKey(strip.id)]: 1 };
  return [
    single(session, { what: 'volts along the tape', lnRatio, share: deviation / value, exponents }),
  ];
};

/** A light that is all but out teaches nothing. */
const LEAST_LEVEL = 1e-3;

const planeCompared: Comparing = (document, known, session) => {
  const build = document.builds.find(({ id }) => id === session.buildId);
  const found = pointsOf(session);
  if (!build || !found) return [];
  const lit = found.points.filter(({ lx }) => lx > 0);
  const places = lit.map(({ point }) => point);
  const forecast = forecastOf(document, known, build, (light) =>
    onPlane(light, session.distanceM, places),
  );
  if (!forecast) return [];
  return lit.map(({ point, lx, parts }, k) => {
    const { own, shared } = sharedApart(parts);
    return {
      sessionId: session.id,
      id: `${session.id} ${point.name}`,
      label: `${session.name} at ${point.name}`,
      lnRatio: Math.log(lx / (forecast.values[k]! * Math.max(session.level, LEAST_LEVEL))),
      deviation: Math.max(0.02, combined(own)),
      shared: combined([...shared, MODEL_SHARE]),
      exponents: forecast.exponents[k]!,
    };
  });
};

/** Readings of one session against what the shelf says. */
export const COMPARING: Partial<Record<Session['kind'], Comparing>> = {
  sweep: sweepCompared,
  layer: layerCompared,
  electric: voltsCompared,
  points: planeCompared,
};
