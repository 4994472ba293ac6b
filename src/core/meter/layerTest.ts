import { Matrix, solve } from 'ml-matrix';
import { accept, refuse, type Result } from '../result';
import { repeatsOf } from './repeats';
import { combined, withinLimits } from './uncertainty';

/** One reading of a layer test, in the order they were taken. */
export interface LayerReading {
  with: boolean;
  lux: number;
}

export interface LayerTest {
  /** transmittance as it hangs there */
  tau: number;
  /** standard uncertainty of it */
  deviation: number;
  /** what it takes, stops */
  stops: number;
  /** change of the lamp from one reading to the next, as a share; straight drift is cancelled */
  driftShare: number;
  /** what the room's light would do to it where nobody read it: τ if the room gave a tenth of the open reading */
  ifRoom: number | null;
  notes: string[];
}

/** Room light nobody read is taken to be this share of the reading without the layer, to tell what it would do. */
const SUPPOSED_ROOM = 0.1;
/** More than this from one reading to the next is a lamp that is not warm. */
const DRIFT = 0.02;

/** ln(lux) = a + b·place + c·layer by least squares: what is left when a straight drift is taken out. */
function fitted(readings: readonly LayerReading[]) {
  const rows = new Matrix(readings.map(({ with: layer }, place) => [1, place, layer ? 1 : 0]));
  const logs = Matrix.columnVector(readings.map(({ lux }) => Math.log(lux)));
  const found = solve(rows, logs, true);
  const misses = Matrix.sub(logs, rows.mmul(found)).to1DArray();
  const free = readings.length - 3;
  return {
    perReading: found.get(1, 0),
    step: found.get(2, 0),
    deviation:
      free > 0 ? Math.sqrt(misses.reduce((sum, miss) => sum + miss * miss, 0) / free) : null,
  };
}

const count = (readings: readonly LayerReading[], layer: boolean) =>
  readings.filter(({ with: has }) => has === layer).length;
/** Alternating at least once over: without it a drift cannot be told from the layer. */
const alternates = (readings: readonly LayerReading[]) =>
  readings.slice(1).filter((each, k) => each.with !== readings[k]!.with).length >= 2;

/**
 * A layer's transmittance from readings with and without it, taken in turns: a straight drift of the lamp falls out.
 * Refused, with what to do: too few, no turns, more light with the layer than without.
 * @param roomLuxes  the room, lamp off; empty where nobody read it
 * @param grain  smallest step the meter shows, lux
 */
export function layerTestOf(
  readings: readonly LayerReading[],
  roomLuxes: readonly number[],
  grain: number,
): Result<LayerTest> {
  const room = roomLuxes.length ? repeatsOf(roomLuxes).mean : 0;
  const net = readings.map((each) => ({ ...each, lux: each.lux - room }));
  if (net.some(({ lux }) => lux <= 0))
    return refuse(
      'dark',
      'A reading is no brighter than the room with the lamp off: darken the room, or go nearer.',
      'readings',
    );
  if (count(net, true) < 1 || count(net, false) < 1 || net.length < 3 || !alternates(net))
    return refuse(
      'few',
      'Read in turns: without, with, without. A lamp that drifts looks like a layer otherwise.',
      'readings',
    );
  const { perReading, step, deviation } = fitted(net);
  const tau = Math.exp(step);
  if (tau > 1)
    return refuse(
      'over_one',
      `More light with the layer than without (${tau.toFixed(2)}): the meter was moved, the room changed, or a camera chose its own exposure.`,
      'readings',
    );
  const open = net.filter(({ with: has }) => !has).map(({ lux }) => lux);
  const closed = net.filter(({ with: has }) => has).map(({ lux }) => lux);
  const mean = (values: readonly number[]) => repeatsOf(values).mean;
  const scatter = deviation ?? 0;
  const shares = [
    scatter * Math.sqrt(1 / open.length + 1 / closed.length),
    withinLimits(grain / 2) / mean(open),
    withinLimits(grain / 2) / mean(closed),
  ];
  const notes: string[] = [];
  if (Math.abs(perReading) > DRIFT)
    notes.push('The lamp changes from reading to reading: let it warm up for twenty minutes.');
  if (deviation === null) notes.push('Four readings or more would tell how well it is known.');
  if (roomLuxes.length === 0)
    notes.push('Nobody read the room with the lamp off: its light makes a layer look thinner.');
  const supposed = SUPPOSED_ROOM * mean(open);
  return accept({
    tau,
    deviation: tau * combined(shares),
    stops: Math.log2(1 / tau),
    driftShare: perReading,
    ifRoom:
      roomLuxes.length === 0 && mean(closed) > supposed
        ? (mean(closed) - supposed) / (mean(open) - supposed)
        : null,
    notes,
  });
}
