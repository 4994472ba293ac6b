import { SURFACE_COLUMNS as AT } from '../transport/columns';
import { desk } from '../../native/native';
import { MATTER, SURFACE_STRIDE, type PackedArrangement } from '../transport/pack';
import { CELLS } from './cells';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { PI, floor, hypot, max, min, round, sqrt } = Math;

/** Nodes along each side of the grid of directions, by the sharpest exponent they can tell. */
const GRIDS: readonly (readonly [exponent: number, nodes: number])[] = [
  [14, 17],
  [40, 25],
  [100, 33],
];

/**
 * Directions about a partial layer: a square grid over the disc of (sine, sine), in the frame of the way out. A layer
 * of exponent m turns what arrives by one node into a lobe of cos^m about it, the part that would turn back mirrored
 * [docs/model/transport.md].
 */
export interface LayerGrid {
  nodes: number;
  /** lobe by cosine, 0…1 */
  lobe: Float64Array;
  /** nodes in or next to the disc: place, and direction */
  places: Int32Array;
  ways: Float64Array;
  /** by node, a row of nodes that its lobe reaches: first, one past the last, and how much each gets */
  first: Int32Array;
  past: Int32Array;
  /** one row after another, and where each begins */
  weights: Float32Array;
  starts: Int32Array;
}

const made = new Map<number, LayerGrid | null>();

/** Grid of a layer by its deflection’s exponent; null where it is no partial layer, or too sharp for a grid. */
export function layerGrid(exponent: number): LayerGrid | null {
  const known = made.get(exponent);
  if (known !== undefined) return known;
  const nodes = exponent > 0 ? GRIDS.find(([sharpest]) => exponent <= sharpest)?.[1] : undefined;
  const grid = nodes ? gridOf(nodes, exponent) : null;
  made.set(exponent, grid);
  return grid;
}

/** Parts of a lobe below this share of its peak are left out. */
const FAINT = 1e-6;
const LOBE_STEPS = 8192;

function gridOf(nodes: number, exponent: number): LayerGrid {
  const places: number[] = [];
  const ways: number[] = [];
  const step = 2 / (nodes - 1);
  for (let k = 0; k < nodes * nodes; k++) {
    const [u, v] = [(k % nodes) * step - 1, floor(k / nodes) * step - 1];
    const r = hypot(u, v);
    // Nodes beyond the edge serve those before it: they stand for the edge itself.
    if (r > 1 + 2 * step) continue;
    const by = r > 1 ? 1 / r : 1;
    places.push(k);
    ways.push(u * by, v * by, sqrt(max(0, 1 - min(1, r) ** 2)));
  }
  const lobe = Float64Array.from(
    { length: LOBE_STEPS + 1 },
    (_, k) => ((exponent + 1) / (2 * PI)) * (k / LOBE_STEPS) ** exponent,
  );
  const rows = places.map((_, k) => {
    const row = Float32Array.from(places, (_place, to) =>
      lobes(lobe, ways, 3 * k, ways[3 * to]!, ways[3 * to + 1]!, ways[3 * to + 2]!),
    );
    const first = row.findIndex((weight) => weight >= FAINT);
    const past = row.findLastIndex((weight) => weight >= FAINT) + 1;
    return { first, past, weights: row.slice(first, past) };
  });
  return {
    nodes,
    lobe,
    places: Int32Array.from(places),
    ways: Float64Array.from(ways),
    first: Int32Array.from(rows, ({ first }) => first),
    past: Int32Array.from(rows, ({ past }) => past),
    weights: Float32Array.from(rows.flatMap(({ weights }) => [...weights])),
    starts: Int32Array.from(rows, (_, k) =>
      rows.slice(0, k).reduce((sum, { weights }) => sum + weights.length, 0),
    ),
  };
}

/** cos^m about the way on, and about its mirror image in the layer. */
function lobes(
  lobe: Float64Array,
  ways: ArrayLike<number>,
  o: number,
  x: number,
  y: number,
  z: number,
): number {
  const across = x * ways[o]! + y * ways[o + 1]!;
  const along = z * ways[o + 2]!;
  const straight = across + along > 0 ? lobe[round(min(1, across + along) * LOBE_STEPS)]! : 0;
  return across > along ? straight + lobe[round((across - along) * LOBE_STEPS)]! : straight;
}

/** Numbers a surface side’s table takes. */
export const layerLength = ({ nodes }: LayerGrid): number => CELLS * nodes * nodes;

/** Grid of each surface of an arrangement. */
export const gridsOf = ({ surfaces, surfaceCount }: PackedArrangement): (LayerGrid | null)[] =>
  Array.from({ length: surfaceCount }, (_, k) => {
    const o = k * SURFACE_STRIDE;
    return surfaces[o + AT.matter] === MATTER.wall ? null : layerGrid(surfaces[o + AT.deflection]!);
  });

