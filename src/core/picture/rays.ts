import { STRIDE } from '../light/emitter';
import { emitterLx, emitterPasses } from '../light/illuminance';
import { headShades, type HeadGrid } from '../mannequin/grid';
import type { PlacedLight } from './scene';
import { MATERIALS } from '../mannequin/surface';
import { CAMERA, inBand, type Sight } from './sight';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { floor, imul, max, sqrt } = Math;

// Bound to this module: bundlers read an imported name off its module at every use, millions of times here.
const PER_EMITTER = STRIDE;
const [lampLx, lampPasses, shades] = [emitterLx, emitterPasses, headShades];

/** Exponent of the skin’s slight sheen, Blinn’s lobe [typ]. */
export const SHEEN_POWER = 22;
/** Rays leave the skin by so much; less than a feature, more than the grid's error. */
const SKIP_M = 0.006;
/** Rays after which a pixel's kind is known. */
const SURE_AFTER = 12;
const GOLDEN = 0.6180339887498949;

/** What the rays of a picture have found so far, by pixel. */
export interface Lit {
  /** lux with nothing in the way */
  arriving: Float32Array;
  /** weights of rays that came through, of all rays, and of their sheen */
  passed: Float32Array;
  weights: Float32Array;
  sheen: Float32Array;
  /** rays that each pixel has had */
  samples: number;
}

/** A picture's rows, and what is in them. */
export interface Drawn {
  sight: Sight;
  grid: HeadGrid;
  placed: PlacedLight;
  rows: { first: number; every: number };
}

/** Adds so many rays to every pixel of a picture's rows: each to a source drawn by its flux. */
export function addRays(drawn: Drawn, lit: Lit, rays: number): void {
  const { sight, rows } = drawn;
  const { size } = sight;
  for (let row = rows.first; row < size; row += rows.every)
    if (inBand(sight, row))
      for (let column = 0; column < size; column++)
        raysOfPixel(drawn, lit, row * size + column, rays);
  lit.samples += rays;
}

function raysOfPixel({ sight, grid, placed }: Drawn, lit: Lit, at: number, rays: number): void {
  const { places, normals, materials } = sight;
  const { field, axes, origin, places: lamps, half, shares } = placed;
  const { samples } = lit;
  const [x, y, z] = [places[at * 3]!, places[at * 3 + 1]!, places[at * 3 + 2]!];
  const [nx, ny, nz] = [normals[at * 3]!, normals[at * 3 + 1]!, normals[at * 3 + 2]!];
  // The pixel in the light's own axes.
  const [ox, oy, oz] = [x - origin[0]!, y - origin[1]!, z - origin[2]!];
  const qx = ox * axes[0]! + oy * axes[1]! + oz * axes[2]!;
  const qy = ox * axes[3]! + oy * axes[4]! + oz * axes[5]!;
  const qz = ox * axes[6]! + oy * axes[7]! + oz * axes[8]!;
  const mx = nx * axes[0]! + ny * axes[1]! + nz * axes[2]!;
  const my = nx * axes[3]! + ny * axes[4]! + nz * axes[5]!;
  const mz = nx * axes[6]! + ny * axes[7]! + nz * axes[8]!;
  const clear = field.controls.length === 0;
  if (lit.arriving[at] === 0) return;
  const skin = isSkin(materials[at]!);
  const [vx, vy, vz] = unitTo(CAMERA.x - x, CAMERA.y - y, CAMERA.z - z);
  const [own, other, third] = [hashed(at, 1), hashed(at, 2), hashed(at, 3)];
  // What was all lit or all shaded so far is hardly a half-shadow: it gets by with fewer rays.
  const plain =
    samples >= SURE_AFTER && (lit.passed[at] === 0 || lit.passed[at] === lit.weights[at]);
  const step = plain ? 4 : 1;
  for (let ray = 0; ray < rays; ray += step) {
    const n = samples + ray;
    const k = pick(shares, fraction(own + n * GOLDEN));
    const o = k * PER_EMITTER;
    let weight = lampLx(field, o, qx, qy, qz, mx, my, mz);
    if (!clear && weight > 0) weight *= lampPasses(field, o, qx, qy, qz);
    // Drawn by flux, so each counts by what a lumen of it does here.
    weight /= shares[k]! - (k > 0 ? shares[k - 1]! : 0);
    if (weight === 0) continue;
    const u = 2 * fraction(other + n * 0.7548776662) - 1;
    const v = 2 * fraction(third + n * 0.5698402909) - 1;
    const [ju, jv] = [u * half[k * 3]!, v * half[k * 3 + 1]!];
    const lx = lamps[k * 3]! + ju * axes[0]! + jv * axes[3]!;
    const ly = lamps[k * 3 + 1]! + ju * axes[1]! + jv * axes[4]!;
    const lz = lamps[k * 3 + 2]! + ju * axes[2]! + jv * axes[5]!;
    lit.weights[at]! += weight;
    if (shades(grid, x + nx * 0.002, y + ny * 0.002, z + nz * 0.002, lx, ly, lz, SKIP_M)) continue;
    lit.passed[at]! += weight;
    if (!skin) continue;
    const [hx, hy, hz] = halfway(lx - x, ly - y, lz - z, vx, vy, vz);
    const shine = max(0, hx * nx + hy * ny + hz * nz) ** SHEEN_POWER;
    lit.sheen[at]! += weight * shine;
  }
}

const isSkin = (material: number): boolean =>
  material === MATERIALS.skin || material === MATERIALS.lip;

const fraction = (value: number): number => value - floor(value);

/** A number of 0…1 that belongs to a pixel, so that neighbours draw different rays. */
function hashed(at: number, salt: number): number {
  let h = imul(at + 1, 0x9e3779b1) ^ imul(salt, 0x85ebca6b);
  h = imul(h ^ (h >>> 15), 0x2c1b3c6d);
  h = imul(h ^ (h >>> 12), 0x297a2d39);
  return ((h ^ (h >>> 15)) >>> 0) / 4294967296;
}

/** First source whose summed share reaches u. */
function pick(shares: Float64Array, u: number): number {
  let low = 0;
  let high = shares.length - 1;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (shares[middle]! < u) low = middle + 1;
    else high = middle;
  }
  return low;
}

function unitTo(x: number, y: number, z: number): readonly [number, number, number] {
  const by = 1 / sqrt(x * x + y * y + z * z);
  return [x * by, y * by, z * by];
}

/** Unit vector half way between a direction of any length and a unit one. */
function halfway(
  x: number,
  y: number,
  z: number,
  vx: number,
  vy: number,
  vz: number,
): readonly [number, number, number] {
  const by = 1 / sqrt(x * x + y * y + z * z);
  return unitTo(x * by + vx, y * by + vy, z * by + vz);
}
