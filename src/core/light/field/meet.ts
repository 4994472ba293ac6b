import { EMITTER_COLUMNS, SURFACE_COLUMNS as AT } from '../transport/columns';
import { SURFACE_STRIDE, TYPE, type PackedArrangement } from '../transport/pack';
import { meetsCap } from '../transport/sphere';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { PI, cos, sin, sqrt } = Math;

// Bound to this module: bundlers read an imported name off its module at every use, millions of times here.
const STRIDE = SURFACE_STRIDE;
const { polygon: POLYGON, disc: DISC, coneZ: CONE_Z, cap: CAP } = TYPE;
const {
  normal: NORMAL,
  offset: OFFSET,
  edges: EDGES,
  edgesEnd: EDGES_END,
  discZ: DISC_Z,
  innerSquared: INNER_SQUARED,
  outerSquared: OUTER_SQUARED,
  coneFrom: CONE_FROM,
  coneTo: CONE_TO,
  coneRadius: CONE_RADIUS,
  coneSlope: CONE_SLOPE,
  capZ: CAP_Z,
  capRadius: CAP_RADIUS,
} = AT;
const meetsSphere = meetsCap;

/** A way through an arrangement, changed in place by everything that follows it: no object a step. */
export interface Way {
  px: number;
  py: number;
  pz: number;
  dx: number;
  dy: number;
  dz: number;
  /** surface it stands on; −1 for none */
  on: number;
  /** to the surface met last */
  t: number;
  /** unit normal there, towards where the way came from */
  nx: number;
  ny: number;
  nz: number;
  /** 0 where it came from the side the surface's own normal points to, 1 for the other */
  side: 0 | 1;
}

export const wayFrom = (): Way => ({
  px: 0,
  py: 0,
  pz: 0,
  dx: 0,
  dy: 0,
  dz: 1,
  on: -1,
  t: 0,
  nx: 0,
  ny: 0,
  nz: 1,
  side: 0,
});

/**
 * The nearest surface ahead, or −1; `way.t` is the distance to it. Nothing moves.
 * The same surfaces and the same rounding as the transport kernel, written to be read.
 */
export function meet(packed: PackedArrangement, way: Way): number {
  const { surfaces, edges, surfaceCount, epsilonM } = packed;
  const { px, py, pz, dx, dy, dz, on } = way;
  let best = Infinity;
  let found = -1;
  for (let k = 0, o = 0; k < surfaceCount; k++, o += STRIDE) {
    const type = surfaces[o]!;
    let t = Infinity;
    if (type === POLYGON) {
      if (k === on) continue;
      const a = surfaces[o + NORMAL]!;
      const b = surfaces[o + NORMAL + 1]!;
      const c = surfaces[o + NORMAL + 2]!;
      t = (surfaces[o + OFFSET]! - a * px - b * py - c * pz) / (a * dx + b * dy + c * dz);
      if (!(t > epsilonM && t < best)) continue;
      const x = px + t * dx;
      const y = py + t * dy;
      const z = pz + t * dz;
      let i = surfaces[o + EDGES]!;
      const end = surfaces[o + EDGES_END]!;
      while (
        i < end &&
        edges[i]! * x + edges[i + 1]! * y + edges[i + 2]! * z >= edges[i + 3]! - epsilonM
      )
        i += 4;
      if (i < end) continue;
    } else if (type === DISC) {
      if (k === on) continue;
      t = (surfaces[o + DISC_Z]! - pz) / dz;
      if (!(t > epsilonM && t < best)) continue;
      const x = px + t * dx;
      const y = py + t * dy;
      const squared = x * x + y * y;
      if (squared < surfaces[o + INNER_SQUARED]! || squared > surfaces[o + OUTER_SQUARED]!)
        continue;
    } else if (type === CAP) {
      t = meetsSphere(surfaces, o, px, py, pz, dx, dy, dz, epsilonM);
    } else {
      t = meetsCone(surfaces, o, type === CONE_Z, way, k === on, epsilonM);
    }
    if (t < best) {
      best = t;
      found = k;
    }
  }
  way.t = best;
  return found;
}

