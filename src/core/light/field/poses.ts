import type { PackedArrangement } from '../transport/pack';
import type { Vector } from '../vector';
import { SIDE } from './cells';
import { arrive, wayFrom } from './meet';
import type { Exit, MouthField } from './mouthField';

/** Middle of a cell, and the way out of it. */
export function poseOf({ packed }: MouthField, { surface, inside, chart }: Exit, cell: number) {
  const out = new Float64Array(3);
  chart.middle(((cell % SIDE) + 0.5) / SIDE, (Math.floor(cell / SIDE) + 0.5) / SIDE, out);
  const positionM: Vector = [out[0]!, out[1]!, out[2]!];
  return { positionM, axis: normalOf(packed, surface, inside === 0 ? 1 : 0, positionM) };
}

/** Unit normal of a surface at a point of it, towards one of its sides. */
export function normalOf(
  packed: PackedArrangement,
  surface: number,
  side: 0 | 1,
  positionM: Vector,
): Vector {
  const way = wayFrom();
  [way.px, way.py, way.pz] = positionM;
  // Some way that meets the surface there; the normal it leaves is that of the side it comes from.
  [way.dx, way.dy, way.dz] = [0.36, 0.48, 0.8];
  way.t = 0;
  arrive(packed, way, surface);
  const turn = way.side === side ? 1 : -1;
  return [turn * way.nx, turn * way.ny, turn * way.nz];
}
