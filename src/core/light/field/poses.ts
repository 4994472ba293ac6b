import type { Vector } from '../vector';
import { SIDE } from './cells';
import { arrive, wayFrom } from './meet';
import type { Exit, MouthField } from './mouthField';

/** Middle of a cell, and the way out of it. */
export function poseOf({ packed }: MouthField, { surface, inside, chart }: Exit, cell: number) {
  const out = new Float64Array(3);
  chart.middle(((cell % SIDE) + 0.5) / SIDE, (Math.floor(cell / SIDE) + 0.5) / SIDE, out);
  const positionM: Vector = [out[0]!, out[1]!, out[2]!];
  const way = wayFrom();
  // Some way that meets the surface there; its own normal is then turned to the outside.
  [way.px, way.py, way.pz] = positionM;
  [way.dx, way.dy, way.dz] = [0.36, 0.48, 0.8];
  way.t = 0;
  arrive(packed, way, surface);
  const turn = way.side === inside ? -1 : 1;
  const axis: Vector = [turn * way.nx, turn * way.ny, turn * way.nz];
  return { positionM, axis };
}
