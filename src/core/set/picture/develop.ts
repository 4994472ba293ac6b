import { toByte } from '../../colour/tone';
import { luminanceOf } from '../finish';
import type { Bands } from '../faces';

// Bound to this module: bundlers read an imported name off its module at every use, hundreds of thousands of times here.
const byteOf = toByte;

/** A layer and how it is turned up: red, green and blue of the light times its level. */
interface Faded {
  layer: Float32Array;
  by: Bands;
}

/** Layers added up: lux on white, three to a pixel. */
export function addedUp(layers: readonly Faded[], pixels: number): Float32Array<ArrayBuffer> {
  const sum = new Float32Array(pixels * 3);
  for (const { layer, by } of layers) {
    const [r, g, b] = by;
    if (r === 0 && g === 0 && b === 0) continue;
    for (let k = 0; k < sum.length; k += 3) {
      sum[k]! += r * layer[k]!;
      sum[k + 1]! += g * layer[k + 1]!;
      sum[k + 2]! += b * layer[k + 2]!;
    }
  }
  return sum;
}

/** As the camera shows it: white in the target light is 1, rolled off above. @param whiteLx  target light */
export function developInPlace(
  sum: Float32Array,
  whiteLx: number,
  out: Uint8ClampedArray<ArrayBuffer>,
): void {
  const by = 1 / whiteLx;
  for (let k = 0, to = 0; k < sum.length; k += 3, to += 4) {
    out[to] = byteOf(sum[k]! * by);
    out[to + 1] = byteOf(sum[k + 1]! * by);
    out[to + 2] = byteOf(sum[k + 2]! * by);
    out[to + 3] = 255;
  }
}

/** A grey card in the target light. */
const GREY = 0.18;

/** Stops of a pixel over a grey card in the target light. */
export const stopsAt = (sum: Float32Array, pixel: number, whiteLx: number): number =>
  Math.log2(
    Math.max(
      1e-9,
      luminanceOf([sum[3 * pixel]!, sum[3 * pixel + 1]!, sum[3 * pixel + 2]!]) / whiteLx / GREY,
    ),
  );

/** Over so many stops above grey nothing more is told apart, under so many below it is black [typ: eleven stops of range]. */
export const RANGE_STOPS = { clipped: 4, crushed: -6 } as const;
