import { STRIDE } from '../light/emitter';
import { emitterLx, emitterPasses } from '../light/illuminance';
import { headShades, type HeadGrid } from './grid';
import { catchlights } from './catchlight';
import { CAMERA, eyePart, inBand, MATERIALS, type Sight } from './sight';
import { SKINS, type SkinId } from './skin';
import { unshaded } from './unshaded';
import { placeLight, type PictureLight, type PlacedLight, type Pose } from './scene';
import { toByte } from './tone';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { ceil, floor, imul, max, sqrt } = Math;

// Bound to this module: bundlers read an imported name off its module at every use, millions of times here.
const PER_EMITTER = STRIDE;
const lampLx = emitterLx;
const lampPasses = emitterPasses;
const shades = headShades;
const byteOf = toByte;
const OF = MATERIALS;

/** Light that a dark room sends back everywhere, as a share of the light at the face [typ]. */
export const ROOM_SHARE = 0.015;
const SHIRT = [0.07, 0.085, 0.11] as const;
const WALL = [0.32, 0.31, 0.3] as const;
const EYE = {
  white: [0.62, 0.57, 0.54],
  iris: [0.09, 0.06, 0.035],
  pupil: [0.004, 0.004, 0.004],
} as const;
const LIP = [1.02, 0.62, 0.66] as const;
/** A slight sheen, Blinn's lobe: strength and exponent [typ]. */
const SHEEN = { skin: 0.035, power: 22 };
/** Rays leave the skin by so much; less than a feature, more than the grid's error. */
const SKIP_M = 0.006;
/** Rays after which a pixel's kind is known. */
const SURE_AFTER = 12;
const GOLDEN = 0.6180339887498949;

export interface PictureSettings {
  skin: SkinId;
  /** light that makes a grey card mid-grey, lux */
  targetLx: number;
  /** bring the face to the target, whatever the light's level */
  matched: boolean;
}

/**
 * A picture of the head in one light, refined pass by pass. The light that arrives unshaded is summed from
 * every source; its shaded share is estimated by rays to sources drawn by their flux, so that only
 * half-shadows are ever noisy.
 */
export class LitPicture {
  private readonly arriving: Float32Array;
  private readonly passed: Float32Array;
  private readonly sheen: Float32Array;
  private readonly weights: Float32Array;
  private readonly placed: PlacedLight;
  private readonly glints: Map<number, number>;
  /** by pixel on the outline, the nearest one of its row on the other side */
  private readonly beside: ReadonlyMap<number, number>;
  private samples = 0;

  constructor(
    private readonly sight: Sight,
    private readonly grid: HeadGrid,
    private readonly light: PictureLight,
    pose: Pose,
    private readonly rows: { first: number; every: number },
  ) {
    const pixels = sight.size ** 2;
    this.beside = besideOf(sight, rows);
    this.passed = new Float32Array(pixels);
    this.sheen = new Float32Array(pixels);
    this.weights = new Float32Array(pixels);
    this.placed = placeLight(light, pose);
    this.arriving = unshaded(sight, this.placed, rows);
    this.glints = catchlights(sight, this.placed, light, rows);
  }

  /** Adds so many rays to every pixel of its rows. */
  refineInPlace(rays: number): void {
    const { size } = this.sight;
    for (let row = this.rows.first; row < size; row += this.rows.every)
      if (inBand(this.sight, row))
        for (let column = 0; column < size; column++)
          this.refinePixelInPlace(row * size + column, rays);
    this.samples += rays;
  }

  private refinePixelInPlace(at: number, rays: number): void {
    const { places, normals, materials } = this.sight;
    const { field, axes, origin, places: lamps, half, shares } = this.placed;
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
    if (this.arriving[at] === 0) return;
    const skin = materials[at] === OF.skin || materials[at] === OF.lip;
    const [vx, vy, vz] = unitTo(CAMERA.x - x, CAMERA.y - y, CAMERA.z - z);
    const [own, other, third] = [hashed(at, 1), hashed(at, 2), hashed(at, 3)];
    // What was all lit or all shaded so far is hardly a half-shadow: it gets by with fewer rays.
    const plain =
      this.samples >= SURE_AFTER && (this.passed[at] === 0 || this.passed[at] === this.weights[at]);
    const step = plain ? 4 : 1;
    for (let ray = 0; ray < rays; ray += step) {
      const n = this.samples + ray;
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
      this.weights[at]! += weight;
      if (shades(this.grid, x + nx * 0.002, y + ny * 0.002, z + nz * 0.002, lx, ly, lz, SKIP_M))
        continue;
      this.passed[at]! += weight;
      if (!skin) continue;
      const [hx, hy, hz] = halfway(lx - x, ly - y, lz - z, vx, vy, vz);
      const shine = max(0, hx * nx + hy * ny + hz * nz) ** SHEEN.power;
      this.sheen[at]! += weight * shine;
    }
  }