/**
 * By cell and direction, of one surface side: light that has passed there before the layer turns it, or what leaves;
 * lm or cd a lamp lumen.
 */
export type LayerTable = Float32Array;

const along = new Float64Array(4);
const up = new Float64Array(4);

/** Cubics between four nodes keep the moments of a lobe: what is shared out among them, and what is read. */
function stencil(nodes: number, u: number, v: number): number {
  const half = (nodes - 1) / 2;
  const [a, b] = [(u + 1) * half, (v + 1) * half];
  const [i, j] = [max(1, min(nodes - 3, floor(a))), max(1, min(nodes - 3, floor(b)))];
  cubics(a - i, along);
  cubics(b - j, up);
  return (j - 1) * nodes + i - 1;
}

/** Weights of nodes at −1, 0, 1 and 2 [Lagrange]. */
function cubics(s: number, out: Float64Array): void {
  out[0] = (-s * (s - 1) * (s - 2)) / 6;
  out[1] = ((s + 1) * (s - 1) * (s - 2)) / 2;
  out[2] = (-(s + 1) * s * (s - 2)) / 2;
  out[3] = ((s + 1) * s * (s - 1)) / 6;
}

/** Adds light that passes a layer by a way on, not yet turned. */
export function addPassing(
  table: LayerTable,
  { nodes }: LayerGrid,
  cell: number,
  u: number,
  v: number,
  light: number,
): void {
  const first = cell * nodes * nodes + stencil(nodes, u, v);
  for (let row = 0; row < 4; row++)
    for (let k = 0; k < 4; k++) table[first + row * nodes + k]! += light * up[row]! * along[k]!;
}

const turning = desk();

/** What leaves by each direction, of what passes. */
export function leavingOf(passing: LayerTable, grid: LayerGrid, on = turning): LayerTable {
  if (!on) return leavingTwin(passing, grid);
  const { nodes, places, first, past, starts, weights } = grid;
  on.clear();
  const [light, out] = [on.lay(passing), on.lay(new Float32Array(passing.length))];
  on.run.turnLobes(
    CELLS,
    nodes * nodes,
    places.length,
    light,
    on.lay(places),
    on.lay(first),
    on.lay(past),
    on.lay(starts),
    on.lay(weights),
    on.room(places.length * 4),
    out,
  );
  return on.floats(out, passing.length).slice();
}

/** The same in plain numbers. */
export function leavingTwin(passing: LayerTable, grid: LayerGrid): LayerTable {
  const { nodes, places, first, past, starts, weights } = grid;
  const out = new Float32Array(passing.length);
  // Nodes in a row, so that a lobe lies in one stretch of them.
  const cell = new Float32Array(places.length);
  for (let o = 0; o < passing.length; o += nodes * nodes) {
    cell.fill(0);
    for (let k = 0; k < places.length; k++) {
      const light = passing[o + places[k]!]!;
      if (light === 0) continue;
      const [from, row] = [first[k]!, starts[k]!];
      const count = past[k]! - from;
      for (let j = 0; j < count; j++) cell[from + j]! += light * weights[row + j]!;
    }
    for (let k = 0; k < places.length; k++) out[o + places[k]!] = cell[k]!;
  }
  return out;
}

/** Intensity that leaves a cell by a direction, of a table of what leaves. */
export function leavingCd(
  table: LayerTable,
  { nodes }: LayerGrid,
  cell: number,
  u: number,
  v: number,
): number {
  const first = cell * nodes * nodes + stencil(nodes, u, v);
  let sum = 0;
  for (let row = 0; row < 4; row++) {
    const o = first + row * nodes;
    sum +=
      up[row]! *
      (along[0]! * table[o]! +
        along[1]! * table[o + 1]! +
        along[2]! * table[o + 2]! +
        along[3]! * table[o + 3]!);
  }
  return max(0, sum);
}

/** The same straight from a table of what passes, node by node: for one look, where no table of what leaves is made. */
export function turnedCd(
  passing: LayerTable,
  { nodes, places, ways, lobe }: LayerGrid,
  cell: number,
  u: number,
  v: number,
): number {
  const z = sqrt(max(0, 1 - u * u - v * v));
  const o = cell * nodes * nodes;
  let sum = 0;
  for (let k = 0; k < places.length; k++) {
    const light = passing[o + places[k]!]!;
    if (light !== 0) sum += light * lobes(lobe, ways, 3 * k, u, v, z);
  }
  return max(0, sum);
}
