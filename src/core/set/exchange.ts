import { polygonFactor } from '../light/polygon';
import { minus, plus, scaled, type Vector } from '../light/vector';
import { passes, type Passage } from '../light/controls';
import type { Patch } from './faces';

/** How patches send light to one another: area times configuration factor, m², the same both ways [std: reciprocity]. */
export interface Exchange {
  patches: readonly Patch[];
  /** row by row */
  sharedM2: Float64Array;
  /** each row's sum: what a patch sees of others, m² */
  seenM2: Float64Array;
  /** no light leaves but into a patch */
  closed: boolean;
}

/** Nearer than so many of its own lengths a patch is seen from four of the other's places instead of its middle. */
const NEAR = 3;
/** Two-point Gauss–Legendre, of half a side [std: Abramowitz and Stegun 25.4.29]. */
const GAUSS = 1 / Math.sqrt(3);
const ROUNDS = 400;
const SETTLED = 1e-10;

/** Places of a patch that stand for all of it. */
function placesOf({ corners, centre }: Patch): Vector[] {
  const u = scaled(minus(corners[1]!, corners[0]!), GAUSS / 2);
  const v = scaled(minus(corners[3]!, corners[0]!), GAUSS / 2);
  return [-1, 1].flatMap((a) => [-1, 1].map((b) => plus(centre, plus(scaled(u, a), scaled(v, b)))));
}

const facing = (patch: Patch, { corners }: Patch): boolean =>
  corners.some((corner) => {
    const way = minus(corner, patch.centre);
    return way[0] * patch.normal[0] + way[1] * patch.normal[1] + way[2] * patch.normal[2] > 1e-9;
  });

/** Share of the ways between two patches that nothing stands in: four speak for all where they agree. */
function openShare(
  from: readonly Vector[],
  to: readonly Vector[],
  standing: readonly Passage[],
): number {
  if (standing.length === 0) return 1;
  let open = 0;
  for (let k = 0; k < from.length; k++)
    open += passes(standing, from[k]!, to[k]!) + passes(standing, from[k]!, to[3 - k]!);
  if (open === 0 || open === 2 * from.length) return open / (2 * from.length);
  let all = 0;
  for (const start of from) for (const end of to) all += passes(standing, start, end);
  return all / (from.length * to.length);
}

/**
 * Worked out for every pair: exactly from a place to a patch [std: Lambert's polygon], over four places where the two are near.
 * In a closed room what each patch sees adds up to one; what numbers miss of that is laid back evenly (both ways alike), so that no
 * light is made or lost.
 * @param standing  what may stand between two others; the walls of a bare room never do
 */
export function exchangeOf(
  patches: readonly Patch[],
  standing: readonly Passage[],
  closed: boolean,
): Exchange {
  const count = patches.length;
  const sharedM2 = new Float64Array(count * count);
  const places = patches.map(placesOf);
  const factor = (from: number, to: number, near: boolean): number => {
    const { centre, normal, areaM2 } = patches[from]!;
    const { corners } = patches[to]!;
    if (!near) return areaM2 * polygonFactor(corners, centre, normal);
    const seen = places[from]!.map((place) => polygonFactor(corners, place, normal));
    return (areaM2 * seen.reduce((sum, each) => sum + each, 0)) / seen.length;
  };
  for (let i = 0; i < count; i++)
    for (let j = i + 1; j < count; j++) {
      const [a, b] = [patches[i]!, patches[j]!];
      if (a.face === b.face || !facing(a, b) || !facing(b, a)) continue;
      const apart = Math.hypot(...minus(a.centre, b.centre));
      const near = apart < NEAR * Math.sqrt(Math.max(a.areaM2, b.areaM2));
      const open = openShare(places[i]!, places[j]!, standing);
      if (open === 0) continue;
      const shared = (open * (factor(i, j, near) + factor(j, i, near))) / 2;
      sharedM2[i * count + j] = shared;
      sharedM2[j * count + i] = shared;
    }
  if (closed) balanceInPlace(sharedM2, patches);
  return { patches, sharedM2, seenM2: rowsOf(sharedM2, count), closed };
}

function rowsOf(sharedM2: Float64Array, count: number): Float64Array {
  const sums = new Float64Array(count);
  for (let i = 0; i < count; i++) {
    let sum = 0;
    for (let j = i * count; j < (i + 1) * count; j++) sum += sharedM2[j]!;
    sums[i] = sum;
  }
  return sums;
}

/** Rows are brought to their areas from both sides at once [Sinkhorn and Knopp 1967, for a symmetric table; from memory]. */
function balanceInPlace(sharedM2: Float64Array, patches: readonly Patch[]): void {
  const count = patches.length;
  for (let round = 0; round < ROUNDS; round++) {
    const rows = rowsOf(sharedM2, count);
    const off = patches.map(({ areaM2 }, i) => Math.abs(rows[i]! / areaM2 - 1));
    if (Math.max(...off) < SETTLED) return;
    const by = Float64Array.from(patches, ({ areaM2 }, i) =>
      rows[i]! > 0 ? Math.sqrt(areaM2 / rows[i]!) : 1,
    );
    for (let i = 0; i < count; i++) {
      const own = by[i]!;
      const row = i * count;
      for (let j = 0; j < count; j++) sharedM2[row + j]! *= own * by[j]!;
    }
  }
}
