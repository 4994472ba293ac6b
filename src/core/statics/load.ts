import type { LayoutFact } from '../build/facts';
import type { ResolvedBuild } from '../build/resolvedBuild';
import type { Support } from '../build/supports';
import type { Finding } from '../findings/finding';
import { beamFindings, fixingFindings, hangingFacts, hoistFindings } from './hanging';
import { standFacts, standFindings } from './standing';

/** From the light outwards: a fixing holds the light, a hoist the fixing too, a stand all of it. */
const ORDER: Record<Support['kind'], number> = { fixing: 0, beam: 1, hoist: 1, stand: 2 };

/** Everything a support carries, whatever was added first: all but itself and what carries it. */
export const carriedKg = (build: ResolvedBuild, support: Support): number =>
  build.supports.reduce(
    (mass, other) =>
      other === support || ORDER[other.kind] > ORDER[support.kind] ? mass - other.ownKg : mass,
    build.massKg,
  );

/** Fixings, ropes, bars and stands, each with everything it has to hold. */
export const loadOnSupports = (build: ResolvedBuild): Finding[] =>
  build.supports.flatMap((support) => {
    const carried = carriedKg(build, support);
    switch (support.kind) {
      case 'fixing':
        return fixingFindings(support, carried);
      case 'hoist':
        return hoistFindings(support, carried, build.built);
      case 'beam':
        return beamFindings(support, carried);
      case 'stand':
        return standFindings(support, build, carried);
    }
  });

export const supportFacts = (build: ResolvedBuild): LayoutFact[] =>
  build.supports.flatMap((support) => {
    const carried = carriedKg(build, support);
    return support.kind === 'stand'
      ? standFacts(support, build, carried)
      : hangingFacts(support, carried);
  });
