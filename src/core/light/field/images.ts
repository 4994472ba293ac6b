import type { Passage } from '../controls';
import { COLUMNS, STRIDE as LAMP_STRIDE } from '../emitter';
import { emitterLx } from '../illuminance';
import { SURFACE_COLUMNS as AT } from '../transport/columns';
import { MATTER, SURFACE_STRIDE, TYPE, type PackedArrangement } from '../transport/pack';
import type { Vector } from '../vector';
import { GOLDEN, onDisc } from './disc';
import { arrive, meet, reflect, wayFrom, type Way } from './meet';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { hypot } = Math;

/** Images in so many plane mirrors one behind the other are added exactly; those of more are met by chance. */
export const MOST_MIRRORS = 2;
/** Images of so many lamps at most: many small ones are met often enough. */
export const FEW_LAMPS = 12;
/** An image that mirrors leave less of is not looked for. */
const FAINT = 0.02;
const PLACES = 6;

/** A lamp as plane mirrors show it. */
interface Image {
  /** place of its numbers among the lamps’ */
  lamp: number;
  radiusM: number;
  /** mirrors from the lamp outwards */
  mirrors: readonly number[];
}

/** A point on the other side of a plane surface. */
function mirrorOf({ surfaces }: PackedArrangement, mirror: number, [x, y, z]: Vector): Vector {
  const o = mirror * SURFACE_STRIDE + AT.normal;
  const [nx, ny, nz] = [surfaces[o]!, surfaces[o + 1]!, surfaces[o + 2]!];
  const twice = 2 * (nx * x + ny * y + nz * z - surfaces[mirror * SURFACE_STRIDE + AT.offset]!);
  return [x - twice * nx, y - twice * ny, z - twice * nz];
}

const shareOf = ({ surfaces }: PackedArrangement, mirror: number): number =>
  surfaces[mirror * SURFACE_STRIDE + AT.upTo]!;

/** Images worth looking for: of few lamps, in plane walls that mirror. */
export function imagesOf(packed: PackedArrangement): Image[] {
  const { surfaces, surfaceCount, lamps, radiiM } = packed;
  if (lamps.count > FEW_LAMPS) return [];
  const plane = Array.from({ length: surfaceCount }, (_, k) => k).filter((k) => {
    const o = k * SURFACE_STRIDE;
    return surfaces[o] === TYPE.polygon && surfaces[o + AT.matter] === MATTER.wall;
  });
  const rows = plane.flatMap((last) => [
    [last],
    ...plane.filter((first) => first !== last).map((first) => [first, last]),
  ]);
  const bright = rows.filter(
    (mirrors) => mirrors.reduce((share, mirror) => share * shareOf(packed, mirror), 1) > FAINT,
  );
  return bright.flatMap((mirrors) =>
    Array.from({ length: lamps.count }, (_, k) => ({
      lamp: k * LAMP_STRIDE,
      radiusM: radiiM[k]!,
      mirrors,
    })),
  );
}

/** Light of the lamps’ images through clear exits; lux a lamp lumen. */
export function imagesLx(
  packed: PackedArrangement,
  images: readonly Image[],
  pointM: Vector,
  normal: Vector,
  passages: readonly Passage[],
): number {
  const way = wayFrom();
  let sum = 0;
  for (const image of images) {
    for (let k = 0; k < PLACES; k++)
      sum += fromPlace(packed, image, k, pointM, normal, passages, way);
  }
  return sum / PLACES;
}

function fromPlace(
  packed: PackedArrangement,
  image: Image,
  k: number,
  pointM: Vector,
  normal: Vector,
  passages: readonly Passage[],
  way: Way,
): number {
  const { data } = packed.lamps;
  const { lamp, mirrors } = image;
  const place = placeOf(packed, image, k, pointM);
  const [x, y, z] = pointM;
  const [ex, ey, ez] = [place[0] - x, place[1] - y, place[2] - z];
  const d = hypot(ex, ey, ez);
  const facing = (ex * normal[0] + ey * normal[1] + ez * normal[2]) / d;
  if (facing <= 0) return 0;
  [way.px, way.py, way.pz] = [x, y, z];
  [way.dx, way.dy, way.dz] = [ex / d, ey / d, ez / d];
  way.on = -1;
  const open = backwards(packed, mirrors, d, way, passages, pointM);
  if (open === 0) return 0;
  // Intensity towards the first mirror: read a metre away on a surface that faces the lamp.
  const [ax, ay, az] = [data[lamp]!, data[lamp + 1]!, data[lamp + 2]!];
  const cd = emitterLx(
    packed.lamps,
    lamp,
    ax - way.dx,
    ay - way.dy,
    az - way.dz,
    way.dx,
    way.dy,
    way.dz,
  );
  return (cd * facing * open) / (d * d);
}

/** A place of the image: of a face as it lies behind the mirrors, of a ball across the way from it. */
function placeOf(packed: PackedArrangement, image: Image, k: number, pointM: Vector): Vector {
  const { data } = packed.lamps;
  const { lamp, mirrors, radiusM } = image;
  const middle: Vector = [data[lamp]!, data[lamp + 1]!, data[lamp + 2]!];
  const behind = (at: Vector) =>
    mirrors.reduce((place, mirror) => mirrorOf(packed, mirror, place), at);
  const [u, v] = [(k + 0.5) / PLACES, (k * GOLDEN) % 1];
  if (data[lamp + COLUMNS.exponent]! > 0) {
    const o = lamp + COLUMNS.axis;
    return behind(onDisc(middle, [data[o]!, data[o + 1]!, data[o + 2]!], radiusM, u, v));
  }
  const shown = behind(middle);
  const way = [0, 1, 2].map((axis) => pointM[axis]! - shown[axis]!);
  const far = hypot(way[0]!, way[1]!, way[2]!);
  return onDisc(shown, [way[0]! / far, way[1]! / far, way[2]! / far], radiusM, u, v);
}

/** Follows a way back by the very mirrors of an image; the share of its light that comes by them, 0 where it does not. */
function backwards(
  packed: PackedArrangement,
  mirrors: readonly number[],
  d: number,
  way: Way,
  passages: readonly Passage[],
  [x, y, z]: Vector,
): number {
  const { surfaces } = packed;
  let rest = d * (1 - 1e-9);
  let open = 1;
  let next = mirrors.length - 1;
  for (let step = 0; step < 12; step++) {
    const found = meet(packed, way);
    if (next < 0 && (found < 0 || way.t >= rest)) return open;
    if (found < 0 || way.t >= rest) return 0;
    rest -= way.t;
    arrive(packed, way, found);
    const o = found * SURFACE_STRIDE;
    if (surfaces[o + AT.matter] !== MATTER.wall) {
      if (surfaces[o + AT.deflection] !== 0) return 0;
      open *= surfaces[o + AT.pass]!;
      if (surfaces[o + AT.matter] === MATTER.out)
        for (const passage of passages) open *= passage(way.px, way.py, way.pz, x, y, z);
      if (open === 0) return 0;
    } else {
      if (found !== mirrors[next]) return 0;
      open *= surfaces[o + AT.upTo]!;
      reflect(way);
      next--;
    }
  }
  return 0;
}
