import type { Board } from '../../build/board';
import type { XY } from '../../drawing/shapes';

/** Holders in wiring order. */
export const holders = (places: readonly XY[]): Board['lamps'] =>
  places.map((at, k) => ({ at, ref: `seat-${k}` }));

/** Straight rows seen from behind, every other one run back. @param ends of each row, seen from the front */
export const serpentine = (ends: readonly (readonly [XY, XY])[]): Board['rows'] =>
  ends.map(([a, b], row) => {
    const path = [a, b].map(([x, y]): XY => [-x, y]);
    return row % 2 ? path.reverse() : path;
  });

/** A row as it is seen from behind. */
export const mirrored = (ends: readonly [XY, XY]): Board['rows'][number] =>
  ends.map(([x, y]): XY => [-x, y]);

/** Points along a turn of tape: it looks round, and a feed lies on it to a hair. */
const POINTS_A_TURN = 72;

/** One turn from the top, seen from behind. @param drawn share of the radius it is drawn at */
export function turn(radiusM: number, laidM: number, drawn = 1): XY[] {
  const whole = Math.min(laidM / radiusM, 2 * Math.PI);
  const steps = Math.max(2, Math.ceil((whole / (2 * Math.PI)) * POINTS_A_TURN));
  return Array.from({ length: steps + 1 }, (_, k): XY => {
    const angle = Math.PI / 2 + (whole * k) / steps;
    return [radiusM * drawn * Math.cos(angle), radiusM * drawn * Math.sin(angle)];
  });
}
