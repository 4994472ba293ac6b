import type { Vector } from './vector';
import type { Emitter } from './emitter';

/** A few sources that stand for many: each in the middle of those it stands for, with their extent. */
export interface Cluster {
  source: Emitter;
  /** half of its extent along each axis, metres */
  half: Vector;
}

/**
 * Merges sources until at most `most` are left: the widest and brightest group is parted across its
 * longest side, again and again. Flux is kept.
 * @param ownHalfM half the width of a single source
 */
export function clusters(sources: readonly Emitter[], most: number, ownHalfM: number): Cluster[] {
  const lit = sources.filter(({ luminousFluxLm }) => luminousFluxLm > 0);
  if (lit.length === 0) return [];
  let groups = [measured(lit)];
  while (groups.length < Math.min(most, lit.length)) {
    const widest = groups.reduce((a, b) => (b.sources.length > 1 && b.worth > a.worth ? b : a));
    if (widest.sources.length < 2 || widest.worth <= 0) break;
    groups = groups.flatMap((group) => (group === widest ? parted(group) : [group]));
  }
  return groups.map(({ sources: own, spanM }) => merged(own, spanM, ownHalfM));
}

interface Group {
  sources: readonly Emitter[];
  spanM: [number, number, number];
  axis: 0 | 1 | 2;
  worth: number;
}

function measured(sources: readonly Emitter[]): Group {
  const spanM = ([0, 1, 2] as const).map((axis) => {
    const places = sources.map(({ positionM }) => positionM[axis]);
    return Math.max(...places) - Math.min(...places);
  }) as [number, number, number];
  const longest = Math.max(...spanM);
  const flux = sources.reduce((sum, { luminousFluxLm }) => sum + luminousFluxLm, 0);
  return {
    sources,
    spanM,
    axis: spanM.indexOf(longest) as 0 | 1 | 2,
    worth: sources.length > 1 ? longest * Math.sqrt(flux) : 0,
  };
}

function parted({ sources, axis }: Group): Group[] {
  const sorted = [...sources].sort((a, b) => a.positionM[axis] - b.positionM[axis]);
  const middle = Math.floor(sorted.length / 2);
  return [measured(sorted.slice(0, middle)), measured(sorted.slice(middle))];
}

function merged(sources: readonly Emitter[], spanM: readonly number[], ownHalfM: number): Cluster {
  const flux = sources.reduce((sum, { luminousFluxLm }) => sum + luminousFluxLm, 0);
  const mean = (read: (source: Emitter) => Vector): Vector =>
    [0, 1, 2].map(
      (axis) =>
        sources.reduce(
          (sum, each) => sum + read(each)[axis as 0 | 1 | 2] * each.luminousFluxLm,
          0,
        ) / flux,
    ) as unknown as Vector;
  const axis = mean((source) => source.axis);
  const long = Math.hypot(...axis) || 1;
  const brightest = sources.reduce((a, b) => (b.luminousFluxLm > a.luminousFluxLm ? b : a));
  return {
    source: {
      positionM: mean((source) => source.positionM),
      axis: axis.map((value) => value / long) as unknown as Vector,
      luminousFluxLm: flux,
      spread: brightest.spread,
    },
    half: spanM.map((span) => span / 2 + ownHalfM) as unknown as Vector,
  };
}
