import {
  EMITTER_STRIDE,
  MAP_CELLS,
  MATTER,
  PLANES,
  SURFACE_STRIDE,
  TYPE,
  ZONES,
  type PackedArrangement,
} from './pack';
import { EMITTER_COLUMNS, SURFACE_COLUMNS } from './columns';
import { drawInto } from './directions';
import { BUFFER, fillUniform, MARGIN, streamFor, type Chance } from './random';
import { meetsCap } from './sphere';
import type { Tally } from './tally';

// Bound to this module: bundlers read an imported name off its module at every use, millions of times here.
const PER_SURFACE = SURFACE_STRIDE;
const PER_EMITTER = EMITTER_STRIDE;
const CELLS = MAP_CELLS;
const PLANE_COUNT = PLANES;
const ZONE_COUNT = ZONES;
const NUMBERS = BUFFER;
const SPARE = MARGIN;
const fill = fillUniform;
const draws = drawInto;
const meetsSphere = meetsCap;

// Bound once: in the innermost loop a look-up of the global costs as much as the root itself.
const { abs, atan2, cos, min, sqrt, tan } = Math;

/** Bounces after which a photon is given up; at ρ = 0.98 one in 10¹⁷ gets that far. */
const BOUNCE_CAP = 2000;
// Plain numbers: a property read in the innermost loop is not always folded away.
const { polygon: POLYGON, disc: DISC, coneZ: CONE_Z, coneY: CONE_Y, cap: CAP } = TYPE;
const { wall: WALL, through: THROUGH } = MATTER;
const LAMBERT = 4;
const {
  matter: MATTER_KIND,
  pass: PASS,
  upTo: UP_TO,
  deflection: DEFLECTION,
  exit: EXIT,
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
  origin: ORIGIN,
  across: ACROSS,
  up: UP,
} = SURFACE_COLUMNS;
const { axis: AXIS, kind: KIND, exponent: EXPONENT } = EMITTER_COLUMNS;
const TAN_15 = tan(Math.PI / 12);
const TAN_30 = tan(Math.PI / 6);

/**
 * Photons at a call: short, so that the engine calls an optimised function often instead of swapping
 * code inside one long run.
 */
const BATCH = 250;
/** Cosines of the zones' outer edges, 5° apart. */
const ZONE_EDGES = Float64Array.from({ length: ZONE_COUNT }, (_, k) =>
  cos(((k + 1) * Math.PI) / 2 / ZONE_COUNT),
);
const [BOUNCES, STOPPED, LOST] = [0, 1, 2];

/**
 * Follows `count` photons of one chunk's own stream through the arrangement and adds what became of
 * them to the tally [docs/model/transport.md]. The same bits come out in Node, in a worker and on the main thread.
 */
export function traceChunkInPlace(
  tally: Tally,
  packed: PackedArrangement,
  seed: number,
  chunk: number,
  count: number,
): void {
  const chance: Chance = {
    state: streamFor(seed, chunk),
    buffer: new Float64Array(NUMBERS),
    at: NUMBERS,
  };
  const counts = new Int32Array(3);
  for (let done = 0; done < count; done += BATCH)
    chance.at = traceBatchInPlace(tally, counts, packed, chance, min(BATCH, count - done));
  tally.emitted += count;
  tally.bounces += counts[BOUNCES]!;
  tally.stopped += counts[STOPPED]!;
  tally.lost += counts[LOST]!;
}

/**
 * One long loop on purpose: a call that is not inlined hands its numbers over on the heap, and everything
 * here runs millions of times a second. The Lambertian draw, the commonest, stands once at the loop's head.
 * @returns place of the next random number
 */