/** Way to a cone about its own axis w: u² + v² = (r0 + slope·(w − w0))²; Infinity when missed. */
function meetsCone(
  surfaces: Float64Array,
  o: number,
  alongZ: boolean,
  { px, py, pz, dx, dy, dz }: Way,
  onIt: boolean,
  epsilonM: number,
): number {
  const v = alongZ ? py : pz;
  const w = alongZ ? pz : py;
  const dv = alongZ ? dy : dz;
  const dw = alongZ ? dz : dy;
  const slope = surfaces[o + CONE_SLOPE]!;
  const least = surfaces[o + CONE_FROM]! - epsilonM;
  const reach = surfaces[o + CONE_TO]! + epsilonM;
  const r = surfaces[o + CONE_RADIUS]! + slope * (w - surfaces[o + CONE_FROM]!);
  const a = dx * dx + dv * dv - slope * slope * dw * dw;
  const b = px * dx + v * dv - slope * r * dw;
  let near = 0;
  let far = 0;
  if (onIt) near = far = (-2 * b) / a;
  else {
    const c = px * px + v * v - r * r;
    const inside = b * b - a * c;
    if (inside < 0) return Infinity;
    // The root without cancellation first, the other from their product.
    const q = b > 0 ? -b - sqrt(inside) : -b + sqrt(inside);
    near = q / a;
    far = c / q;
    if (near > far) {
      const swap = near;
      near = far;
      far = swap;
    }
  }
  const along = w + near * dw;
  if (near > epsilonM && along >= least && along <= reach && r + slope * near * dw >= 0)
    return near;
  const on = w + far * dw;
  return far > epsilonM && on >= least && on <= reach && r + slope * far * dw >= 0 ? far : Infinity;
}

/** Goes on to the surface found, and sets its normal against the way. */
export function arrive({ surfaces }: PackedArrangement, way: Way, found: number): void {
  const o = found * STRIDE;
  way.px += way.t * way.dx;
  way.py += way.t * way.dy;
  way.pz += way.t * way.dz;
  way.on = found;
  normalAt(surfaces, o, way);
  way.side = 0;
  if (way.nx * way.dx + way.ny * way.dy + way.nz * way.dz > 0) {
    way.nx = -way.nx;
    way.ny = -way.ny;
    way.nz = -way.nz;
    way.side = 1;
  }
}

/** The surface's own normal where the way stands: out of round ones, by their corners for plane ones. */
function normalAt(surfaces: Float64Array, o: number, way: Way): void {
  const type = surfaces[o]!;
  if (type === DISC) {
    way.nx = way.ny = 0;
    way.nz = 1;
  } else if (type === POLYGON) {
    way.nx = surfaces[o + NORMAL]!;
    way.ny = surfaces[o + NORMAL + 1]!;
    way.nz = surfaces[o + NORMAL + 2]!;
  } else if (type === CAP) {
    const by = 1 / surfaces[o + CAP_RADIUS]!;
    way.nx = way.px * by;
    way.ny = way.py * by;
    way.nz = (way.pz - surfaces[o + CAP_Z]!) * by;
  } else {
    const slope = surfaces[o + CONE_SLOPE]!;
    const lean = 1 / sqrt(1 + slope * slope);
    const [x, y, z] = [way.px, way.py, way.pz];
    if (type === CONE_Z) {
      const by = lean / sqrt(x * x + y * y);
      way.nx = x * by;
      way.ny = y * by;
      way.nz = -slope * lean;
    } else {
      const by = lean / sqrt(x * x + z * z);
      way.nx = x * by;
      way.ny = -slope * lean;
      way.nz = z * by;
    }
  }
}

/** On as from a mirror. */
export function reflect(way: Way): void {
  const twice = 2 * (way.dx * way.nx + way.dy * way.ny + way.dz * way.nz);
  way.dx -= twice * way.nx;
  way.dy -= twice * way.ny;
  way.dz -= twice * way.nz;
}

/** A direction about the way's normal by Lambert's law, from two numbers in [0, 1). */
export function lambert(way: Way, u: number, v: number): void {
  const sine = sqrt(u);
  about(way, way.nx, way.ny, way.nz, sqrt(1 - u), sine, 2 * PI * v);
}

/** Sets the way's direction at an angle to a unit vector. */
export function about(
  way: Way,
  ax: number,
  ay: number,
  az: number,
  cosine: number,
  sine: number,
  round: number,
): void {
  // A frame round the axis without a special case at the pole [Duff and others 2017; from memory].
  const sign = az >= 0 ? 1 : -1;
  const a = -1 / (sign + az);
  const b = ax * ay * a;
  const u = sine * cos(round);
  const v = sine * sin(round);
  way.dx = u * (1 + sign * ax * ax * a) + v * b + cosine * ax;
  way.dy = u * sign * b + v * (sign + ay * ay * a) + cosine * ay;
  way.dz = -u * sign * ax - v * ay + cosine * az;
}

/** Where the light of a drawn emitter begins. */
export function startAt({ emitters }: PackedArrangement, at: number, way: Way): void {
  way.px = emitters[at]!;
  way.py = emitters[at + 1]!;
  way.pz = emitters[at + 2]!;
  way.dx = emitters[at + EMITTER_COLUMNS.axis]!;
  way.dy = emitters[at + EMITTER_COLUMNS.axis + 1]!;
  way.dz = emitters[at + EMITTER_COLUMNS.axis + 2]!;
  way.on = -1;
}
