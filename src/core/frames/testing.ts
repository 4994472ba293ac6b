import { encode } from '../colour/display';
import { FrameReader, type FrameData } from './frame';
import { linearTable } from './tone';

// Bound by name: where globals are guarded a look-up of `Math` costs more than what it does.
const { floor, hypot, imul, max, min, round, sqrt } = Math;

/** A picture of a scene that is known: linear light by place, 0…1 across and down. */
export interface Scene {
  light: (x: number, y: number) => readonly [number, number, number];
  width?: number;
  height?: number;
  /** of a single pixel, as a share of its light */
  noise?: number;
  seed?: number;
  /** linear → encoded, 0…1; sRGB unless said */
  response?: (linear: number) => number;
}

/** An even number between 0 and 1 for a place and a seed. */
const chance = (k: number, seed: number): number => {
  let h = imul(k + 1, 0x9e3779b1) ^ imul(seed + 7, 0x85ebca6b);
  h = imul(h ^ (h >>> 15), 0x2c1b3c6d);
  h = imul(h ^ (h >>> 12), 0x297a2d39);
  return ((h ^ (h >>> 15)) >>> 0) / 2 ** 32;
};

/** Steps of the table from light to bytes. */
const TABLE = 65_535;

/** The pixels of it, as a decoded file has them. */
export function pixelsOf({
  light,
  width = 480,
  height = 320,
  noise = 0,
  seed = 1,
  response = encode,
}: Scene): { width: number; height: number; pixels: Uint8ClampedArray } {
  const pixels = new Uint8ClampedArray(4 * width * height);
  const bytes = Uint8Array.from({ length: TABLE + 1 }, (_, k) => round(255 * response(k / TABLE)));
  const grain = noise * sqrt(3);
  for (let at = 0; at < width * height; at++) {
    const [x, y] = [((at % width) + 0.5) / width, (floor(at / width) + 0.5) / height];
    // Nearly normal: four even numbers less two, of deviation 1/√3.
    let flutter = 1;
    if (noise > 0) for (let k = 0; k < 4; k++) flutter += grain * (chance(4 * at + k, seed) - 0.5);
    const linear = light(x, y);
    for (let c = 0; c < 3; c++)
      pixels[4 * at + c] = bytes[round(TABLE * min(1, max(0, linear[c]! * flutter)))]!;
    pixels[4 * at + 3] = 255;
  }
  return { width, height, pixels };
}

/** The scene as the application reads it. */
export function frameOf(scene: Scene, table = linearTable(null)): FrameData {
  const { width, height, pixels } = pixelsOf(scene);
  const reader = new FrameReader(width, height, table);
  const strip = 64;
  for (let y = 0; y < height; y += strip)
    reader.addInPlace(pixels.subarray(4 * width * y, 4 * width * min(height, y + strip)), y);
  return reader.done();
}

/** A room with things in it: something to hold on to, nothing that repeats. */
export function room(x: number, y: number): readonly [number, number, number] {
  const disc = (cx: number, cy: number, r: number) => (hypot((x - cx) * 1.5, y - cy) < r ? 1 : 0);
  const box = (l: number, t: number, r: number, b: number) =>
    x > l && x < r && y > t && y < b ? 1 : 0;
  const wall = 0.1 + 0.06 * x + 0.03 * y;
  const light =
    wall +
    0.12 * disc(0.45, 0.4, 0.2) +
    0.1 * box(0.08, 0.15, 0.2, 0.45) +
    0.18 * box(0.75, 0.55, 0.9, 0.72) +
    0.08 * disc(0.82, 0.22, 0.1) +
    0.06 * box(0.12, 0.7, 0.33, 0.92) -
    0.05 * box(0.5, 0.75, 0.62, 0.95);
  return [light, light, light];
}
