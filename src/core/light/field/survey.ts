import { EMITTER_COLUMNS, SURFACE_COLUMNS as AT } from '../transport/columns';
import { drawInto } from '../transport/directions';
import { EMITTER_STRIDE, MATTER, SURFACE_STRIDE, type PackedArrangement } from '../transport/pack';
import { BUFFER, fillUniform, MARGIN, streamFor } from '../transport/random';
import { CELLS } from './cells';
import { Layers } from './layers';
import type { LayerTable } from './layerGrid';
import { sequence } from './sequence';
import { about, arrive, lambert, meet, reflect, startAt, wayFrom, type Way } from './meet';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { PI, floor, max, min, sqrt } = Math;

// Bound to this module: bundlers read an imported name off its module at every use, millions of times here.
const PER_SURFACE = SURFACE_STRIDE;
const PER_SIDE = CELLS;
const { matter: MATTER_KIND, pass: PASS, upTo: UP_TO, deflection: DEFLECTION } = AT;
const { wall: WALL, out: OUT } = MATTER;
const [nearest, goTo, mirrored, scattered, draws] = [meet, arrive, reflect, lambert, drawInto];
const [fill, turnAbout, setOut] = [sequence, about, startAt];

/** Paths of one part; each carries its light on until little is left, so that few do what many photons did. */
const PATHS = 4096;
/** The same that go no further than the first surface. */
const STRAIGHT_PATHS = 8192;
/** Below this share of a path's light one in four goes on with four times as much. */
const LITTLE = 0.05;
const KEPT = 0.25;
const MOST_STEPS = 400;
const [OMNI, LAMBERT, REFLECTOR] = [0, 4, 5];
/** As far before a wall as this a face still lies on it. */
export const MOUNT_M = 0.003;
/** Scrambles of the even numbers: each part of each seed has two of its own, for all of its paths and for straight ones. */
const SCRAMBLES_A_SEED = 64;
const STRAIGHT = 32;
/** Streams of surveys begin far from those of photons. */
const FIRST_STREAM = 0x40000000;

/** Uniform numbers, made many at a time. */
class Numbers {
  readonly buffer = new Float64Array(BUFFER);
  at = BUFFER;
  constructor(private readonly state: Int32Array) {}
  /** enough of them for one meeting */
  refill(): void {
    if (this.at <= BUFFER - MARGIN) return;
    fillUniform(this.buffer, this.state);
    this.at = 0;
  }
  next = (): number => this.buffer[this.at++]!;
}

/** One part of a survey, as shares of what the lamps send [docs/model/transport.md, “From the mouth to the subject”]. */
export interface SurveyPart {
  /** light that arrives in every cell of both sides of every surface: surfaces × 2 × cells */
  arriving: Float32Array;
  /** by surface and side, what passes a partial layer to that side, by direction; null where there is none */
  passing: (LayerTable | null)[];
}

export function surveyPart(packed: PackedArrangement, seed: number, part: number): SurveyPart {
  const arriving = new Float32Array(packed.surfaceCount * 2 * PER_SIDE);
  const layers = new Layers(packed);
  const numbers = new Numbers(streamFor(seed, FIRST_STREAM + part));
  const way = wayFrom();
  const drawn = new Float64Array(3);
  const even = new Float64Array(6);
  const scramble = seed * SCRAMBLES_A_SEED + part;
  addStraight(packed, layers, scramble + STRAIGHT, even, numbers, way, drawn);
  for (let path = 0; path < PATHS; path++) {
    numbers.refill();
    fill(even, path, scramble);
    emit(packed, (path + even[0]!) / PATHS, even, numbers, way, drawn);
    follow(packed, way, 1 / PATHS, numbers, drawn, (cell, light, met, step) => {
      arriving[cell]! += light;
      // Straight light of the lamps was added already, by more paths.
      if (step > 0) layers.pass(met, way, cell, light);
    });
  }
  return { arriving, passing: layers.passing };
}

/**
 * Straight light of the lamps on partial layers: paths that end where they arrive are so cheap that there are many
 * more of them, for what lies before a lamp is bright in a small place.
 */
function addStraight(
  packed: PackedArrangement,
  layers: Layers,
  scramble: number,
  even: Float64Array,
  numbers: Numbers,
  way: Way,
  drawn: Float64Array,
): void {
  if (layers.grids.every((grid) => grid === null)) return;
  for (let path = 0; path < STRAIGHT_PATHS; path++) {
    numbers.refill();
    fill(even, path, scramble);
    emit(packed, (path + even[0]!) / STRAIGHT_PATHS, even, numbers, way, drawn);
    const found = nearest(packed, way);
    if (found < 0 || !layers.grids[found]) continue;
    goTo(packed, way, found);
    const cell = packed.charts[found]!.cellOf(way.px, way.py, way.pz);
    layers.pass(found, way, cell, 1 / STRAIGHT_PATHS);
  }
}

/**
 * A lamp by its share of the light, then a direction by its spread, then a place on it: spread evenly over all there
 * are, as far as the spread is one that can be turned out of even numbers.
 * @param even  six even numbers: place, two for the direction, two for the place on the lamp
 */
