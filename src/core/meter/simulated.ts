import { fnv } from '../fnv';
import { mixed } from '../light/transport/random';
import type { MeterReading, Session } from './session';

/** Between 0 and 1, the same for the same words. */
const drawn = (words: string): number => (mixed(fnv(words)) >>> 0) / 2 ** 32;
/** How far an instrument's own scale lies off, the same for the same one: evenly within ± a limit. */
export const ownOffset = (id: string, limit: number): number =>
  limit * (2 * drawn(`${id} gain`) - 1);

/** Of a normal spread: twelve even ones less six [common practice: sum of uniforms]. */
const normal = (words: string): number =>
  Array.from({ length: 12 }, (_, k) => drawn(`${words} ${k}`)).reduce((sum, x) => sum + x, -6);

/** A cold lamp gives this much more, and settles within so many minutes [common practice for LED lamps]. */
const COLD_SHARE = 0.04;
const SETTLES_MIN = 8;
/** A hand and a display flutter by this share. */
const NOISE_SHARE = 0.003;
/** Of the last digit of a hand meter, as its standard deviation [common practice]. */
const TREMBLE = 0.3;
/** From one reading to the next, minutes. */
const BETWEEN_MIN = 0.25;

export interface HeldThere {
  place: MeterReading['place'];
  /** by the model at the very place, without the room's light */
  trueLx: number;
  /** the room's own light, lux */
  roomLx: number;
  /** of the reading in its session */
  order: number;
}

/**
 * What a meter that is not there would show, lux: what a model says at a place, read as a real one would read it. Every
 * session has one meter, wrong by one share all the while; every reading has a hand that is not quite where it should be, a
 * lamp that still warms up, and a last digit.
 */
export function simulatedLux(
  { id, instrument, distanceM, distanceErrorM, warmMin }: Session,
  { place, trueLx, roomLx, order }: HeldThere,
): number {
  const { classShare, grainLx } = instrument;
  const own = 1 + ownOffset(id, classShare);
  const hand = (distanceErrorM / 3) * normal(`${id} hand ${order}`);
  const distance = place.kind === 'angle' ? (distanceM / (distanceM + hand)) ** 2 : 1;
  const minutes = (warmMin ?? 0) + BETWEEN_MIN * order;
  const warming = 1 + COLD_SHARE * Math.exp(-minutes / SETTLES_MIN);
  const lamp = place.kind === 'room' ? 0 : trueLx * distance * warming;
  const shown = (lamp + roomLx) * own * (1 + NOISE_SHARE * normal(`${id} noise ${order}`));
  const steps = grainLx > 0 ? Math.round(shown / grainLx) * grainLx : shown;
  return Math.max(0, steps);
}

/**
 * A figure that is not light, as a hand meter shows it: volts, amps, watts, °C; wrong by one share through the session, with a
 * flutter and a last digit. @param words  what is read: another place has another flutter
 */
export function simulatedFigure({ id, instrument }: Session, words: string, truth: number): number {
  const { classShare, grainLx: grain } = instrument;
  const own = 1 + ownOffset(id, classShare);
  // Hand meters average what flutters: the last digit trembles, no more.
  const shown = truth * own + TREMBLE * grain * normal(`${id} ${words}`);
  return grain > 0 ? Math.round(shown / grain) * grain : shown;
}

/** A spectrum as a small spectrometer writes it: every 5 nm, with some noise of its dark rows. */
export function simulatedSpectrum(
  id: string,
  powerAt: (nm: number) => number,
): { wavelengthsNm: number[]; power: number[] } {
  const wavelengthsNm = Array.from({ length: 81 }, (_, k) => 380 + 5 * k);
  const truth = wavelengthsNm.map(powerAt);
  const most = Math.max(...truth);
  return {
    wavelengthsNm,
    power: truth.map((power, k) =>
      Number(
        Math.max(
          0,
          (power / most) * (1 + 0.01 * normal(`${id} ${k}`)) + 0.001 * normal(`${id} dark ${k}`),
        ).toFixed(5),
      ),
    ),
  };
}
