import { COLUMNS, isLambertian, STRIDE, type EmitterField } from '../light/emitter';
import { emitterLx, emitterPasses } from '../light/illuminance';
import { desk, type Desk } from '../native/native';
import type { PlacedLight } from './scene';
import { inBand, type Sight } from './sight';

// Bound to this module: bundlers read an imported name off its module at every use, millions of times here.
const PER_EMITTER = STRIDE;
const [lampLx, lampPasses] = [emitterLx, emitterPasses];
const { axis: AXIS, linear: LINEAR } = COLUMNS;

/** Pixels at a time: a multiple of four. */
const STRETCH = 4096;
/** Numbers of a source: place, axis, intensity along it. */
const PER_SOURCE = 7;
const summing = desk();

/** Places and normals of pixels in a light’s own axes, a row of each number. */
interface Pixels {
  at: Int32Array;
  points: Float32Array;
}

/**
 * Light that arrives at each pixel of some rows with nothing in its way but doors and cloth: the sum over all sources.
 * @returns lux by pixel; 0 in other rows
 */
export function unshaded(
  sight: Sight,
  placed: PlacedLight,
  rows: { first: number; every: number },
  on: Desk | null = summing,
): Float32Array {
  const found = new Float32Array(sight.size ** 2);
  const { field } = placed;
  const even = field.controls.length === 0 && isLambertian(field);
  const sources = even ? sourcesOf(field) : null;
  for (const pixels of stretches(sight, placed, rows)) {
    const sums = on && sources ? nativeSums(on, sources, pixels.points) : sumsOf(field, pixels);
    pixels.at.forEach((at, k) => (found[at] = sums[k]!));
  }
  return found;
}

function sourcesOf({ data, count }: EmitterField): Float32Array {
  const sources = new Float32Array(count * PER_SOURCE);
  for (let k = 0; k < count; k++) {
    const o = k * PER_EMITTER;
    sources.set(data.subarray(o, o + AXIS + 3), k * PER_SOURCE);
    sources[k * PER_SOURCE + 6] = data[o + LINEAR]!;
  }
  return sources;
}

function nativeSums(on: Desk, sources: Float32Array, points: Float32Array): Float32Array {
  const count = points.length / 6;
  on.clear();
  const out = on.room(count * 4);
  on.run.lambertSums(count, on.lay(points), on.lay(sources), sources.length / PER_SOURCE, out);
  return on.floats(out, count);
}

/** The same in plain numbers, for every spread and past everything that stands in the way. */
function sumsOf(field: EmitterField, { at, points }: Pixels): Float32Array {
  const count = points.length / 6;
  const clear = field.controls.length === 0;
  const sums = new Float32Array(at.length);
  for (let k = 0; k < at.length; k++) {
    const [x, y, z] = [points[k]!, points[count + k]!, points[2 * count + k]!];
    const [nx, ny, nz] = [points[3 * count + k]!, points[4 * count + k]!, points[5 * count + k]!];
    let sum = 0;
    for (let o = 0; o < field.count * PER_EMITTER; o += PER_EMITTER) {
      const lx = lampLx(field, o, x, y, z, nx, ny, nz);
      sum += clear || lx === 0 ? lx : lx * lampPasses(field, o, x, y, z);
    }
    sums[k] = sum;
  }
  return sums;
}

function* stretches(
  sight: Sight,
  placed: PlacedLight,
  { first, every }: { first: number; every: number },
): Generator<Pixels> {
  const { size } = sight;
  const all: number[] = [];
  for (let row = first; row < size; row += every)
    if (inBand(sight, row))
      for (let column = 0; column < size; column++) all.push(row * size + column);
  for (let from = 0; from < all.length; from += STRETCH) {
    const at = Int32Array.from(all.slice(from, from + STRETCH));
    yield { at, points: inLightsAxes(sight, placed, at) };
  }
}

function inLightsAxes(
  { places, normals }: Sight,
  { axes, origin }: PlacedLight,
  at: Int32Array,
): Float32Array {
  // Those that fill up the last four look nowhere.
  const count = Math.ceil(at.length / 4) * 4;
  const points = new Float32Array(count * 6);
  for (let k = 0; k < at.length; k++) {
    const o = at[k]! * 3;
    const [x, y, z] = [
      places[o]! - origin[0]!,
      places[o + 1]! - origin[1]!,
      places[o + 2]! - origin[2]!,
    ];
    const [nx, ny, nz] = [normals[o]!, normals[o + 1]!, normals[o + 2]!];
    for (let axis = 0; axis < 3; axis++) {
      const [a, b, c] = [axes[axis * 3]!, axes[axis * 3 + 1]!, axes[axis * 3 + 2]!];
      points[axis * count + k] = x * a + y * b + z * c;
      points[(3 + axis) * count + k] = nx * a + ny * b + nz * c;
    }
  }
  return points;
}
