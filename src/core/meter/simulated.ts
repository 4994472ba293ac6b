import { fnv } from '../fnv';
import { mixed } from '../light/transport/random';
import type { MeterReading } from './session';

/**
 * A meter that is not there: what a model says at a place, read as a real one would read it. Every session has one
 * meter, wrong by one share all the while; every reading has a hand that is not quite where it should be, and a last digit.
 */
export interface SimulatedMeter {
  /** of the session: the same session is always metered by the same meter */
  seed: string;
  classShare: number;
  grainLx: number;
  distanceM: number;
  distanceErrorM: number;
  /** the room's own light, lux */
  roomLx: number;
  /** minutes the lamp was on before the first reading */
  warmMin: number;
}

/** Between 0 and 1, the same for the same words. */
const drawn = (words: string): number => (mixed(fnv(words)) >>> 0) / 2 ** 32;
/** Of a normal spread: twelve even ones less six [common practice: sum of uniforms]. */
const normal = (words: string): number =>
  Array.from({ length: 12 }, (_, k) => drawn(`${words} ${k}`)).reduce((sum, x) => sum + x, -6);

/** A cold lamp gives this much more, and settles within so many minutes [common practice for LED lamps]. */
const COLD_SHARE = 0.04;
const SETTLES_MIN = 8;
/** From one reading to the next, minutes. */
const BETWEEN_MIN = 0.25;

/**
 * What it would show.
 * @param trueLx  by the model at the very place, without the room's light
 * @param order  of the reading in its session
 */
export function simulatedLux(
  meter: SimulatedMeter,
  place: MeterReading['place'],
  trueLx: number,
  order: number,
): number {
  const { seed, classShare, grainLx, distanceM, distanceErrorM, roomLx, warmMin } = meter;
  const own = 1 + classShare * (2 * drawn(`${seed} gain`) - 1);
  const hand = (distanceErrorM / 3) * normal(`${seed} hand ${order}`);
  const distance = place.kind === 'angle' ? (distanceM / (distanceM + hand)) ** 2 : 1;
  const minutes = warmMin + BETWEEN_MIN * order;
  const warming = 1 + COLD_SHARE * Math.exp(-minutes / SETTLES_MIN);
  const lamp = place.kind === 'room' ? 0 : trueLx * distance * warming;
  const shown = (lamp + roomLx) * own * (1 + 0.003 * normal(`${seed} noise ${order}`));
  return Math.max(0, Math.round(shown / grainLx) * grainLx);
}
