import { CENTRE, headDistance, REACH } from './head';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { abs, ceil, max, min, sign, sqrt } = Math;

/**
 * The head's distance baked into a box of cells, so that shadow rays cost a few look-ups. Exact within
 * two coarse cells of the surface, coarse beyond, where only long steps are taken.
 */
export interface HeadGrid {
  values: Float32Array;
  columns: number;
  rows: number;
  layers: number;
  cellM: number;
  from: readonly [number, number, number];
  to: readonly [number, number, number];
}

const FROM = [-0.24, CENTRE[1] - REACH + 0.06, -0.22] as const;
const TO = [0.24, 0.17, 0.075] as const;

/** @param cellM  edge of a fine cell; features smaller than two of them cast no shadow */
export function bakeHead(cellM = 0.006): HeadGrid {
  const count = (axis: 0 | 1 | 2) => ceil((TO[axis] - FROM[axis]) / cellM) + 1;
  const [columns, rows, layers] = [count(0), count(1), count(2)];
  const values = new Float32Array(columns * rows * layers);
  const block = 4;
  for (let k0 = 0; k0 < layers; k0 += block)
    for (let j0 = 0; j0 < rows; j0 += block)
      for (let i0 = 0; i0 < columns; i0 += block) {
        const half = (block / 2) * cellM;
        const middle = headDistance(
          FROM[0] + i0 * cellM + half,
          FROM[1] + j0 * cellM + half,
          FROM[2] + k0 * cellM + half,
        );
        // The whole block is farther than this from the surface: one value serves it.
        const least = abs(middle) - half * sqrt(3) * 1.3;
        for (let k = k0; k < min(layers, k0 + block); k++)
          for (let j = j0; j < min(rows, j0 + block); j++)
            for (let i = i0; i < min(columns, i0 + block); i++)
              values[(k * rows + j) * columns + i] =
                least > 2 * cellM
                  ? sign(middle) * least
                  : headDistance(FROM[0] + i * cellM, FROM[1] + j * cellM, FROM[2] + k * cellM);
      }
  return { values, columns, rows, layers, cellM, from: FROM, to: TO };
}

/** Baked distance at a point inside the box, between cells by proportion. */
export function gridDistance(grid: HeadGrid, x: number, y: number, z: number): number {
  const { values, columns, rows, layers, cellM, from } = grid;
  const u = (x - from[0]) / cellM;
  const v = (y - from[1]) / cellM;
  const w = (z - from[2]) / cellM;
  const i = u < 0 ? 0 : u >= columns - 1 ? columns - 2 : u | 0;
  const j = v < 0 ? 0 : v >= rows - 1 ? rows - 2 : v | 0;
  const k = w < 0 ? 0 : w >= layers - 1 ? layers - 2 : w | 0;
  const fu = u - i;
  const fv = v - j;
  const fw = w - k;
  const at = (k * rows + j) * columns + i;
  const up = at + columns * rows;
  const low =
    (values[at]! * (1 - fu) + values[at + 1]! * fu) * (1 - fv) +
    (values[at + columns]! * (1 - fu) + values[at + columns + 1]! * fu) * fv;
  const high =
    (values[up]! * (1 - fu) + values[up + 1]! * fu) * (1 - fv) +
    (values[up + columns]! * (1 - fu) + values[up + columns + 1]! * fu) * fv;
  return low * (1 - fw) + high * fw;
}

const MOST_STEPS = 48;

/**
 * Whether the head stands between a point and another: the ray is walked by the baked distance.
 * @param skipM way left out at the start, so that a surface does not shade itself
 */
export function headShades(
  grid: HeadGrid,
  ax: number,
  ay: number,
  az: number,
  bx: number,
  by: number,
  bz: number,
  skipM: number,
): boolean {
  const { values, columns, rows, layers, from, to } = grid;
  let dx = bx - ax;
  let dy = by - ay;
  let dz = bz - az;
  const long = sqrt(dx * dx + dy * dy + dz * dz);
  dx /= long;
  dy /= long;
  dz /= long;
  // Only what the ray crosses of the box is walked; a level ray has infinite ways, which order rightly.
  const x0 = (from[0] - ax) / dx;
  const x1 = (to[0] - ax) / dx;
  const y0 = (from[1] - ay) / dy;
  const y1 = (to[1] - ay) / dy;
  const z0 = (from[2] - az) / dz;
  const z1 = (to[2] - az) / dz;
  let t = max(skipM, min(x0, x1), min(y0, y1), min(z0, z1));
  const end = min(long, max(x0, x1), max(y0, y1), max(z0, z1));
  if (!(t < end)) return false;
  // In cells from here on: the look-up stands in the loop, where it is not a call.
  const by1 = 1 / grid.cellM;
  const layer = columns * rows;
  for (let step = 0; step < MOST_STEPS && t < end; step++) {
    const u = (ax + t * dx - from[0]) * by1;
    const v = (ay + t * dy - from[1]) * by1;
    const w = (az + t * dz - from[2]) * by1;
    const i = u < 0 ? 0 : u >= columns - 1 ? columns - 2 : u | 0;
    const j = v < 0 ? 0 : v >= rows - 1 ? rows - 2 : v | 0;
    const k = w < 0 ? 0 : w >= layers - 1 ? layers - 2 : w | 0;
    const at = (k * rows + j) * columns + i;
    const nearest = values[at]!;
    // Far out the cell's own value will do.
    let d = nearest - 2 * grid.cellM;
    if (d < 2 * grid.cellM) {
      const fu = u - i;
      const fv = v - j;
      const up = at + layer;
      const a = nearest + (values[at + 1]! - nearest) * fu;
      const b = values[at + columns]! + (values[at + columns + 1]! - values[at + columns]!) * fu;
      const c = values[up]! + (values[up + 1]! - values[up]!) * fu;
      const e = values[up + columns]! + (values[up + columns + 1]! - values[up + columns]!) * fu;
      const low = a + (b - a) * fv;
      const high = c + (e - c) * fv;
      d = low + (high - low) * (w - k);
      if (d < 0.0004) return true;
      if (d < 0.002) d = 0.002;
    }
    t += d;
  }
  return false;
}
