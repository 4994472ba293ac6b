import { STRIDE as LAMP_STRIDE } from '../emitter';
import { emitterLx } from '../illuminance';
import { SURFACE_COLUMNS as AT } from '../transport/columns';
import { MAP_CELLS, MATTER, SURFACE_STRIDE, type PackedArrangement } from '../transport/pack';
import type { Vector } from '../vector';
import { arrive, meet, wayFrom, type Way } from './meet';
import type { MouthField } from './mouthField';
import { middleOf, mouthPlace, type MouthPlace } from './mouthPlace';
import { MOST_CLEAR } from './straight';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { floor, sqrt } = Math;

// Bound to this module: bundlers read an imported name off its module at every use, millions of times here.
const [lampLx, nearest, goTo] = [emitterLx, meet, arrive];
const [PER_LAMP, PER_SURFACE, SIDE, WALL] = [LAMP_STRIDE, SURFACE_STRIDE, MAP_CELLS, MATTER.wall];
const { matter: MATTER_KIND, pass: PASS, deflection: DEFLECTION } = AT;

/** Nearer than so many of a cell’s sides a lamp does not light all of it alike. */
const NEAR_SIDES = 4;
/** Places along a side of a cell then. */
const WITHIN = 4;

/**
 * Light that comes to the mouth straight from the lamps, by clear layers at most. Each is a point in its middle, as a ball
 * that shines evenly is to all that sees the whole of it.
 * @param of  only every so manieth row of cells, from `first` on
 * @returns share of the lamps’ light by cell of the mouth’s map, NaN in other rows; null for a mouth without a map
 */
export function straightRows(field: MouthField, first = 0, of = 1): Float32Array | null {
  const place = mouthPlace(field.packed, field.exits[0]!);
  if (!place) return null;
  const found = new Float32Array(SIDE * SIDE);
  for (let cell = 0; cell < found.length; cell++) {
    const mine = floor(cell / SIDE) % of === first;
    found[cell] = mine ? straightIn(field, place, cell) : NaN;
  }
  return found;
}

function straightIn(field: MouthField, place: MouthPlace, cell: number): number {
  if (!place.within(cell)) return 0;
  const { lamps } = field;
  const { data } = lamps;
  const [u0, v0] = middleOf(cell);
  const middle = place.at(u0, v0);
  const inwards = place.inwards(middle);
  const [px, py, pz] = middle;
  const areaM2 = place.areaM2(cell);
  const nearM2 = NEAR_SIDES ** 2 * areaM2;
  const way = wayFrom();
  let sum = 0;
  for (let o = 0; o < lamps.count * PER_LAMP; o += PER_LAMP) {
    const tx = data[o]! - px;
    const ty = data[o + 1]! - py;
    const tz = data[o + 2]! - pz;
    if (tx * tx + ty * ty + tz * tz >= nearM2) {
      sum += fromLamp(field, place, o, way, middle, inwards);
      continue;
    }
    let near = 0;
    for (let k = 0; k < WITHIN * WITHIN; k++) {
      const off = (at: number) => ((at + 0.5) / WITHIN - 0.5) / SIDE;
      const at = place.at(u0 + off(k % WITHIN), v0 + off(floor(k / WITHIN)));
      near += fromLamp(field, place, o, way, at, place.inwards(at));
    }
    sum += near / WITHIN ** 2;
  }
  return sum * areaM2;
}

/** Illuminance of one lamp at a point of the mouth, lux a lamp lumen. */
function fromLamp(
  { lamps, packed }: MouthField,
  { surface }: MouthPlace,
  o: number,
  way: Way,
  [px, py, pz]: Vector,
  [nx, ny, nz]: Vector,
): number {
  const lx = lampLx(lamps, o, px, py, pz, nx, ny, nz);
  if (lx === 0) return 0;
  const { data } = lamps;
  const tx = data[o]! - px;
  const ty = data[o + 1]! - py;
  const tz = data[o + 2]! - pz;
  const d = sqrt(tx * tx + ty * ty + tz * tz);
  way.px = px;
  way.py = py;
  way.pz = pz;
  way.dx = tx / d;
  way.dy = ty / d;
  way.dz = tz / d;
  way.on = surface;
  return lx * unveiled(packed, way, d * (1 - 1e-6));
}

/** Share of light that comes so far along a way, past clear layers at most; a lamp may lie on its wall. */
function unveiled(packed: PackedArrangement, way: Way, untilM: number): number {
  const { surfaces } = packed;
  let rest = untilM;
  let open = 1;
  for (let step = 0; step < MOST_CLEAR; step++) {
    const found = nearest(packed, way);
    if (found < 0 || way.t >= rest) return open;
    const at = found * PER_SURFACE;
    if (surfaces[at + MATTER_KIND] === WALL || surfaces[at + DEFLECTION] !== 0) return 0;
    open *= surfaces[at + PASS]!;
    rest -= way.t;
    goTo(packed, way, found);
  }
  return open;
}
