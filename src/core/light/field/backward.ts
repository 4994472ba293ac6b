import { COLUMNS, STRIDE } from '../emitter';
import { emitterLx } from '../illuminance';
import { SURFACE_COLUMNS as AT } from '../transport/columns';
import { MATTER, SURFACE_STRIDE, TYPE } from '../transport/pack';
import type { Vector } from '../vector';
import { CELLS } from './cells';
import { MOST_MIRRORS } from './images';
import { frameOf } from './layers';
import { leavingCd, turnedCd } from './layerGrid';
import { arrive, meet, reflect, wayFrom, type Way } from './meet';
import type { MouthField } from './mouthField';
import { deflect, MOUNT_M } from './survey';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { PI, ceil, floor, max, min, sqrt } = Math;

// Bound to this module: bundlers read an imported name off its module at every use, millions of times here.
const LAMP_STRIDE = STRIDE;
const { axis: AXIS, exponent: EXPONENT } = COLUMNS;
const PER_SURFACE = SURFACE_STRIDE;
const { matter: MATTER_KIND, pass: PASS, upTo: UP_TO, deflection: DEFLECTION } = AT;
const { wall: WALL, through: THROUGH } = MATTER;
const POLYGON = TYPE.polygon;
const PER_SIDE = CELLS;
const [lampLx, nearest, goTo, mirrored, turned] = [emitterLx, meet, arrive, reflect, deflect];
const [framed, leftBy, turnedBy] = [frameOf, leavingCd, turnedCd];

/** A way back is given up when it would bring so little. */
const LITTLE = 0.002;
const MOST_STEPS = 32;
/** Cosine below which a layer is not looked through. */
const GRAZING = 0.02;
/** Straight light that so little of leaves the way looked at is not looked for. */
const DIM = 1e-4;
/** Lamps looked at from one place on a partial layer; of more, every so manieth by turns. */
const LAMPS_A_PLACE = 48;
/** In place of a part of a survey: the mean of all. */
export const MEAN = -1;

/**
 * Looks backwards into an arrangement: what scatters by Lambert’s law is read from the survey’s maps, mirrors and clear
 * layers are followed, lamps are met as balls and faces [docs/model/transport.md, “From the mouth to the subject”].
 * One object for many looks, so that none makes objects of its own.
 */
export class Backward {
  private readonly probe: Way = wayFrom();
  private readonly near: Int32Array;
  private readonly frame = new Float64Array(6);
  /** two numbers in [0, 1) that turn ways in partial layers, and one that takes turns among lamps */
  turn = [0, 0, 0];

  constructor(
    private readonly field: MouthField,
    private readonly mostLamps = LAMPS_A_PLACE,
  ) {
    this.near = new Int32Array(field.lamps.count);
  }

  /**
   * Straight light of lamps at a place of a partial layer, by how much of it leaves the way back: Σ E·p.
   * @param n  normal towards the lamps
   */
  private lampsFrom(
    { px, py, pz, dx, dy, dz, on }: Way,
    nx: number,
    ny: number,
    nz: number,
    exponent: number,
  ): number {
    const { lamps, packed } = this.field;
    const { data } = lamps;
    const { probe } = this;
    // The way out and its mirror image in the layer: what the deflection would turn back has passed too.
    const out = dx * nx + dy * ny + dz * nz;
    const [mx, my, mz] = [dx - 2 * out * nx, dy - 2 * out * ny, dz - 2 * out * nz];
    const least = DIM ** (1 / exponent);
    let count = 0;
    for (let o = 0; o < lamps.count * LAMP_STRIDE; o += LAMP_STRIDE) {
      const tx = data[o]! - px;
      const ty = data[o + 1]! - py;
      const tz = data[o + 2]! - pz;
      const away = least * sqrt(tx * tx + ty * ty + tz * tz);
      if (tx * dx + ty * dy + tz * dz >= away || tx * mx + ty * my + tz * mz >= away)
        this.near[count++] = o;
    }
    const step = max(1, ceil(count / this.mostLamps));
    let sum = 0;
    for (let k = floor(this.turn[2]! * step); k < count; k += step) {
      const o = this.near[k]!;
      const lx = lampLx(lamps, o, px, py, pz, nx, ny, nz);
      if (lx === 0) continue;
      const tx = data[o]! - px;
      const ty = data[o + 1]! - py;
      const tz = data[o + 2]! - pz;
      const far = sqrt(tx * tx + ty * ty + tz * tz);
      [probe.px, probe.py, probe.pz] = [px, py, pz];
      [probe.dx, probe.dy, probe.dz] = [tx / far, ty / far, tz / far];
      probe.on = on;
      nearest(packed, probe);
      if (probe.t < far * (1 - 1e-6)) continue;
      const along = probe.dx * dx + probe.dy * dy + probe.dz * dz;
      const folded = probe.dx * mx + probe.dy * my + probe.dz * mz;
      sum +=
        step * lx * ((along > 0 ? along ** exponent : 0) + (folded > 0 ? folded ** exponent : 0));
    }
    return (sum * (exponent + 1)) / (2 * PI);
  }

