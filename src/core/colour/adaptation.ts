import type { Xyz } from './chromaticity';

/** Bradford's cone-like primaries [std: ICC.1, annex E; the numbers from memory, checked by their inverse]. */
const BRADFORD = [
  [0.8951, 0.2664, -0.1614],
  [-0.7502, 1.7135, 0.0367],
  [0.0389, -0.0685, 1.0296],
] as const;
const BACK = [
  [0.9869929, -0.1470543, 0.1599627],
  [0.4323053, 0.5183603, 0.0492912],
  [-0.0085287, 0.0400428, 0.9684867],
] as const;
export const D65: Xyz = [0.95047, 1, 1.08883];

type Matrix = readonly (readonly [number, number, number])[];
const times = (matrix: Matrix, [x, y, z]: Xyz): Xyz =>
  matrix.map(([a, b, c]) => a * x + b * y + c * z) as unknown as Xyz;

/** What an eye, or a camera, used to one white sees, carried over to another [std: von Kries by Bradford]. */
export function adapted(xyz: Xyz, from: Xyz, white: Xyz): Xyz {
  const [l, m, s] = times(BRADFORD, xyz);
  const [lf, mf, sf] = times(BRADFORD, from);
  const [lw, mw, sw] = times(BRADFORD, white);
  return times(BACK, [(l * lw) / lf, (m * mw) / mf, (s * sw) / sf]);
}