function emit(
  packed: PackedArrangement,
  place: number,
  even: Float64Array,
  numbers: Numbers,
  way: Way,
  drawn: Float64Array,
): void {
  const slot = place * packed.emitterCount;
  let lamp = min(packed.emitterCount - 1, floor(slot));
  if (slot - lamp >= packed.keep[lamp]!) lamp = packed.alias[lamp]!;
  const at = lamp * EMITTER_STRIDE;
  setOut(packed, at, way);
  const [ax, ay, az] = [way.dx, way.dy, way.dz];
  const kind = packed.emitters[at + EMITTER_COLUMNS.kind]!;
  const exponent = packed.emitters[at + EMITTER_COLUMNS.exponent]!;
  const [u, v] = [even[1]!, even[2]!];
  const r = packed.radiiM[lamp]!;
  if (kind === LAMBERT || kind === REFLECTOR) {
    const cosine = u ** (1 / (kind === LAMBERT ? 2 : exponent + 1));
    turnAbout(way, ax, ay, az, cosine, sqrt(max(0, 1 - cosine * cosine)), 2 * PI * v);
    // A face lies across its axis, a ball across any way out of it.
    faceStart(packed, r, ax, ay, az, even, way);
    return;
  }
  if (kind === OMNI) {
    const cosine = 1 - 2 * u;
    turnAbout(way, ax, ay, az, cosine, sqrt(max(0, 1 - cosine * cosine)), 2 * PI * v);
  } else {
    numbers.at += draws(
      drawn,
      numbers.buffer,
      numbers.at,
      kind,
      ax,
      ay,
      az,
      exponent,
      packed.quantiles,
    );
    [way.dx, way.dy, way.dz] = [drawn[0]!, drawn[1]!, drawn[2]!];
  }
  spreadStart(packed, r, way.dx, way.dy, way.dz, even, way);
}

/** Tape lies on its wall: where that is round it stands a hair before the flat face [as `lampsOn` in backward.ts]. */
function faceStart(
  packed: PackedArrangement,
  radiusM: number,
  ax: number,
  ay: number,
  az: number,
  even: Float64Array,
  way: Way,
): void {
  const before = min(MOUNT_M, radiusM / 4);
  way.px += before * ax;
  way.py += before * ay;
  way.pz += before * az;
  spreadStart(packed, radiusM, ax, ay, az, even, way);
}

/** Begins anywhere on a lamp’s disc across a unit vector; in its middle where a wall cuts that off. */
function spreadStart(
  packed: PackedArrangement,
  radiusM: number,
  ax: number,
  ay: number,
  az: number,
  even: Float64Array,
  way: Way,
): void {
  const { dx, dy, dz } = way;
  const far = radiusM * sqrt(even[3]!);
  turnAbout(way, ax, ay, az, 0, 1, 2 * PI * even[4]!);
  way.on = -1;
  nearest(packed, way);
  if (way.t > far) {
    way.px += far * way.dx;
    way.py += far * way.dy;
    way.pz += far * way.dz;
  }
  [way.dx, way.dy, way.dz] = [dx, dy, dz];
}

function follow(
  packed: PackedArrangement,
  way: Way,
  light: number,
  numbers: Numbers,
  drawn: Float64Array,
  arrives: (cell: number, light: number, met: number, step: number) => void,
): void {
  const { surfaces, charts } = packed;
  let left = light;
  for (let step = 0; step < MOST_STEPS; step++) {
    const found = nearest(packed, way);
    if (found < 0) return;
    goTo(packed, way, found);
    arrives(
      (found * 2 + way.side) * PER_SIDE + charts[found]!.cellOf(way.px, way.py, way.pz),
      left,
      found,
      step,
    );
    numbers.refill();
    const o = found * PER_SURFACE;
    const [pass, upTo] = [surfaces[o + PASS]!, surfaces[o + UP_TO]!];
    const kind = surfaces[o + MATTER_KIND]!;
    const draw = numbers.next();
    if (kind === WALL) {
      left *= pass;
      if (draw * pass < upTo) mirrored(way);
      else scattered(way, numbers.next(), numbers.next());
    } else {
      left *= upTo;
      const passes = draw * upTo < pass;
      if (passes && kind === OUT) return;
      onFromLayer(way, surfaces[o + DEFLECTION]!, passes, numbers, drawn, packed);
    }
    if (left < LITTLE * light) {
      if (numbers.next() >= KEPT) return;
      left /= KEPT;
    }
    if (left === 0) return;
  }
}

/** Back from a layer, or through one that leads on inside. */
function onFromLayer(
  way: Way,
  exponent: number,
  passes: boolean,
  numbers: Numbers,
  drawn: Float64Array,
  { quantiles }: PackedArrangement,
): void {
  if (!passes) {
    if (exponent === 0) mirrored(way);
    else scattered(way, numbers.next(), numbers.next());
    return;
  }
  if (exponent === 0) return;
  [way.nx, way.ny, way.nz] = [-way.nx, -way.ny, -way.nz];
  if (exponent < 0) {
    scattered(way, numbers.next(), numbers.next());
    return;
  }
  numbers.at += draws(
    drawn,
    numbers.buffer,
    numbers.at,
    5,
    way.dx,
    way.dy,
    way.dz,
    exponent,
    quantiles,
  );
  [way.dx, way.dy, way.dz] = [drawn[0]!, drawn[1]!, drawn[2]!];
  // What the deflection would turn back has passed all the same.
  if (way.dx * way.nx + way.dy * way.ny + way.dz * way.nz < 0) mirrored(way);
}

/** Directions about another by cos^m, from two numbers in [0, 1): a layer’s deflection, either way round. */
export function deflect(way: Way, exponent: number, u: number, v: number): void {
  const cosine = u ** (1 / (exponent + 1));
  turnAbout(way, way.dx, way.dy, way.dz, cosine, sqrt(max(0, 1 - cosine * cosine)), 2 * PI * v);
}
