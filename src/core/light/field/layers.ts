import { SURFACE_COLUMNS as AT } from '../transport/columns';
import { SURFACE_STRIDE, type PackedArrangement } from '../transport/pack';
import { CELLS } from './cells';
import { addPassing, gridsOf, layerLength, type LayerGrid, type LayerTable } from './layerGrid';
import type { Way } from './meet';

// Bound to this module: bundlers read an imported name off its module at every use, millions of times here.
const [add, PER_SIDE, PER_SURFACE] = [addPassing, CELLS, SURFACE_STRIDE];

/** The partial layers of an arrangement, while what passes them is gathered. */
export class Layers {
  readonly passing: (LayerTable | null)[];
  readonly grids: readonly (LayerGrid | null)[];
  private readonly frame = new Float64Array(6);

  constructor(private readonly packed: PackedArrangement) {
    this.grids = gridsOf(packed);
    this.passing = new Array<LayerTable | null>(packed.surfaceCount * 2).fill(null);
  }

  /**
   * Adds what a layer passes of light that has just arrived at it.
   * @param cell  of the map of all arrivals: surface, side and cell
   */
  pass(surface: number, way: Way, cell: number, light: number): void {
    const grid = this.grids[surface];
    if (!grid || light === 0) return;
    const passes = this.packed.surfaces[surface * PER_SURFACE + AT.pass]!;
    if (passes === 0) return;
    const place = surface * 2 + (1 - way.side);
    const table = (this.passing[place] ??= new Float32Array(layerLength(grid)));
    const { dx, dy, dz } = way;
    const [nx, ny, nz] = [-way.nx, -way.ny, -way.nz];
    const { frame } = this;
    frameOf(nx, ny, nz, frame);
    const u = dx * frame[0]! + dy * frame[1]! + dz * frame[2]!;
    const v = dx * frame[3]! + dy * frame[4]! + dz * frame[5]!;
    add(table, grid, cell % PER_SIDE, u, v, light * passes);
  }
}

/** Two unit vectors across a third, without a special case at the pole [Duff and others 2017; from memory]. */
export function frameOf(nx: number, ny: number, nz: number, out: Float64Array): void {
  const sign = nz >= 0 ? 1 : -1;
  const a = -1 / (sign + nz);
  const b = nx * ny * a;
  out[0] = 1 + sign * nx * nx * a;
  out[1] = sign * b;
  out[2] = -sign * nx;
  out[3] = b;
  out[4] = sign + ny * ny * a;
  out[5] = -ny;
}
