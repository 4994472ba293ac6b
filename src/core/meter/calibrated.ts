import type { Part } from '../materials/part';
import { FINISHES, type Finish, type FinishId } from '../materials/finish';
import { effectiveUnit, tapeCopper, tapeLumensPerM, tapeWattsPerM } from '../units/effective';
import type { Unit } from '../units/unit';
import type { Calibration, Cause } from './causes';

/** A factor of a unit or part, or null where readings taught nothing of it. */
const causeOf = (calibration: Calibration, kind: Cause['kind'], id: string): Cause | null =>
  calibration.causes.find((cause) => cause.kind === kind && cause.id === id) ?? null;

const figures = (value: number): number => Number(value.toPrecision(6));

/** A unit with the light and copper that readings say it has. What was metered itself stays: it is surer. */
const calibratedUnit = (unit: Unit, calibration: Calibration): Unit =>
  withCopper(withLight(unit, calibration), calibration);

function withCopper(unit: Unit, calibration: Calibration): Unit {
  const copper = causeOf(calibration, 'copper', unit.id);
  if (!copper || unit.category !== 'strip' || unit.origins.loopOhmPerM === 'metered') return unit;
  const loopOhmPerM = figures(tapeCopper(unit).value * copper.factor);
  return { ...unit, loopOhmPerM, origins: { ...unit.origins, loopOhmPerM: 'calibrated' } };
}

function withLight(unit: Unit, calibration: Calibration): Unit {
  const flux = causeOf(calibration, 'flux', unit.id);
  if (!flux) return unit;
  if (unit.category === 'strip') {
    if (unit.origins.lumensPerM === 'metered') return unit;
    // What lights at once is told for the whole tape again.
    const lit = tapeWattsPerM(unit) / unit.wattsPerM;
    const lumensPerM = figures((tapeLumensPerM(unit).value / lit) * flux.factor);
    return { ...unit, lumensPerM, origins: { ...unit.origins, lumensPerM: 'calibrated' } };
  }
  if (unit.origins.luminousFluxLm === 'metered') return unit;
  const luminousFluxLm = figures(effectiveUnit(unit).luminousFluxLm.value * flux.factor);
  return { ...unit, luminousFluxLm, origins: { ...unit.origins, luminousFluxLm: 'calibrated' } };
}

/** No layer lets through more than what it does not send back. */
function calibratedPart(part: Part, calibration: Calibration): Part {
  const cause = causeOf(calibration, 'transmittance', part.id);
  if (!cause || part.role !== 'diffusion' || part.origins.transmittance === 'metered') return part;
  const most = 1 - part.backReflectance;
  return {
    ...part,
    transmittance: figures(
      Math.min(Math.max(most, part.transmittance), part.transmittance * cause.factor),
    ),
    origins: { ...part.origins, transmittance: 'calibrated' },
  };
}

/** Nothing sends back all light; magnesium oxide, the whitest, 0.98 [std: CIE 15]. */
const WHITEST = 0.98;

/** A finish as the table says, or as readings taught. */
export function calibratedFinish(id: FinishId, calibration: Calibration | null): Finish {
  const finish: Finish = FINISHES[id];
  const cause = calibration && causeOf(calibration, 'reflectance', id);
  return cause
    ? kept(calibration, finish, () => ({
        ...finish,
        reflectance: figures(Math.min(WHITEST, finish.reflectance * cause.factor)),
        origin: 'calibrated' as const,
      }))
    : finish;
}

/** The same record for the same lesson: what was worked out from it still stands. */
const known = new WeakMap<Calibration, WeakMap<object, object>>();

function kept<R extends object>(calibration: Calibration, record: R, work: () => R): R {
  const own = known.get(calibration) ?? new WeakMap<object, object>();
  known.set(calibration, own);
  const found = (own.get(record) as R | undefined) ?? work();
  own.set(record, found);
  return found;
}

/** A shelf record as builds see it: with what readings taught. */
export function asCalibrated<R extends Unit | Part>(
  kind: 'units' | 'parts',
  record: R,
  calibration: Calibration | null,
): R {
  if (!calibration) return record;
  return kept(calibration, record, () =>
    kind === 'units'
      ? (calibratedUnit(record as Unit, calibration) as R)
      : (calibratedPart(record as Part, calibration) as R),
  );
}
