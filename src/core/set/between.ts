/** Patches of one face, in rows. */
export interface Cut {
  /** of `patches`, its first */
  first: number;
  across: number;
  along: number;
}

/** Light at a place of a face, in shares of its edges: straight lines between the middles of its patches. */
export function between({ first, across, along }: Cut, u: number, v: number) {
  const x = Math.min(across - 1, Math.max(0, u * across - 0.5));
  const y = Math.min(along - 1, Math.max(0, v * along - 0.5));
  const [i, j] = [Math.floor(x), Math.floor(y)];
  const [i2, j2] = [Math.min(across - 1, i + 1), Math.min(along - 1, j + 1)];
  const [fx, fy] = [x - i, y - j];
  return (lx: ArrayLike<number>): number =>
    (lx[first + j * across + i]! * (1 - fx) + lx[first + j * across + i2]! * fx) * (1 - fy) +
    (lx[first + j2 * across + i]! * (1 - fx) + lx[first + j2 * across + i2]! * fx) * fy;
}
