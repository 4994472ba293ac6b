import type { HeadGrid } from '../mannequin/grid';
import { catchlights } from './catchlight';
import { EYE_COLOURS, eyePart, LIP, MATERIALS, SHIRT } from '../mannequin/surface';
import { inBand, type Sight } from './sight';
import { SKINS, type SkinId } from '../mannequin/skin';
import { unshaded } from './unshaded';
import { placeLight, type PictureLight, type Pose } from './scene';
import { addRays, SHEEN_POWER, type Drawn, type Lit } from './rays';
import { toByte } from '../colour/tone';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { ceil } = Math;

// Bound to this module: bundlers read an imported name off its module at every use, millions of times here.
const byteOf = toByte;
const OF = MATERIALS;

/** Light that a dark room sends back everywhere, as a share of the light at the face [typ]. */
export const ROOM_SHARE = 0.015;
const WALL = [0.32, 0.31, 0.3] as const;
/** Strength of the skin’s slight sheen [typ]. */
const SHEEN = 0.035;

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
  private readonly drawn: Drawn;
  private readonly lit: Lit;
  private readonly glints: Map<number, number>;
  /** by pixel on the outline, the nearest one of its row on the other side */
  private readonly beside: ReadonlyMap<number, number>;

  constructor(
    private readonly sight: Sight,
    grid: HeadGrid,
    private readonly light: PictureLight,
    pose: Pose,
    private readonly rows: { first: number; every: number },
  ) {
    const pixels = sight.size ** 2;
    this.beside = besideOf(sight, rows);
    const placed = placeLight(light, pose);
    this.drawn = { sight, grid, placed, rows };
    this.lit = {
      arriving: unshaded(sight, placed, rows),
      passed: new Float32Array(pixels),
      weights: new Float32Array(pixels),
      sheen: new Float32Array(pixels),
      samples: 0,
    };
    this.glints = catchlights(sight, placed, light, rows);
  }

  /** Adds so many rays to every pixel of its rows. */
  refineInPlace = (rays: number): void => addRays(this.drawn, this.lit, rays);

  /** Illuminance at a pixel as far as it is known, lux of the readouts' scale. */
  luxAt(at: number): number {
    const { arriving, passed, weights } = this.lit;
    const open = weights[at]! > 0 ? passed[at]! / weights[at]! : 1;
    return arriving[at]! * open + this.light.faceLx * ROOM_SHARE;
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

  /** The same as light: lux on a white card that would send as much, red, green, blue; all rows of the picture. */
  whiteLx(skin: SkinId): Float32Array {
    const { size } = this.sight;
    const out = new Float32Array(3 * size * size);
    for (let at = 0; at < size * size; at++)
      this.seen(at, 1, skin).forEach((value, c) => {
        out[3 * at + c] = value * this.light.tint[c]!;
      });
    return out;
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
    const { arriving, weights, sheen } = this.lit;
    if (weights[at] === 0) return 0;
    const lobe = (SHEEN * (SHEEN_POWER + 8)) / 8;
    return (arriving[at]! * lobe * sheen[at]!) / weights[at]!;
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
        return EYE_COLOURS[eyePart(places[at * 3]!, places[at * 3 + 1]!, places[at * 3 + 2]!)];
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
