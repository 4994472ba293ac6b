import { recordsOf } from '@/core/evaluate/forecastShare';
import type { SweepForecast } from '@/core/evaluate/litBy';
import type { OfTheUnit } from '@/core/meter/photometry';
import { forecastCd, lumensWithin, ORIGIN_SHARE, saidOf } from '@/core/meter/said';
import type { Session } from '@/core/meter/session';
import { sweptLumens, valueAt, type SweptCd } from '@/core/meter/sweep';
import type { Origin } from '@/core/origin';
import { effectiveUnit, oneOf } from '@/core/units/effective';
import { SPREAD_NAMES } from '@/core/units/spread';
import type { Unit } from '@/core/units/unit';
import { useEngine } from '../shell/useEngine';
import { useProduction } from '../store/context';
import { useSessionBuild } from './useSessionBuild';

/** What the meter should read on its way round a lamp or a light. */
export interface SweptForecast {
  /** how the curve is called */
  name: string;
  cdAt: SweptCd;
  lumensWithin: (toDeg: number) => number;
  /** standard uncertainty of its lumens, as a share, and where they come from */
  share: number;
  origin: Origin;
}

/** A sweep's lamp or light, and what is forecast of it. */
export interface Swept {
  unit: Unit | undefined;
  /** what files say of it beside its light; null where nothing is known */
  of: OfTheUnit | null;
  forecast: SweptForecast | null;
}

export function useSwept(session: Session): Swept {
  const document = useProduction((state) => state.document);
  const unit = document.shelf.units.find(({ id }) => id === session.unitId);
  const build = document.builds.find(({ id }) => id === session.buildId);
  const readouts = useSessionBuild(build?.id ?? null);
  const { answer } = useEngine(
    (engine) => engine.sweepForecast(document, session),
    [
      document.builds,
      document.shelf,
      document.calibration,
      session.distanceM,
      session.level,
      session.buildId,
    ],
    build !== undefined,
  );
  if (!build) return { unit, of: unit ? ofUnit(unit) : null, forecast: unit ? saidBy(unit) : null };
  const rung = (id: string) => readouts?.rungs.find((each) => each.id === id)?.value ?? null;
  const lamps = recordsOf(document, build).units.map((each) => oneOf(each).criRa.value);
  return {
    unit: undefined,
    of: {
      wattsW: rung('power') ?? 0,
      cctK: rung('colour'),
      criRa: lamps.length ? Math.min(...lamps) : null,
    },
    forecast: answer ? builtBy(answer) : null,
  };
}

function ofUnit(unit: Unit): OfTheUnit | null {
  if (!('spread' in unit)) return null;
  const { wattsW, cctK, criRa } = effectiveUnit(unit);
  return { wattsW: wattsW.value, cctK: cctK.value, criRa: criRa.value };
}

function saidBy(unit: Unit): SweptForecast | null {
  const said = saidOf(unit);
  return (
    said && {
      name: `forecast, ${SPREAD_NAMES[said.spread.class]}`,
      cdAt: (_, angleDeg) => forecastCd(said, angleDeg),
      lumensWithin: (toDeg) => lumensWithin(said, toDeg),
      share: ORIGIN_SHARE[said.origin],
      origin: said.origin,
    }
  );
}

function builtBy({ planes, share, calibrated }: SweepForecast): SweptForecast {
  const cdAt: SweptCd = (planeDeg, angleDeg) => {
    const plane = planes.find((each) => each.planeDeg === planeDeg) ?? planes[0]!;
    return valueAt(plane.points, angleDeg);
  };
  return {
    name: 'forecast, level',
    cdAt,
    lumensWithin: (toDeg) => sweptLumens(cdAt, toDeg),
    share,
    origin: calibrated ? 'calibrated' : 'computed',
  };
}
