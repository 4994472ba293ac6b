import type { Passage } from '../controls';
import type { Vector } from '../vector';
import { Backward, MEAN } from './backward';
import { BLOCKS, blockOfCell, SIDE } from './cells';
import { arrive, meet, wayFrom, type Way } from './meet';
import type { Exit, MouthField } from './mouthField';
import { sequence } from './sequence';
import { GOLDEN, onDisc } from './disc';
import { shownLx } from './straight';
import { toldExits, toldLx, type ToldExit } from './told';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { floor, hypot, max, round, sqrt } = Math;

// Bound to this module: bundlers read an imported name off its module at every use, millions of times here.
const [nearest, goTo, point, fill] = [meet, arrive, onDisc, sequence];

/** A meter’s receptor [docs/model/transport.md]. */
export const RECEPTOR_M = 0.06;

/** Places on a receptor, a golden turn apart. */
const PLACES_ON_IT = 8;

/** Places of an exit by which it is told how much of it is seen. */
const PROBES = 24;
const LEAST_SHARE = 0.02;

/** Where light is read: a small disc. */
export interface Receiver {
  pointM: Vector;
  normal: Vector;
}

/** A figure with what it may be off by. */
export interface Read {
  value: number;
  standardError: number;
  /** the same by each part of the survey alone */
  parts: readonly number[];
}

/** Standard error of the mean of independent values; of one alone nothing is known. */
export function errorOfMean(values: readonly number[]): number {
  const count = values.length;
  const mean = values.reduce((sum, value) => sum + value, 0) / count;
  const spread = values.reduce((sum, value) => sum + (value - mean) ** 2, 0);
  return count > 1 ? sqrt(spread / (count - 1) / count) : Infinity;
}

/** Light by way of the exits, looked at from one receiver after another. */
export class Reader {
  private readonly way: Way = wayFrom();
  private readonly place = new Float64Array(3);
  private readonly numbers = new Float64Array(6);
  private readonly backward: Backward;

  constructor(
    private readonly field: MouthField,
    private readonly passages: readonly Passage[],
    mostLamps?: number,
  ) {
    this.backward = new Backward(field, mostLamps);
  }

  /**
   * Illuminance by way of the exits, by one part of the survey; lux a lamp lumen.
   * @param into  where each block's own part of it is added; nothing is where it is null
   */
  throughExits(
    receiver: Receiver,
    shares: readonly number[],
    part: number,
    count: number,
    spreadM: number,
    into: Float64Array | null = null,
  ): number {
    let sum = 0;
    this.field.open.forEach((exit, at) => {
      const share = shares[at]!;
      if (share === 0) return;
      const places = max(16, round(count * share));
      let own = 0;
      for (let k = 0; k < places; k++) {
        const lx = this.fromPlace(exit, receiver, part, k, spreadM);
        own += lx;
        if (into && lx > 0) into[at * BLOCKS + this.block()]! += lx / places;
      }
      sum += own / places;
    });
    return sum;
  }

  /** Block of the place looked at last. */
  private block(): number {
    const { numbers } = this;
    return blockOfCell(floor(numbers[1]! * SIDE) * SIDE + floor(numbers[0]! * SIDE));
  }

  /** How much of its sky each exit fills as a receiver sees it, of all exits together: where to look how often. */
  shares({ pointM, normal }: Receiver): number[] {
    const { place, way, field } = this;
    const [x, y, z] = pointM;
    const filled = field.open.map((exit) => {
      let sum = 0;
      for (let k = 0; k < PROBES; k++) {
        fill(this.numbers, k, 0);
        const area = exit.chart.at(this.numbers[0]!, this.numbers[1]!, place);
        if (area === 0) continue;
        const [ex, ey, ez] = [place[0]! - x, place[1]! - y, place[2]! - z];
        const d = hypot(ex, ey, ez);
        [way.px, way.py, way.pz] = [x, y, z];
        [way.dx, way.dy, way.dz] = [ex / d, ey / d, ez / d];
        way.t = d;
        goTo(field.packed, way, exit.surface);
        if (way.side === exit.inside) continue;
        const facing = way.dx * normal[0] + way.dy * normal[1] + way.dz * normal[2];
        const leaving = -(way.dx * way.nx + way.dy * way.ny + way.dz * way.nz);
        sum += (area * leaving * max(0, facing)) / (d * d);
      }
      return sum;
    });
    const whole = filled.reduce((sum, one) => sum + one, 0);
    // An exit that no probe saw is still looked at now and then.
    return filled.map((one) => (whole > 0 ? max(LEAST_SHARE, one / whole) : 1 / filled.length));
  }

