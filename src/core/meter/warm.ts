import { repeatsOf } from './repeats';
import type { MeterReading, Session } from './session';
import { combined, withinLimits } from './uncertainty';

export interface WarmThing {
  thing: string;
  celsius: number;
  /** over the room's air; null while nobody read that */
  riseK: number | null;
  /** standard uncertainty, K */
  deviationK: number;
}

/** Heat is not settled before this, min [common practice: an hour for closed cases]. */
export const SETTLED_MIN = 60;

/** Temperatures and how far they rose over the room. */
export function warmResult(session: Session, readings: readonly MeterReading[]): WarmThing[] {
  const air = readings.flatMap(({ place, value }) => (place.kind === 'air' ? [value] : []));
  const airC = air.length ? repeatsOf(air).mean : null;
  const { classShare, grainLx: grain } = session.instrument;
  const things = [
    ...new Set(readings.flatMap(({ place }) => (place.kind === 'warm' ? [place.thing] : []))),
  ];
  return things.map((thing) => {
    const values = readings.flatMap(({ place, value }) =>
      place.kind === 'warm' && place.thing === thing ? [value] : [],
    );
    const { mean, meanDeviation } = repeatsOf(values);
    const rise = airC === null ? null : mean - airC;
    return {
      thing,
      celsius: mean,
      riseK: rise,
      deviationK: combined([
        withinLimits(classShare * Math.abs(rise ?? mean)),
        meanDeviation ?? 0,
        withinLimits(grain / 2),
      ]),
    };
  });
}