function traceBatchInPlace(
  tally: Tally,
  counts: Int32Array,
  packed: PackedArrangement,
  chance: Chance,
  count: number,
): number {
  const { surfaces, surfaceCount, edges, emitters, emitterCount, keep, alias, epsilonM } = packed;
  const { quantiles } = packed;
  const { absorbed, left, map, turnedMap, directions } = tally;
  const { state, buffer } = chance;
  const zoneEdges = ZONE_EDGES;
  const out = new Float64Array(3);
  let at = chance.at;
  let bounces = 0;
  let stopped = 0;
  let lost = 0;
  for (let photon = 0; photon < count; photon++) {
    if (at > NUMBERS - SPARE) {
      fill(buffer, state);
      at = 0;
    }
    let e = (buffer[at]! * emitterCount) | 0;
    if (buffer[at + 1]! >= keep[e]!) e = alias[e]!;
    at += 2;
    const from = e * PER_EMITTER;
    let px = emitters[from]!;
    let py = emitters[from + 1]!;
    let pz = emitters[from + 2]!;
    // The normal a Lambertian direction is drawn about; for an emitter of that class, its axis.
    let nx = emitters[from + AXIS]!;
    let ny = emitters[from + AXIS + 1]!;
    let nz = emitters[from + AXIS + 2]!;
    let dx = 0;
    let dy = 0;
    let dz = 0;
    let scatter = true;
    // Anything but a clear layer has sent it another way.
    let turned = 0;
    if (emitters[from + KIND]! !== LAMBERT) {
      at += draws(
        out,
        buffer,
        at,
        emitters[from + KIND]!,
        nx,
        ny,
        nz,
        emitters[from + EXPONENT]!,
        quantiles,
      );
      dx = out[0]!;
      dy = out[1]!;
      dz = out[2]!;
      scatter = false;
    }
    let surface = -1;
    let exit = -1;
    let bounce = 0;
    for (;;) {
      if (scatter) {
        let x = 0;
        let y = 0;
        let z = 0;
        let squared = 0;
        do {
          let u = 0;
          let v = 0;
          let s = 0;
          do {
            u = 2 * buffer[at]! - 1;
            v = 2 * buffer[at + 1]! - 1;
            at += 2;
            s = u * u + v * v;
          } while (s >= 1 && at < NUMBERS - 3);
          // A point on the sphere that touches the surface at its normal: Lambert's law.
          const root = 2 * sqrt(s < 1 ? 1 - s : 0);
          x = u * root + nx;
          y = v * root + ny;
          z = 1 - 2 * s + nz;
          squared = x * x + y * y + z * z;
        } while (squared < 1e-12);
        const by = 1 / sqrt(squared);
        dx = x * by;
        dy = y * by;
        dz = z * by;
      }
      if (exit >= 0) {
        left[exit] = left[exit]! + 1;
        if (exit > 0) break;
        const o = surface * PER_SURFACE;
        const type = surfaces[o]!;
        const x = px - surfaces[o + ORIGIN]!;
        const y = py - surfaces[o + ORIGIN + 1]!;
        const z = pz - surfaces[o + ORIGIN + 2]!;
        let u =
          x * surfaces[o + ACROSS]! + y * surfaces[o + ACROSS + 1]! + z * surfaces[o + ACROSS + 2]!;
        const v = x * surfaces[o + UP]! + y * surfaces[o + UP + 1]! + z * surfaces[o + UP + 2]!;
        if (type === CONE_Y) u = (atan2(pz, px) + Math.PI) / (2 * Math.PI);
        if (type === CONE_Z) u = (atan2(py, px) + Math.PI) / (2 * Math.PI);
        const column = u <= 0 ? 0 : u >= 1 ? CELLS - 1 : (u * CELLS) | 0;
        const row = v <= 0 ? 0 : v >= 1 ? CELLS - 1 : (v * CELLS) | 0;
        const cell = row * CELLS + column;
        map[cell] = map[cell]! + 1;
        turnedMap[cell] = turnedMap[cell]! + turned;
        const cosine = abs(dx * nx + dy * ny + dz * nz);
        let zone = 0;
        while (zone < ZONE_COUNT - 1 && cosine < zoneEdges[zone]!) zone++;
        // Planes of 15°, three to an octant, from +x round: comparisons cost less than an arc tangent.
        const across = abs(dx);
        const up = abs(dy);
        const low = up < across ? up : across;
        const high = up < across ? across : up;
        const third = low < TAN_15 * high ? 0 : low < TAN_30 * high ? 1 : 2;
        let plane = up < across ? third : 5 - third;
        if (dx < 0) plane = 11 - plane;
        if (dy < 0) plane = 23 - plane;
        const bin = zone * PLANE_COUNT + plane;
        directions[bin] = directions[bin]! + 1;
        break;
      }
      if (++bounce > BOUNCE_CAP) {
        stopped++;
        break;
      }
      if (at > NUMBERS - SPARE) {
        fill(buffer, state);
        at = 0;
      }
      let best = Infinity;
      let found = -1;
      for (let k = 0, o = 0; k < surfaceCount; k++, o += PER_SURFACE) {
        const type = surfaces[o]!;
        if (type === POLYGON) {
          // A plane is not met twice in a row.
          if (k === surface) continue;
          const a = surfaces[o + NORMAL]!;
          const b = surfaces[o + NORMAL + 1]!;
          const c = surfaces[o + NORMAL + 2]!;
          const t = (surfaces[o + OFFSET]! - a * px - b * py - c * pz) / (a * dx + b * dy + c * dz);
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
          best = t;
          found = k;
        } else if (type === DISC) {
          if (k === surface) continue;
          const t = (surfaces[o + DISC_Z]! - pz) / dz;
          if (!(t > epsilonM && t < best)) continue;
          const x = px + t * dx;
          const y = py + t * dy;
          const squared = x * x + y * y;
          if (squared < surfaces[o + INNER_SQUARED]! || squared > surfaces[o + OUTER_SQUARED]!)
            continue;
          best = t;
          found = k;
        } else if (type === CAP) {
          const t = meetsSphere(surfaces, o, px, py, pz, dx, dy, dz, epsilonM);
          if (t < best) {
            best = t;
            found = k;
          }
        } else {
          // A cone about its own axis w: u² + v² = (r0 + slope·(w − w0))².
          const alongZ = type === CONE_Z;
          const u = px;
          const v = alongZ ? py : pz;
          const w = alongZ ? pz : py;
          const du = dx;
          const dv = alongZ ? dy : dz;
          const dw = alongZ ? dz : dy;
          const slope = surfaces[o + CONE_SLOPE]!;
          const least = surfaces[o + CONE_FROM]! - epsilonM;
          const reach = surfaces[o + CONE_TO]! + epsilonM;
          const r = surfaces[o + CONE_RADIUS]! + slope * (w - surfaces[o + CONE_FROM]!);
          const a = du * du + dv * dv - slope * slope * dw * dw;
          const b = u * du + v * dv - slope * r * dw;
          let near = 0;
          let far = 0;
          if (k === surface) {
            // One root is where it stands.
            near = far = (-2 * b) / a;
          } else {
            const c = u * u + v * v - r * r;
            const inside = b * b - a * c;
            if (inside < 0) continue;
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
          let t = near;
          let along = w + t * dw;
          if (!(t > epsilonM && along >= least && along <= reach && r + slope * t * dw >= 0)) {
            t = far;
            along = w + t * dw;
            if (!(t > epsilonM && along >= least && along <= reach && r + slope * t * dw >= 0))
              continue;
          }
          if (t < best) {
            best = t;
            found = k;
          }
        }
      }
      if (found < 0) {
        lost++;
        break;
      }
      surface = found;
      px += best * dx;
      py += best * dy;
      pz += best * dz;
      const o = surface * PER_SURFACE;
      const type = surfaces[o]!;
      if (type === DISC) {
        nx = 0;
        ny = 0;
        nz = 1;
      } else if (type === POLYGON) {
        nx = surfaces[o + NORMAL]!;
        ny = surfaces[o + NORMAL + 1]!;
        nz = surfaces[o + NORMAL + 2]!;
      } else if (type === CAP) {
        const by = 1 / surfaces[o + CAP_RADIUS]!;
        nx = px * by;
        ny = py * by;
        nz = (pz - surfaces[o + CAP_Z]!) * by;
      } else {
        const slope = surfaces[o + CONE_SLOPE]!;
        const lean = 1 / sqrt(1 + slope * slope);
        if (type === CONE_Z) {
          const by = lean / sqrt(px * px + py * py);
          nx = px * by;
          ny = py * by;
          nz = -slope * lean;
        } else {
          const by = lean / sqrt(px * px + pz * pz);
          nx = px * by;
          ny = -slope * lean;
          nz = pz * by;
        }
      }
      let facing = nx * dx + ny * dy + nz * dz;
      if (facing > 0) {
        nx = -nx;
        ny = -ny;
        nz = -nz;
        facing = -facing;
      }
      const matter = surfaces[o + MATTER_KIND]!;
      const draw = buffer[at++]!;
      scatter = true;
      if (matter === WALL) {
        if (draw >= surfaces[o + PASS]!) {
          absorbed[surface] = absorbed[surface]! + 1;
          break;
        }
        bounces++;
        turned = 1;
        // Part of what is kept goes on like from a mirror.
        if (draw < surfaces[o + UP_TO]!) {
          scatter = false;
          dx -= 2 * facing * nx;
          dy -= 2 * facing * ny;
          dz -= 2 * facing * nz;
        }
        continue;
      }
      const exponent = surfaces[o + DEFLECTION]!;
      if (draw >= surfaces[o + UP_TO]!) {
        absorbed[surface] = absorbed[surface]! + 1;
        break;
      }
      if (draw >= surfaces[o + PASS]!) {
        bounces++;
        turned = 1;
        // A clear sheet sends back like a mirror, all others by Lambert's law.
        if (exponent === 0) {
          scatter = false;
          dx -= 2 * facing * nx;
          dy -= 2 * facing * ny;
          dz -= 2 * facing * nz;
        }
        continue;
      }
      nx = -nx;
      ny = -ny;
      nz = -nz;
      if (exponent >= 0) {
        scatter = false;
        if (exponent > 0) {
          at += draws(out, buffer, at, 5, dx, dy, dz, exponent, quantiles);
          dx = out[0]!;
          dy = out[1]!;
          dz = out[2]!;
          // What the deflection would turn back has passed all the same.
          const back = dx * nx + dy * ny + dz * nz;
          if (back < 0) {
            dx -= 2 * back * nx;
            dy -= 2 * back * ny;
            dz -= 2 * back * nz;
          }
        }
      }
      if (matter !== THROUGH) exit = surfaces[o + EXIT]! | 0;
      else if (exponent !== 0) turned = 1;
    }
  }
  counts[BOUNCES]! += bounces;
  counts[STOPPED]! += stopped;
  counts[LOST]! += lost;
  return at;
}