  /** Luminance of the white that a surface side would be, by the survey’s map; of the mean of its parts by MEAN. */
  luminance(surface: number, side: number, x: number, y: number, z: number, part: number): number {
    const cell = this.field.charts[surface]!.cellOf(x, y, z);
    const { luminance, luminances } = this.field;
    return (part < 0 ? luminance : luminances[part]!)[(surface * 2 + side) * PER_SIDE + cell]!;
  }

  /**
   * Luminance that arrives against a way back: what scatters by Lambert’s law is read from the maps, mirrors and clear
   * layers are followed, lamps are met as balls. Straight light of the lamps is counted elsewhere, until a mirror or a
   * layer has turned the way.
   * @param clear  the way comes from outside by nothing but a clear exit: what plane mirrors then show is counted elsewhere
   */
  arriving(way: Way, part: number, clear = false): number {
    const { packed, images } = this.field;
    const { surfaces } = packed;
    let left = 1;
    let sum = 0;
    let lampsShow = false;
    // Mirrors still to come before a lamp shows that was not counted as an image.
    let known = clear && images.length > 0 ? MOST_MIRRORS : 0;
    for (let step = 0; step < MOST_STEPS; step++) {
      const found = nearest(packed, way);
      if (lampsShow) sum += left * this.lampsOn(way, found < 0 ? Infinity : way.t);
      if (found < 0) return sum;
      goTo(packed, way, found);
      const o = found * PER_SURFACE;
      const [pass, upTo] = [surfaces[o + PASS]!, surfaces[o + UP_TO]!];
      const own = this.luminance(found, way.side, way.px, way.py, way.pz, part);
      if (surfaces[o + MATTER_KIND] === WALL) {
        sum += left * (pass - upTo) * own;
        left *= upTo;
        mirrored(way);
        known = surfaces[o] === POLYGON ? known - 1 : -1;
        lampsShow = known < 0;
      } else {
        const exponent = surfaces[o + DEFLECTION]!;
        const through = surfaces[o + MATTER_KIND] === THROUGH;
        if (exponent !== 0) sum += left * (upTo - pass) * own;
        if (this.field.grids[found])
          return through ? sum + left * this.leaving(found, way, part) : sum;
        if (exponent < 0 && through)
          sum += left * pass * this.luminance(found, 1 - way.side, way.px, way.py, way.pz, part);
        if (exponent === 0 && !through) {
          left *= upTo - pass;
          mirrored(way);
          // Images are of walls alone.
          known = -1;
          lampsShow = true;
        } else if (exponent >= 0 && through) {
          left *= pass;
          if (exponent > 0) {
            const [nx, ny, nz] = [-way.nx, -way.ny, -way.nz];
            const leaving = max(GRAZING, way.dx * nx + way.dy * ny + way.dz * nz);
            sum += (left / leaving) * this.lampsFrom(way, nx, ny, nz, exponent);
            left *= this.deflected(way, nx, ny, nz, exponent) / leaving;
            // A layer has turned the way: what it meets in mirrors from here on is no image counted elsewhere.
            known = 0;
            lampsShow = false;
          }
        } else return sum;
      }
      if (left < LITTLE) return sum;
    }
    return sum;
  }

