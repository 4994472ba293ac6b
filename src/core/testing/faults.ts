import type { Body } from '../assembly/body';
import { meshOf } from '../assembly/mesh';
import { edgesOf } from '../assembly/neighbours';
import { between, edged, type Edged } from './clash';

/** Things touch when they lie no farther apart than a saw's cut, and are in each other from this on. */
const KERF_M = 0.0015;
const IN_M = 0.0004;

/**
 * Solids with gaps, pairs that cut into each other, and what hangs together with nothing. For tests only.
 * @param known  how many of the first are known to be sound among themselves
 */
export function faultsOf(bodies: readonly Body[], known = 0): string[] {
  const all = bodies.map(edged);
  const group = all.map((_, k) => k);
  const rootOf = (k: number): number => (group[k] === k ? k : (group[k] = rootOf(group[k]!)));
  for (let k = 1; k < known; k++) group[k] = 0;
  const faults = bodies.filter(isOpen).map(({ id }) => `${id} is not closed`);
  for (let a = 0; a < all.length; a++)
    for (let b = Math.max(a + 1, known); b < all.length; b++) {
      const metres = between(all[a]!, all[b]!, KERF_M);
      if (metres <= KERF_M) group[rootOf(a)] = rootOf(b);
      if (metres < -IN_M && !mayPass(all[a]!, all[b]!))
        faults.push(
          `${all[a]!.body.id} in ${all[b]!.body.id} by ${(-metres * 1000).toFixed(1)} mm`,
        );
    }
  const loose = new Map<number, string>();
  all.forEach(({ body }, k) => loose.set(rootOf(k), body.id));
  if (loose.size > 1) faults.push(`apart: ${[...loose.values()].join(', ')}`);
  return faults;
}
/** A solid's faces leave no gap: two meet in every edge. */
const isOpen = ({ solid }: Body) =>
  edgesOf(meshOf(solid)).some((edge) => edge.triangles.length !== 2);
const mayPass = ({ body: a }: Edged, { body: b }: Edged) => Boolean(a.fastens ?? b.fastens);
