import type { Build, Production } from '../document/production';
import { carriedBy, solveCauses, type Solved } from '../meter/calibrate';
import type { Calibration } from '../meter/causes';
import { combined } from '../meter/uncertainty';
import { isSimulated } from '../meter/working';
import { clamp } from '../tolerance';
import { COMPARING, forecastOf, type Known } from './compared';
import { causeOfKey, hangsOn, keysOf, MODEL_SHARE, suspectsOf } from './forecastShare';
import { onPlane } from './litBy';

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
  const known: Known = new Map();
  const all = taught.flatMap(
    (session) => COMPARING[session.kind]?.(document, known, session) ?? [],
  );
  const named = new Set(all.flatMap(({ exponents }) => Object.keys(exponents)));
  const suspects = suspectsOf(document, named);
  // A reading of what was metered already teaches nothing more.
  const compared = all.filter(({ exponents }) => suspects.some(({ key }) => key in exponents));
  const solved = solveCauses(compared, suspects);
  return {
    ...solved,
    leftOut,
    builds: document.builds.flatMap((build) => calibratedBuild(document, known, build, solved)),
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
function calibratedBuild(
  document: Production,
  known: Known,
  build: Build,
  solved: Solved,
): CalibratedBuild[] {
  const own = keysOf(hangsOn(document, build));
  if (!solved.causes.some(({ key }) => own.has(key))) return [];
  const shot = document.shots.find(({ id }) => id === build.shotId);
  const forecast = forecastOf(document, known, build, (light) =>
    onPlane(light, shot?.distanceM ?? 1, [{ xM: 0, yM: 0 }]),
  );
  const [predictedLx] = forecast?.values ?? [];
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
