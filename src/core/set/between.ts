/** Patches of one face, in rows. */
export interface Cut {
  /** of `patches`, its first */
  first: number;
  across: number;
  along: number;
}

/**
 * Light at a place of a face, in shares of its edges: straight lines between the middles of its patches.
 * @param outside  of the outermost middles the light stays as it is, or the lines run on
 */
export function between(
  { first, across, along }: Cut,
  u: number,
  v: number,
  outside: 'held' | 'beyond' = 'held',
) {
  const least = outside === 'held' ? 0 : -0.5;
  const x = Math.min(across - 1 - least, Math.max(least, u * across - 0.5));
  const y = Math.min(along - 1 - least, Math.max(least, v * along - 0.5));
  const i = Math.max(0, Math.min(across - 2, Math.floor(x)));
  const j = Math.max(0, Math.min(along - 2, Math.floor(y)));
  const [i2, j2] = [Math.min(across - 1, i + 1), Math.min(along - 1, j + 1)];
  const [fx, fy] = [x - i, y - j];
  return (lx: ArrayLike<number>): number =>
    (lx[first + j * across + i]! * (1 - fx) + lx[first + j * across + i2]! * fx) * (1 - fy) +
    (lx[first + j2 * across + i]! * (1 - fx) + lx[first + j2 * across + i2]! * fx) * fy;
}
