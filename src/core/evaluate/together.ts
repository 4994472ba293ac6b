import type { BuildId } from '../ids';
import type { Build, Production } from '../document/production';
import type { Parcel } from '../build/resolvedBuild';
import { markedPieces, planMarked, type CutPlan } from '../shop/cutPlan';
import { planPurchase, type Purchase } from '../shop/purchase';
import { shelfOf } from './context';
import { Derivations } from './derive';

/** Something to be carried to the car, and how many of it. */
export interface Load extends Parcel {
  build: string;
  count: number;
}

/** Several builds bought, cut and carried as one job. */
export interface Together {
  builds: { id: BuildId; name: string; letter: string; copies: number }[];
  cuts: CutPlan;
  purchase: Purchase;
  /** spent now, when each build is bought by itself */
  apartMinor: number;
  loads: Load[];
  massKg: number;
}

const letterOf = (k: number): string =>
  k < 26 ? String.fromCharCode(65 + k) : `${letterOf(Math.floor(k / 26) - 1)}${letterOf(k % 26)}`;

/** Nesting is asked for a whole production: enough starts to be worth it, not a minute. */
const STARTS = 20;

/**
 * One purchase and one cutting plan for several builds: packs are opened once, the disc that falls out of one ring
 * becomes another, and every piece wears the letter of its light. Builds nobody here understands are left out.
 */
export function togetherOf(
  document: Production,
  ids: readonly string[],
  derive = new Derivations(),
): Together {
  const chosen = document.builds.flatMap((build) => {
    const resolved = ids.includes(build.id) ? derive.resolved(document, build) : null;
    return resolved ? [{ build, resolved }] : [];
  });
  const shelf = shelfOf(document);
  const several = chosen.length > 1;
  const marked = chosen.flatMap(({ build, resolved }, k) =>
    markedPieces(resolved.pieces, build.copies, several ? `${letterOf(k)}·` : ''),
  );
  const cuts = planMarked(marked, shelf.part, { starts: STARTS });
  const needs = chosen.flatMap(({ build }) =>
    derive
      .needs(document, build)
      .map((need) => ({ ...need, quantity: need.quantity * build.copies })),
  );
  const loads = chosen.flatMap(({ build, resolved }) => loadsOf(build, resolved));
  return {
    builds: chosen.map(({ build }, k) => ({
      id: build.id,
      name: build.name,
      letter: letterOf(k),
      copies: build.copies,
    })),
    cuts,
    purchase: planPurchase(needs, 1, cuts, shelf),
    apartMinor: chosen.reduce(
      (sum, { build }) => sum + (derive.cost(document, build)?.spentNowMinor ?? 0),
      0,
    ),
    loads,
    massKg: loads.reduce((sum, { massKg, count }) => sum + massKg * count, 0),
  };
}

/** The light as it folds, what comes off it, and its cord. */
function loadsOf(build: Build, resolved: NonNullable<ReturnType<Derivations['resolved']>>): Load[] {
  const { folded, parcels, massKg } = resolved;
  const beside = parcels.reduce((sum, parcel) => sum + parcel.massKg, 0);
  const light = { ...folded, name: 'the light', massKg: Math.max(0, massKg - beside) };
  // What weighs nothing is a window: it stays where it is.
  return (massKg > 0 ? [light, ...parcels] : parcels).map((parcel) => ({
    ...parcel,
    build: build.name,
    count: build.copies,
  }));
}
