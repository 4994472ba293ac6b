import { leavesM } from '../build/front';
import { countedNotSolved } from '../forms/fill';
import type { Build, Production } from '../document/production';
import { simulateQuickly, cannotRun } from '../light/transport/run';
import { carriedBy, solveCauses, type Compared, type Solved } from '../meter/calibrate';
import type { Calibration } from '../meter/causes';
import { lumensWithin, saidOf } from '../meter/said';
import type { MeterPoint, Session } from '../meter/session';
import { combined } from '../meter/uncertainty';
import { sharedApart } from '../meter/points';
import { isSimulated, layerResult, pointsOf, sweepResult } from '../meter/working';
import { clamp } from '../tolerance';
import { Derivations } from './derive';
import {
  causeOfKey,
  fluxKey,
  forecastShare,
  hangsOn,
  keysOf,
  layerKey,
  MODEL_SHARE,
  suspectsOf,
} from './forecastShare';

/** What a build's forecast hangs on, and what it comes to. */
export interface CalibratedBuild {
  id: string;
  name: string;
  predictedLx: number;
  /** standard uncertainty, as a share, of what the shelf may be wrong by */
  predictedShare: number;
  correctedLx: number;
  correctedShare: number;
}

export interface ProductionCalibration extends Solved {
  builds: CalibratedBuild[];
  /** sessions with readings from the simulated meter that were left out */
  leftOut: number;
  calibration: Omit<Calibration, 'at' | 'by'> | null;
}

/** How much a lamp or a layer is changed to see what hangs on it: far enough to stand out of a quick simulation's noise. */
const NUDGE = 0.75;
/** What hangs on a cause less than this hangs on it by noise. */
const LEAST_EXPONENT = 0.03;

/** Light at places of a plane, by what the shelf says. */
function lightAt(
  document: Production,
  build: Build,
  distanceM: number,
  points: readonly Pick<MeterPoint, 'xM' | 'yM'>[],
): number[] | null {
  const derive = new Derivations();
  const found = derive.resolve(document, build);
  const light = derive.light(document, build, {
    gridCells: 2,
    transported: ({ arrangement }) =>
      cannotRun(arrangement, { photons: 20_000, seed: 1 }) ? null : simulateQuickly(arrangement, 1),
  });
  if (!found || !light) return null;
  const front = leavesM(found.resolved);
  return points.map(({ xM, yM }) =>
    light.field.illuminance([xM, yM, front + distanceM], [0, 0, -1]),
  );
}

/** Light that is forecast at a session's places, with what was learnt, lux, and its standard uncertainty as a share. */
export function pointsForecast(
  document: Production,
  { buildId, distanceM, level, points }: Session,
): { lx: number[]; share: number; calibrated: boolean } | null {
  const build = document.builds.find(({ id }) => id === buildId);
  const lx = build && lightAt(document, build, distanceM, points);
  if (!build || !lx) return null;
  return { lx: lx.map((each) => each * level), ...forecastShare(document, build) };
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
  lx: number[];
  /** by cause, for each place */
  exponents: Record<string, number>[];
}

/** The light as it stands: what its fill mode chose by the shelf's word stays chosen when a lamp turns out weaker. */
function asBuilt(document: Production, build: Build): Build {
  const found = new Derivations().resolve(document, build);
  if (!found) return build;
  return { ...build, parameters: countedNotSolved(found.parameters as Build['parameters']) };
}

/** What a build gives at some places, and how that hangs on its lamps and layers: the room is simulated with each changed a little. */
function forecastOf(
  document: Production,
  build: Build,
  distanceM: number,
  points: readonly Pick<MeterPoint, 'xM' | 'yM'>[],
): Forecast | null {
  const plain = { ...document, calibration: null };
  const built = asBuilt(plain, build);
  const lx = lightAt(plain, built, distanceM, points);
  if (!lx) return null;
  const { units, layers } = hangsOn(document, built);
  const exponents = lx.map((): Record<string, number> => ({}));
  // What was metered itself is taken as it is.
  const open = suspectsOf(document, keysOf({ units, layers })).map(({ key }) => key);
  const [alone] = units.length === 1 ? open.filter((key) => key.startsWith('flux')) : [];
  const keys = open.filter((key) => key !== alone);
  // One kind of lamp alone: all light is its light.
  if (alone) for (const each of exponents) each[alone] = 1;
  for (const key of keys) {
    const other = lightAt(nudged(plain, key, NUDGE), built, distanceM, points);
    if (!other) continue;
    const found = other.map((value, k) => Math.log(value / lx[k]!) / Math.log(NUDGE));
    // A layer changes how much comes out, hardly where it goes: the mean over places has less of the simulation's noise.
    const mean = found.reduce((sum, exponent) => sum + exponent, 0) / found.length;
    found.forEach((own, k) => {
      const exponent = key.startsWith('flux') ? own : mean;
      if (Number.isFinite(exponent) && Math.abs(exponent) > LEAST_EXPONENT)
        exponents[k]![key] = Number(exponent.toFixed(4));
    });
  }
  return { lx, exponents };
}

