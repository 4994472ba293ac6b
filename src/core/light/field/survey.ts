import { EMITTER_COLUMNS, SURFACE_COLUMNS as AT } from '../transport/columns';
import { drawInto } from '../transport/directions';
import { EMITTER_STRIDE, MATTER, SURFACE_STRIDE, type PackedArrangement } from '../transport/pack';
import { BUFFER, fillUniform, MARGIN, streamFor } from '../transport/random';
import { CELLS } from './cells';
import { about, arrive, lambert, meet, reflect, startAt, wayFrom, type Way } from './meet';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { PI, floor, max, min, sqrt } = Math;

// Bound to this module: bundlers read an imported name off its module at every use, millions of times here.
const PER_SURFACE = SURFACE_STRIDE;
const PER_SIDE = CELLS;
const { matter: MATTER_KIND, pass: PASS, upTo: UP_TO, deflection: DEFLECTION } = AT;
const { wall: WALL, out: OUT } = MATTER;
const [nearest, goTo, mirrored, scattered, draws] = [meet, arrive, reflect, lambert, drawInto];

/** Paths of one part; each carries its light on until little is left, so that few do what many photons did. */
const PATHS = 2500;
/** Below this share of a path's light one in four goes on with four times as much. */
const LITTLE = 0.05;
const KEPT = 0.25;
const MOST_STEPS = 400;
const LAMBERT = 4;
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

/**
 * One part of a survey: the light that arrives in every cell of both sides of every surface, as a share of what the
 * lamps send [docs/model/transport.md, “From the mouth to the subject”]. Surfaces × 2 × cells.
 */
export function surveyPart(packed: PackedArrangement, seed: number, part: number): Float32Array {
  const arriving = new Float32Array(packed.surfaceCount * 2 * PER_SIDE);
  const numbers = new Numbers(streamFor(seed, FIRST_STREAM + part));
  const way = wayFrom();
  const drawn = new Float64Array(3);
  for (let path = 0; path < PATHS; path++) {
    numbers.refill();
    emit(packed, (path + numbers.next()) / PATHS, numbers, way, drawn);
    follow(packed, way, 1 / PATHS, numbers, drawn, (cell, light) => {
      arriving[cell]! += light;
    });
  }
  return arriving;
}

/** A lamp by its share of the light, then a direction by its spread. */
function emit(
  packed: PackedArrangement,
  place: number,
  numbers: Numbers,
  way: Way,
  drawn: Float64Array,
): void {
  const slot = place * packed.emitterCount;
  let lamp = min(packed.emitterCount - 1, floor(slot));
  if (slot - lamp >= packed.keep[lamp]!) lamp = packed.alias[lamp]!;
  const at = lamp * EMITTER_STRIDE;
  startAt(packed, at, way);
  const kind = packed.emitters[at + EMITTER_COLUMNS.kind]!;
  if (kind === LAMBERT) {
    [way.nx, way.ny, way.nz] = [way.dx, way.dy, way.dz];
    scattered(way, numbers.next(), numbers.next());
    return;
  }
  numbers.at += draws(
    drawn,
    numbers.buffer,
    numbers.at,
    kind,
    way.dx,
    way.dy,
    way.dz,
    packed.emitters[at + EMITTER_COLUMNS.exponent]!,
    packed.quantiles,
  );
  [way.dx, way.dy, way.dz] = [drawn[0]!, drawn[1]!, drawn[2]!];
}

function follow(
  packed: PackedArrangement,
  way: Way,
  light: number,
  numbers: Numbers,
  drawn: Float64Array,
  arrives: (cell: number, light: number) => void,
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
  about(way, way.dx, way.dy, way.dz, cosine, sqrt(max(0, 1 - cosine * cosine)), 2 * PI * v);
}
