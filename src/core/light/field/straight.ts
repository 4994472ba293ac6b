import { STRIDE as LAMP_STRIDE } from '../emitter';
import { emitterLx } from '../illuminance';
import type { Passage } from '../controls';
import { SURFACE_COLUMNS as AT } from '../transport/columns';
import { MATTER, SURFACE_STRIDE } from '../transport/pack';
import type { Vector } from '../vector';
import { arrive, meet, wayFrom, type Way } from './meet';
import type { MouthField } from './mouthField';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { PI, cos, hypot, sin, sqrt } = Math;

/** Places on a lamp from which its straight light comes, where it has few. */
const PLACES_A_LAMP = 16;
const GOLDEN = 0.618034;
/** Clear layers one behind another. */
const MOST_CLEAR = 8;

/** Straight light of the lamps through clear exits to a point; lux a lamp lumen. */
export function straightLx(
  field: MouthField,
  [x, y, z]: Vector,
  [nx, ny, nz]: Vector,
  passages: readonly Passage[],
): number {
  const { lamps } = field;
  if (field.exits.every(({ exponent }) => exponent !== 0)) return 0;
  const places = lamps.count <= 4 ? PLACES_A_LAMP : 1;
  const way = wayFrom();
  let sum = 0;
  for (let o = 0; o < lamps.count * LAMP_STRIDE; o += LAMP_STRIDE) {
    const lx = emitterLx(lamps, o, x, y, z, nx, ny, nz);
    if (lx === 0) continue;
    let seen = 0;
    for (let k = 0; k < places; k++) {
      setOut(field, way, o, k, places, x, y, z);
      let open = 1;
      for (const passage of passages) open *= passage(way.px, way.py, way.pz, x, y, z);
      if (open > 0) seen += open * clear(field, way, x, y, z);
    }
    sum += (lx * seen) / places;
  }
  return sum;
}

/** A way to a point from one of several places spread over a lamp. */
function setOut(
  { lamps: { data }, radiiM }: MouthField,
  way: Way,
  o: number,
  k: number,
  places: number,
  x: number,
  y: number,
  z: number,
): void {
  const middle: Vector = [data[o]!, data[o + 1]!, data[o + 2]!];
  const far = hypot(x - middle[0], y - middle[1], z - middle[2]);
  const towards: Vector = [(x - middle[0]) / far, (y - middle[1]) / far, (z - middle[2]) / far];
  const radiusM = places > 1 ? radiiM[o / LAMP_STRIDE]! : 0;
  [way.px, way.py, way.pz] = onDisc(middle, towards, radiusM, (k + 0.5) / places, (k * GOLDEN) % 1);
  const rest = hypot(x - way.px, y - way.py, z - way.pz);
  [way.dx, way.dy, way.dz] = [(x - way.px) / rest, (y - way.py) / rest, (z - way.pz) / rest];
  way.on = -1;
}

/** Share of straight light that gets out to a point untouched. */
function clear({ packed }: MouthField, way: Way, x: number, y: number, z: number): number {
  const { surfaces } = packed;
  let rest = hypot(x - way.px, y - way.py, z - way.pz) * (1 - 1e-9);
  let open = 1;
  for (let step = 0; step < MOST_CLEAR; step++) {
    const found = meet(packed, way);
    if (found < 0 || way.t >= rest) return open;
    rest -= way.t;
    arrive(packed, way, found);
    const at = found * SURFACE_STRIDE;
    if (surfaces[at + AT.matter] === MATTER.wall || surfaces[at + AT.deflection] !== 0) return 0;
    open *= surfaces[at + AT.pass]!;
  }
  return open;
}

/** A point of a disc about another, across a direction. */
export function onDisc(
  [x, y, z]: Vector,
  [nx, ny, nz]: Vector,
  radiusM: number,
  u: number,
  v: number,
): Vector {
  if (radiusM === 0) return [x, y, z];
  const r = radiusM * sqrt(u);
  const [a, b] = [r * cos(2 * PI * v), r * sin(2 * PI * v)];
  const sign = nz >= 0 ? 1 : -1;
  const c = -1 / (sign + nz);
  const d = nx * ny * c;
  return [
    x + a * (1 + sign * nx * nx * c) + b * d,
    y + a * sign * d + b * (sign + ny * ny * c),
    z - a * sign * nx - b * ny,
  ];
}
