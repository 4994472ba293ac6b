import { encode } from '../colour/display';
import { mixed } from '../light/transport/random';
import { K } from './cameraLux';
import { exposureStops, type Exposure } from './exposure';
import { MID_LINEAR } from './tone';

// Bound by name: where globals are guarded a look-up of `Math` costs more than what it does.
const { floor, max, min, round, sin, sqrt, PI } = Math;

/** A scene as light: what each place sends, as lux on a white card that would send as much. */
export interface LitScene {
  size: number;
  /** red, green, blue by place, row by row */
  whiteLx: Float32Array;
  /** on a grey card in the scene, lux */
  cardLx: number;
}

export interface SimulatedCamera {
  exposure: { [K in keyof Exposure]: number };
  readOutS: number;
  /** how far this camera's scale lies off what its settings say, stops */
  ownStops: number;
  /** a wave on the light; null for steady light */
  wave: { hz: number; modulation: number; phase: number } | null;
  seed: number;
}

/** Where the card lies: shares of the picture. */
export const CARD = { x: 0.06, y: 0.72, w: 0.2, h: 0.2 };
const CARD_REFLECTANCE = 0.18;
/** Edge of the finished picture over that of the scene. */
const LARGER = 2;
/** Flutter of single pixels at mid-grey [common practice]. */
const NOISE = 0.015;

/** Shutter times cameras have, whole stops from 1/8000 s, s. */
const SHUTTERS = Array.from({ length: 17 }, (_, k) => 1 / (8000 / 2 ** k));
/** Settings that bring a card near the middle. */
export function exposureFor(cardLx: number): SimulatedCamera['exposure'] {
  const [fNumber, isoSpeed] = [2.8, 800];
  const wanted = (PI * K * fNumber ** 2) / (isoSpeed * CARD_REFLECTANCE * max(cardLx, 1));
  const far = (seconds: number) => Math.abs(Math.log2(seconds / wanted));
  const exposureS = SHUTTERS.reduce((best, each) => (far(each) < far(best) ? each : best));
  return { fNumber, isoSpeed, exposureS };
}

/** Left of a wave after each row gathered it for a while. */
const averaged = (hz: number, seconds: number): number => {
  const x = PI * hz * seconds;
  return x === 0 ? 1 : sin(x) / x;
};

/**
 * A frame as a camera would take it that is not there: exposed by its settings, on a scale of its own, bands of a rolling
 * shutter, noise, sRGB and its 256 values. @returns RGBA of a square picture
 */
export function simulatedFrame(
  { size, whiteLx, cardLx }: LitScene,
  { exposure, readOutS, ownStops, wave, seed }: SimulatedCamera,
): { edge: number; pixels: Uint8ClampedArray<ArrayBuffer> } {
  const edge = LARGER * size;
  const pixels = new Uint8ClampedArray(4 * edge * edge);
  // Lux on white → luminance → linear light: mid-grey where N²/t = L·S/K.
  const gain = (MID_LINEAR * 2 ** (exposureStops(exposure)! + ownStops)) / (PI * K);
  const left = wave ? averaged(wave.hz, exposure.exposureS) : 0;
  for (let y = 0, at = 0; y < edge; y++) {
    const v = (y + 0.5) / edge;
    const row = wave
      ? 1 + wave.modulation * left * sin(2 * PI * wave.hz * v * readOutS + wave.phase)
      : 1;
    const from = min(size - 1, floor(y / LARGER)) * size;
    for (let x = 0; x < edge; x++, at += 4) {
      const u = (x + 0.5) / edge;
      const onCard = u > CARD.x && u < CARD.x + CARD.w && v > CARD.y && v < CARD.y + CARD.h;
      const place = 3 * (from + min(size - 1, floor(x / LARGER)));
      for (let c = 0; c < 3; c++) {
        const lx = onCard ? CARD_REFLECTANCE * cardLx : whiteLx[place + c]!;
        const light = gain * lx * row;
        const flutter = NOISE * sqrt(MID_LINEAR * max(light, 0)) * normal(at + c, seed);
        pixels[at + c] = round(255 * encode(min(1, max(0, light + flutter))));
      }
      pixels[at + 3] = 255;
    }
  }
  return { edge, pixels };
}

/** Nearly normal, of deviation 1: four even numbers. */
function normal(k: number, seed: number): number {
  let sum = -2;
  for (let part = 0; part < 4; part++) sum += (mixed(mixed(4 * k + part) ^ seed) >>> 0) / 2 ** 32;
  return sum * sqrt(3);
}