  /** Illuminance at a pixel as far as it is known, lux of the readouts' scale. */
  luxAt(at: number): number {
    const open = this.weights[at]! > 0 ? this.passed[at]! / this.weights[at]! : 1;
    return this.arriving[at]! * open + this.light.faceLx * ROOM_SHARE;
  }

  /** Its rows as RGBA bytes, one after the other, and their light in lux. */
  develop(settings: PictureSettings): {
    pixels: Uint8ClampedArray<ArrayBuffer>;
    lux: Float32Array<ArrayBuffer>;
  } {
    const { size } = this.sight;
    const count = ceil((size - this.rows.first) / this.rows.every);
    const pixels = new Uint8ClampedArray(count * size * 4);
    const lux = new Float32Array(count * size);
    const level = settings.matched && this.light.faceLx > 0 ? this.light.faceLx : settings.targetLx;
    const tint = this.light.tint;
    for (let i = 0; i < count; i++)
      for (let column = 0; column < size; column++) {
        const at = (this.rows.first + i * this.rows.every) * size + column;
        const to = i * size + column;
        lux[to] = this.luxAt(at);
        const colour = this.seen(at, level, settings.skin);
        for (let channel = 0; channel < 3; channel++)
          pixels[to * 4 + channel] = byteOf(colour[channel]! * tint[channel]!);
        pixels[to * 4 + 3] = 255;
      }
    return { pixels, lux };
  }

  /** What a pixel shows, 1 for a white card in the target light: along the outline of both sides, by its share of each. */
  private seen(at: number, level: number, skin: SkinId): readonly [number, number, number] {
    const own = this.colourAt(at, level, skin);
    const beside = this.beside.get(at);
    if (beside === undefined) return own;
    const other = this.colourAt(beside, level, skin);
    const { coverage, materials } = this.sight;
    const share = materials[at] === OF.wall ? 1 - coverage[at]! : coverage[at]!;
    return [
      own[0] * share + other[0] * (1 - share),
      own[1] * share + other[1] * (1 - share),
      own[2] * share + other[2] * (1 - share),
    ];
  }

  private colourAt(at: number, level: number, skin: SkinId): readonly [number, number, number] {
    const [r, g, b] = this.albedo(at, this.sight.materials[at]!, skin);
    const exposed = this.luxAt(at) / level;
    const shine = (this.shineAt(at) + (this.glints.get(at) ?? 0)) / level;
    return [r * exposed + shine, g * exposed + shine, b * exposed + shine];
  }

  /** Sheen in the scale of reflectance times lux. */
  private shineAt(at: number): number {
    if (this.weights[at] === 0) return 0;
    const lobe = (SHEEN.skin * (SHEEN.power + 8)) / 8;
    return (this.arriving[at]! * lobe * this.sheen[at]!) / this.weights[at]!;
  }

  private albedo(at: number, material: number, skinId: SkinId): readonly [number, number, number] {
    const skin = SKINS[skinId].albedo;
    switch (material) {
      case OF.wall:
        return WALL;
      case OF.shirt:
        return SHIRT;
      case OF.lip:
        return [skin[0] * LIP[0], skin[1] * LIP[1], skin[2] * LIP[2]];
      case OF.eye: {
        const { places } = this.sight;
        return EYE[eyePart(places[at * 3]!, places[at * 3 + 1]!, places[at * 3 + 2]!)];
      }
      default:
        return skin;
    }
  }
}

/** A pixel on the outline takes the rest of its colour from so near in its row. */
const BESIDE = 4;

/** By pixel of the outline that both sides share, the nearest of its row on the other side. */
function besideOf(sight: Sight, { first, every }: { first: number; every: number }) {
  const { size, materials, coverage } = sight;
  const found = new Map<number, number>();
  const wall = (at: number) => materials[at] === OF.wall;
  for (let row = first; row < size; row += every)
    for (let column = 0; column < size; column++) {
      const at = row * size + column;
      if (coverage[at] === 0 || coverage[at] === 1 || !inBand(sight, row)) continue;
      for (let away = 1; away <= BESIDE && !found.has(at); away++)
        for (const next of [column - away, column + away])
          if (next >= 0 && next < size && wall(row * size + next) !== wall(at))
            found.set(at, row * size + next);
    }
  return found;
}

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
