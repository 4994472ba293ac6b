import type { XY } from './shapes';

/** Corners sharper than this are cut short: their mitre would run far out. */
const MOST_MITRE = 2.5;
const SAME_M = 1e-9;

const direction = (from: XY, to: XY): XY | null => {
  const long = Math.hypot(to[0] - from[0], to[1] - from[1]);
  return long < SAME_M ? null : [(to[0] - from[0]) / long, (to[1] - from[1]) / long];
};

/**
 * A line that runs beside another at an even distance, corners mitred; as many points as the other has.
 * @param distanceM to the left of the way it runs, negative to the right
 */
export function beside(points: readonly XY[], distanceM: number): XY[] {
  // A point on top of its neighbour has no direction of its own: it takes the nearest one.
  const ways = points.slice(1).map((point, k) => direction(points[k]!, point));
  const before = (k: number) => ways.slice(0, k).findLast((way) => way !== null) ?? null;
  const after = (k: number) => ways.slice(k).find((way) => way !== null) ?? null;
  return points.map(([x, y], k): XY => {
    const way = before(k) ?? after(k);
    const next = after(k) ?? way;
    if (!way || !next) return [x, y + distanceM];
    const [nx, ny] = [-(way[1] + next[1]), way[0] + next[0]];
    const long = Math.hypot(nx, ny);
    if (long < SAME_M) return [x - way[1] * distanceM, y + way[0] * distanceM];
    // |n₁ + n₂| = 2·cos(half the turn); the mitre is 1/cos of it.
    const mitre = Math.min(MOST_MITRE, 2 / long);
    return [x + (nx / long) * distanceM * mitre, y + (ny / long) * distanceM * mitre];
  });
}
