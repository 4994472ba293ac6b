import { COLUMNS, STRIDE as LAMP_STRIDE, type Emitter } from '../emitter';
import { emitterLx } from '../illuminance';
import type { Passage } from '../controls';
import { SURFACE_COLUMNS as AT } from '../transport/columns';
import { MATTER, SURFACE_STRIDE } from '../transport/pack';
import type { Vector } from '../vector';
import { GOLDEN, onDisc } from './disc';
import { arrive, meet, wayFrom, type Way } from './meet';
import { BLOCKS, blockOfCell } from './cells';
import { imagesLx } from './images';
import type { MouthField } from './mouthField';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { hypot } = Math;

// Bound to this module: bundlers read an imported name off its module at every use, millions of times here.
const [lampLx, nearest, goTo, point] = [emitterLx, meet, arrive, onDisc];
const [PER_LAMP, PER_SURFACE] = [LAMP_STRIDE, SURFACE_STRIDE];
const { matter: MATTER_KIND, pass: PASS, deflection: DEFLECTION } = AT;
const { axis: AXIS, exponent: EXPONENT } = COLUMNS;
const WALL = MATTER.wall;

/** Places on a lamp from which its straight light comes, where it has few. */
const PLACES_A_LAMP = 16;
/** Clear layers one behind another. */
export const MOST_CLEAR = 8;

/** Straight light of the lamps through clear exits to a point; lux a lamp lumen. */
function straightLx(
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
  for (let o = 0; o < lamps.count * PER_LAMP; o += PER_LAMP) {
    if (lampLx(lamps, o, x, y, z, nx, ny, nz) === 0) continue;
    let seen = 0;
    for (let k = 0; k < places; k++) {
      setOut(field, way, o, k, places, x, y, z);
      // From each place of its own: the lamp moved there is the point moved the other way.
      const [lx0, ly0, lz0] = [lamps.data[o]!, lamps.data[o + 1]!, lamps.data[o + 2]!];
      const lx = lampLx(lamps, o, x + lx0 - way.px, y + ly0 - way.py, z + lz0 - way.pz, nx, ny, nz);
      let open = lx > 0 ? 1 : 0;
      for (const passage of passages) open *= open && passage(way.px, way.py, way.pz, x, y, z);
      if (open > 0) seen += lx * open * clear(field, way, x, y, z);
    }
    sum += seen / places;
  }
  return sum;
}

/** Lamps that show through clear exits, straight and in plane mirrors; lux a lamp lumen. */
export const shownLx = (
  field: MouthField,
  pointM: Vector,
  normal: Vector,
  passages: readonly Passage[],
): number =>
  straightLx(field, pointM, normal, passages) +
  imagesLx(field.packed, field.images, pointM, normal, passages);

/** Straight light by the block of the exits it leaves through, added to `into`. */
export function straightByBlock(
  field: MouthField,
  [x, y, z]: Vector,
  [nx, ny, nz]: Vector,
  into: Float64Array,
): void {
  const { lamps, open, charts } = field;
  if (open.every(({ exponent }) => exponent !== 0)) return;
  const way = wayFrom();
  for (let o = 0; o < lamps.count * PER_LAMP; o += PER_LAMP) {
    const lx = lampLx(lamps, o, x, y, z, nx, ny, nz);
    if (lx === 0) continue;
    setOut(field, way, o, 0, 1, x, y, z);
    const passes = clear(field, way, x, y, z);
    const exit = passes > 0 ? open.findIndex(({ surface }) => surface === way.on) : -1;
    if (exit < 0) continue;
    const cell = charts[way.on]!.cellOf(way.px, way.py, way.pz);
    into[exit * BLOCKS + blockOfCell(cell)]! += lx * passes;
  }
}

/** Lamps that show straight from a point, each as so many small sources as wide as what of it is seen. */
export function straightSources(field: MouthField, pointM: Vector, scale: number): Emitter[] {
  const { exits, lit } = field;
  if (exits.every(({ exponent }) => exponent !== 0)) return [];
  const way = wayFrom();
  return lit.flatMap((lamp, at) =>
    Array.from({ length: PLACES_A_LAMP }, (_, k): Emitter => {
      setOut(field, way, at * PER_LAMP, k, PLACES_A_LAMP, ...pointM);
      const positionM: Vector = [way.px, way.py, way.pz];
      const seen = clear(field, way, ...pointM);
      const luminousFluxLm = (lamp.luminousFluxLm * scale * seen) / PLACES_A_LAMP;
      return { ...lamp, positionM, luminousFluxLm };
    }),
  );
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
  // A face lies across its axis, a ball across any way.
  const face = data[o + EXPONENT]! > 0;
  const towards: Vector = face
    ? [data[o + AXIS]!, data[o + AXIS + 1]!, data[o + AXIS + 2]!]
    : [(x - middle[0]) / far, (y - middle[1]) / far, (z - middle[2]) / far];
  const radiusM = places > 1 ? radiiM[o / PER_LAMP]! : 0;
  [way.px, way.py, way.pz] = point(middle, towards, radiusM, (k + 0.5) / places, (k * GOLDEN) % 1);
  const rest = hypot(x - way.px, y - way.py, z - way.pz);
  [way.dx, way.dy, way.dz] = [(x - way.px) / rest, (y - way.py) / rest, (z - way.pz) / rest];
  way.on = -1;
}

/** Share of straight light that gets to a point untouched. */
function clear({ packed }: MouthField, way: Way, x: number, y: number, z: number): number {
  const { surfaces } = packed;
  let rest = hypot(x - way.px, y - way.py, z - way.pz) * (1 - 1e-9);
  let open = 1;
  for (let step = 0; step < MOST_CLEAR; step++) {
    const found = nearest(packed, way);
    if (found < 0 || way.t >= rest) return open;
    rest -= way.t;
    goTo(packed, way, found);
    const at = found * PER_SURFACE;
    if (surfaces[at + MATTER_KIND] === WALL || surfaces[at + DEFLECTION] !== 0) return 0;
    open *= surfaces[at + PASS]!;
  }
  return open;
}