  private fromPlace(
    exit: Exit,
    { pointM, normal }: Receiver,
    part: number,
    k: number,
    spreadM: number,
  ): number {
    const { way, place, numbers, field } = this;
    fill(numbers, k, part + 1);
    const area = exit.chart.at(numbers[0]!, numbers[1]!, place);
    if (area === 0) return 0;
    const [x, y, z] = [place[0]!, place[1]!, place[2]!];
    const [rx, ry, rz] = point(pointM, normal, spreadM, numbers[2]!, numbers[3]!);
    const [ex, ey, ez] = [x - rx, y - ry, z - rz];
    const squared = ex * ex + ey * ey + ez * ez;
    const d = sqrt(squared);
    const facing = (ex * normal[0] + ey * normal[1] + ez * normal[2]) / d;
    if (facing <= 0) return 0;
    // The way back, from just before the exit into the arrangement.
    [way.px, way.py, way.pz] = [rx, ry, rz];
    [way.dx, way.dy, way.dz] = [ex / d, ey / d, ez / d];
    way.on = -1;
    // Its own walls may stand before it.
    const first = nearest(field.packed, way);
    if (first !== exit.surface && way.t < d * (1 - 1e-6)) return 0;
    way.t = d;
    goTo(field.packed, way, exit.surface);
    if (way.side === exit.inside) return 0;
    const leaving = -(way.dx * way.nx + way.dy * way.ny + way.dz * way.nz);
    if (leaving < 1e-6) return 0;
    let open = 1;
    for (const passage of this.passages) {
      open *= passage(x, y, z, rx, ry, rz);
      if (open === 0) return 0;
    }
    const solid = (exit.passes * area * facing * open) / squared;
    const { backward } = this;
    backward.turn = [numbers[4]!, numbers[5]!, numbers[2]!];
    if (exit.exponent === 0) return solid * leaving * backward.arriving(way, part, true);
    return solid * backward.scattered(way, exit.exponent, part);
  }
}

const told = new WeakMap<MouthField, ToldExit[]>();

/** The told exits of a field, made once. */
export function toldOf(field: MouthField): ToldExit[] {
  const known = told.get(field) ?? toldExits(field);
  told.set(field, known);
  return known;
}

/**
 * Illuminance on a receptor anywhere outside, lux, with its standard error.
 * @param count  places looked at on the exits that have to be looked through
 */
export function mouthLx(
  field: MouthField,
  receiver: Receiver,
  passages: readonly Passage[] = [],
  count = 512,
  receptorM = RECEPTOR_M,
): Read {
  const { pointM, normal } = receiver;
  const parts = field.luminances.length;
  const each = max(16, round(count / parts));
  const known = toldOf(field);
  const looked = field.open.length > 0 ? new Reader(field, passages) : null;
  const shares = looked?.shares(receiver) ?? [];
  const told = (at: Vector, part: number) =>
    known.reduce((all, exit) => all + toldLx(field, exit, part, passages, at, normal), 0);
  // What is known without looking is read all over the receptor; its error, in the middle.
  let sum = 0;
  for (let k = 0; k < PLACES_ON_IT; k++) {
    const at = point(pointM, normal, receptorM / 2, (k + 0.5) / PLACES_ON_IT, (k * GOLDEN) % 1);
    sum += told(at, MEAN) + shownLx(field, at, normal, passages);
  }
  const seen = field.luminances.map(
    (_, part) => looked?.throughExits(receiver, shares, part, each, receptorM / 2) ?? 0,
  );
  const values = seen.map((lx, part) => lx + told(pointM, part));
  const through = seen.reduce((all, lx) => all + lx, 0) / parts;
  return {
    value: (sum / PLACES_ON_IT + through) * field.sentLm,
    standardError: errorOfMean(values) * field.sentLm,
    parts: values.map((lx) => lx * field.sentLm),
  };
}