  /** Luminance of a partial layer against a way back that has come to it, by its table. */
  private leaving(surface: number, way: Way, part: number): number {
    const place = surface * 2 + way.side;
    const table = part < 0 ? this.field.leaving[place] : this.field.passing[part]![place];
    if (!table) return 0;
    const { frame } = this;
    const { dx, dy, dz, nx, ny, nz } = way;
    framed(nx, ny, nz, frame);
    const u = -(dx * frame[0]! + dy * frame[1]! + dz * frame[2]!);
    const v = -(dx * frame[3]! + dy * frame[4]! + dz * frame[5]!);
    const chart = this.field.charts[surface]!;
    const cell = chart.cellOf(way.px, way.py, way.pz);
    const areaM2 = chart.areasM2[cell]!;
    if (areaM2 === 0) return 0;
    const cosine = max(GRAZING, -(dx * nx + dy * ny + dz * nz));
    const read = part < 0 ? leftBy : turnedBy;
    return read(table, this.field.grids[surface]!, cell, u, v) / areaM2 / cosine;
  }

  /** Light that a partial layer sends on against a way back, times the cosine it leaves by. */
  scattered(way: Way, exponent: number, part: number): number {
    const [nx, ny, nz] = [-way.nx, -way.ny, -way.nz];
    const straight = this.lampsFrom(way, nx, ny, nz, exponent);
    return straight + this.deflected(way, nx, ny, nz, exponent) * this.arriving(way, part);
  }

  /** Turned backwards by a layer; returns the cosine by which the light arrives there. */
  private deflected(way: Way, nx: number, ny: number, nz: number, exponent: number): number {
    turned(way, exponent, this.turn[0]!, this.turn[1]!);
    const arriving = way.dx * nx + way.dy * ny + way.dz * nz;
    if (arriving >= 0) return arriving;
    [way.nx, way.ny, way.nz] = [nx, ny, nz];
    mirrored(way);
    return -arriving;
  }

  /** Luminance of the lamps that a way meets before it ends: balls and faces that neither block nor absorb. */
  private lampsOn({ px, py, pz, dx, dy, dz }: Way, untilM: number): number {
    const { lamps, radiiM, lampBox } = this.field;
    if (!crosses(lampBox, px, py, pz, dx, dy, dz, untilM)) return 0;
    let sum = 0;
    const { data } = lamps;
    for (let o = 0; o < lamps.count * LAMP_STRIDE; o += LAMP_STRIDE) {
      const tx = data[o]! - px;
      const ty = data[o + 1]! - py;
      const tz = data[o + 2]! - pz;
      const r = radiiM[o / LAMP_STRIDE]!;
      const exponent = data[o + EXPONENT]!;
      let seenM2 = PI * r * r;
      if (exponent > 0) {
        // A face: a disc across its axis.
        const facing = dx * data[o + AXIS]! + dy * data[o + AXIS + 1]! + dz * data[o + AXIS + 2]!;
        if (facing >= -GRAZING) continue;
        const t =
          (tx * data[o + AXIS]! + ty * data[o + AXIS + 1]! + tz * data[o + AXIS + 2]!) / facing;
        // Tape lies on its wall: where that is round it stands a hair before the flat face.
        if (t <= 0 || (t - untilM) * -facing > min(MOUNT_M, r / 4)) continue;
        const [ux, uy, uz] = [tx - t * dx, ty - t * dy, tz - t * dz];
        if (ux * ux + uy * uy + uz * uz >= r * r) continue;
        seenM2 *= -facing;
      } else {
        const along = tx * dx + ty * dy + tz * dz;
        if (along <= 0 || along >= untilM + r) continue;
        if (tx * tx + ty * ty + tz * tz - along * along >= r * r) continue;
      }
      // Intensity towards the eye over what it sees: read a metre away on a surface that faces the lamp.
      const [x, y, z] = [data[o]! - dx, data[o + 1]! - dy, data[o + 2]! - dz];
      sum += lampLx(lamps, o, x, y, z, dx, dy, dz) / seenM2;
    }
    return sum;
  }
}

/** Whether a way crosses a box before it ends, by slabs. */
function crosses(
  [low, high]: readonly [Vector, Vector],
  px: number,
  py: number,
  pz: number,
  dx: number,
  dy: number,
  dz: number,
  untilM: number,
): boolean {
  let [near, far] = [0, untilM];
  const slab = (from: number, to: number, p: number, d: number) => {
    const [a, b] = [(from - p) / d, (to - p) / d];
    near = max(near, min(a, b));
    far = min(far, max(a, b));
  };
  slab(low[0], high[0], px, dx);
  slab(low[1], high[1], py, dy);
  slab(low[2], high[2], pz, dz);
  return near <= far;
}
