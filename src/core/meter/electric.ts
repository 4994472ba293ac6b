import { repeatsOf } from './repeats';
import type { ElectricId, MeterReading, Session } from './session';
import { combined, withinLimits } from './uncertainty';

export const ELECTRIC_NAMES: Record<ElectricId, { name: string; unit: string }> = {
  nearV: { name: 'Volts where the tape is fed', unit: 'V' },
  farV: { name: 'Volts at its far end', unit: 'V' },
  tapeA: { name: 'Amps into the tape', unit: 'A' },
  mainsA: { name: 'Amps at the plug', unit: 'A' },
  mainsW: { name: 'Watts at the plug', unit: 'W' },
  powerFactor: { name: 'Power factor', unit: '' },
};

export interface ElectricFigure {
  value: number;
  /** standard uncertainty, in the unit of the value */
  deviation: number;
}

export interface ElectricResult {
  read: Partial<Record<ElectricId, ElectricFigure>>;
  /** copper out and back of a tape that takes its current evenly, Ω/m; null until three figures are read */
  loopOhmPerM: ElectricFigure | null;
  /** of the tape itself, W */
  tapeW: number | null;
  notes: string[];
}

/**
 * What volts and amps say. A tape fed at one end whose every metre takes as much carries I at its beginning and nothing at
 * its end: the drop is I·r·L/2, so r = 2·(V₁ − V₂)/(I·L) [worked: Ohm's law along the tape].
 * @param lengthM  of the tape; null for none
 */
export function electricResult(
  session: Session,
  readings: readonly MeterReading[],
  lengthM: number | null,
): ElectricResult {
  const { classShare, grainLx: grain } = session.instrument;
  const read: ElectricResult['read'] = {};
  for (const id of Object.keys(ELECTRIC_NAMES) as ElectricId[]) {
    const values = readings.flatMap(({ place, value }) =>
      place.kind === 'electric' && place.what === id ? [value] : [],
    );
    if (values.length === 0) continue;
    const { mean, meanDeviation } = repeatsOf(values);
    read[id] = {
      value: mean,
      deviation: combined([
        withinLimits(classShare * mean),
        meanDeviation ?? 0,
        withinLimits(grain / 2),
      ]),
    };
  }
  const { nearV, farV, tapeA } = read;
  const notes: string[] = [];
  let loopOhmPerM: ElectricFigure | null = null;
  if (nearV && farV && tapeA && lengthM) {
    const drop = nearV.value - farV.value;
    if (drop <= 0)
      notes.push('The far end shows no fewer volts: it is fed there too, or the two were swapped.');
    else if (tapeA.value <= 0) notes.push('No current: the tape is not lit.');
    else {
      const value = (2 * drop) / (tapeA.value * lengthM);
      // One meter, wrong by one share, reads both volts: what counts of the drop is what each has for itself.
      const single = Math.hypot(withinLimits(grain / 2), withinLimits(grain / 2));
      const share = combined([
        withinLimits(classShare),
        single / drop,
        tapeA.deviation / tapeA.value,
      ]);
      loopOhmPerM = { value, deviation: value * share };
      if (single / drop > 0.1)
        notes.push(
          'The drop is only a few steps of the meter: read it on a longer tape, fully up.',
        );
    }
  }
  return {
    read,
    loopOhmPerM,
    tapeW: nearV && tapeA ? nearV.value * tapeA.value : null,
    notes,
  };
}