/** Readings of one session against what the shelf says. */
function comparedOf(document: Production, session: Session): Compared[] {
  const base = { sessionId: session.id };
  if (session.kind === 'sweep') {
    const unit = document.shelf.units.find(({ id }) => id === session.unitId);
    const said = unit && saidOf(unit);
    const found = sweepResult(session);
    if (!unit || !said || !found.ok) return [];
    const { sweep, deviationLm } = found.value;
    const { luminousFluxLm, coveredDeg } = sweep;
    return [
      {
        ...base,
        id: session.id,
        label: `${session.name}, round the lamp`,
        lnRatio: Math.log(luminousFluxLm / lumensWithin(said, coveredDeg)),
        deviation: Math.max(0.01, deviationLm / luminousFluxLm),
        shared: 1e-4,
        exponents: { [fluxKey(unit.id)]: 1 },
      },
    ];
  }
  if (session.kind === 'layer') {
    const part = document.shelf.parts.find(({ id }) => id === session.partId);
    const found = layerResult(session);
    if (part?.role !== 'diffusion' || !found.ok) return [];
    const { tau, deviation } = found.value;
    return [
      {
        ...base,
        id: session.id,
        label: `${session.name}, through the layer`,
        lnRatio: Math.log(tau / part.transmittance),
        deviation: Math.max(0.01, deviation / tau),
        shared: 1e-4,
        exponents: { [layerKey(part.id)]: 1 },
      },
    ];
  }
  if (session.kind !== 'points') return [];
  const build = document.builds.find(({ id }) => id === session.buildId);
  const found = pointsOf(session);
  if (!build || !found) return [];
  const lit = found.points.filter(({ lx }) => lx > 0);
  const forecast = forecastOf(
    document,
    build,
    session.distanceM,
    lit.map(({ point }) => point),
  );
  if (!forecast) return [];
  return lit.map(({ point, lx, parts }, k) => {
    const { own, shared } = sharedApart(parts);
    return {
      ...base,
      id: `${session.id} ${point.name}`,
      label: `${session.name} at ${point.name}`,
      lnRatio: Math.log(lx / (forecast.lx[k]! * Math.max(session.level, 1e-3))),
      deviation: Math.max(0.02, combined(own)),
      shared: combined([...shared, MODEL_SHARE]),
      exponents: forecast.exponents[k]!,
    };
  });
}

/**
 * Measured against forecast over all readings of a production, solved together, and what it makes of every light that hangs
 * on what was learnt.
 * @param withSimulated  learn from simulated readings too: an exercise
 */
export function calibrateProduction(
  document: Production,
  withSimulated: boolean,
): ProductionCalibration {
  const taught = document.sessions.filter((session) => withSimulated || !isSimulated(session));
  const leftOut = document.sessions.length - taught.length;
  const all = taught.flatMap((session) => comparedOf(document, session));
  const named = new Set(all.flatMap(({ exponents }) => Object.keys(exponents)));
  const suspects = suspectsOf(document, named);
  // A reading of what was metered already teaches nothing more.
  const compared = all.filter(({ exponents }) => suspects.some(({ key }) => key in exponents));
  const solved = solveCauses(compared, suspects);
  return {
    ...solved,
    leftOut,
    builds: document.builds.flatMap((build) => calibratedBuild(document, build, solved)),
    calibration:
      solved.causes.length === 0
        ? null
        : {
            readings: solved.readings,
            simulated: taught.some(isSimulated),
            causes: solved.causes.map(({ key, factor, deviation }) => ({
              ...causeOfKey(key),
              factor: Number(clamp(factor, 0.05, 20).toPrecision(5)),
              deviation: Number(Math.min(2, deviation).toPrecision(3)),
            })),
          },
  };
}

/** A light whose lamps or layers readings spoke of; empty for any other. */
function calibratedBuild(document: Production, build: Build, solved: Solved): CalibratedBuild[] {
  const { units, layers } = hangsOn(document, build);
  const own = keysOf({ units, layers });
  if (!solved.causes.some(({ key }) => own.has(key))) return [];
  const shot = document.shots.find(({ id }) => id === build.shotId);
  const forecast = forecastOf(document, build, shot?.distanceM ?? 1, [{ xM: 0, yM: 0 }]);
  const [predictedLx] = forecast?.lx ?? [];
  if (!forecast || !predictedLx) return [];
  const [exponents] = forecast.exponents;
  const correctedLx = solved.causes.reduce(
    (lx, { key, factor }) => lx * factor ** (exponents![key] ?? 0),
    predictedLx,
  );
  // Causes nobody metered keep their shelf's word.
  const others = suspectsOf(document, own).flatMap(({ key, prior }) => {
    const exponent = exponents![key] ?? 0;
    return solved.causes.some((cause) => cause.key === key) ? [] : [exponent * prior];
  });
  const priors = suspectsOf(document, own).map(({ key, prior }) => (exponents![key] ?? 0) * prior);
  return [
    {
      id: build.id,
      name: build.name,
      predictedLx,
      predictedShare: combined([...priors, MODEL_SHARE]),
      correctedLx,
      correctedShare: combined([carriedBy(exponents!, solved), ...others, MODEL_SHARE]),
    },
  ];
}
