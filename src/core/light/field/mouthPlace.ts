import { SURFACE_COLUMNS as AT } from '../transport/columns';
import { MAP_CELLS, SURFACE_STRIDE, TYPE, type PackedArrangement } from '../transport/pack';
import type { Vector } from '../vector';
import { scaled, dot } from '../vector';
import type { Exit } from './mouthField';
import { normalOf } from './poses';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { PI, cos, floor, hypot, sin, sqrt } = Math;

/** The mouth as its map divides it: the same cells as the transport kernel counts into. */
export interface MouthPlace {
  surface: number;
  /** unit normal into the arrangement at a point of it */
  inwards: (positionM: Vector) => Vector;
  /** a point by two shares of the map's sides */
  at: (u: number, v: number) => Vector;
  /** m² of a cell */
  areaM2: (cell: number) => number;
  /** whether its middle lies in the mouth */
  within: (cell: number) => boolean;
}

/** Middle of a cell along the map's sides. */
export const middleOf = (cell: number): [u: number, v: number] => [
  ((cell % MAP_CELLS) + 0.5) / MAP_CELLS,
  (floor(cell / MAP_CELLS) + 0.5) / MAP_CELLS,
];

/** Where the map of a mouth lies; null for a shape that has none. */
export function mouthPlace(
  packed: PackedArrangement,
  { surface, inside }: Exit,
): MouthPlace | null {
  const { surfaces } = packed;
  const o = surface * SURFACE_STRIDE;
  const vector = (column: number): Vector => [
    surfaces[o + column]!,
    surfaces[o + column + 1]!,
    surfaces[o + column + 2]!,
  ];
  const [origin, across, up] = [vector(AT.origin), vector(AT.across), vector(AT.up)];
  const inwards = (positionM: Vector) => normalOf(packed, surface, inside, positionM);
  const type = surfaces[o]!;
  if (type === TYPE.cap) return null;
  if (type === TYPE.coneZ || type === TYPE.coneY) {
    const alongZ = type === TYPE.coneZ;
    const [from, to] = [surfaces[o + AT.coneFrom]!, surfaces[o + AT.coneTo]!];
    const slope = surfaces[o + AT.coneSlope]!;
    const radiusAt = (v: number) => surfaces[o + AT.coneRadius]! + slope * v * (to - from);
    const slant = (to - from) * sqrt(1 + slope * slope);
    return {
      surface,
      inwards,
      at: (u, v) => {
        const [r, w] = [radiusAt(v), from + v * (to - from)];
        const [a, b] = [r * cos(2 * PI * u - PI), r * sin(2 * PI * u - PI)];
        return alongZ ? [a, b, w] : [a, w, b];
      },
      areaM2: (cell) => (2 * PI * radiusAt(middleOf(cell)[1]) * slant) / MAP_CELLS ** 2,
      within: () => true,
    };
  }
  // What was divided by its square, divided by its square again, is what it was.
  const [wide, high] = [across, up].map((axis) => scaled(axis, 1 / dot(axis, axis))) as [
    Vector,
    Vector,
  ];
  const at = (u: number, v: number): Vector => [
    origin[0] + u * wide[0] + v * high[0],
    origin[1] + u * wide[1] + v * high[1],
    origin[2] + u * wide[2] + v * high[2],
  ];
  const round = type === TYPE.disc;
  const areaM2 = sqrt(dot(wide, wide) * dot(high, high) - dot(wide, high) ** 2) / MAP_CELLS ** 2;
  return {
    surface,
    inwards,
    at,
    areaM2: () => areaM2,
    within: (cell) => {
      const [u, v] = middleOf(cell);
      return !round || hypot(2 * u - 1, 2 * v - 1) < 1;
    },
  };
}
