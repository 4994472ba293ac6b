import { encode } from './display';

/** Said beside every picture. */
export const TONE_WORDS =
  'A mid-grey card in the target light is 18 %. Linear up to 50 %, rolled off above; sRGB.';

const KNEE = 0.5;
const STEPS = 4096;
const MOST = 8;

/** Scene-linear → display-linear: straight to the knee, then an exponential shoulder towards 1. */
export const rolledOff = (value: number): number =>
  value <= KNEE ? value : KNEE + (1 - KNEE) * (1 - Math.exp(-(value - KNEE) / (1 - KNEE)));

/** Bytes for scene-linear values of 0…8, finer in the dark. */
const TABLE = Uint8ClampedArray.from({ length: STEPS + 1 }, (_, k) =>
  Math.round(255 * encode(rolledOff((k / STEPS) ** 2 * MOST))),
);

export const toByte = (value: number): number => {
  const place = Math.sqrt(Math.max(0, value) / MOST) * STEPS;
  return TABLE[place >= STEPS ? STEPS : (place + 0.5) | 0]!;
};
