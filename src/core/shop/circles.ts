import type { Piece } from '../build/pieces';

/** A circle that is cut or marked, and what it is. */
interface Wanted {
  diameterM: number;
  what: string;
}

/** Something round, as wide across its rim. */
interface RoundThing {
  name: string;
  diameterM: number;
}

/** What most kitchens have [typ: standards and habits of the trade; from memory]. */
export const HOUSEHOLD: readonly RoundThing[] = [
  { name: 'coin, 2 euro', diameterM: 0.02575 },
  { name: 'bottle cap', diameterM: 0.032 },
  { name: 'jar lid, small', diameterM: 0.063 },
  { name: 'tin of tomatoes, 400 g', diameterM: 0.073 },
  { name: 'jar lid, large', diameterM: 0.082 },
  { name: 'tin, 850 g', diameterM: 0.099 },
  { name: 'disc for music or films', diameterM: 0.12 },
  { name: 'saucer', diameterM: 0.15 },
  { name: 'record, 7 in', diameterM: 0.175 },
  { name: 'side plate', diameterM: 0.2 },
  { name: 'lid of a saucepan', diameterM: 0.24 },
  { name: 'dinner plate', diameterM: 0.27 },
  { name: 'bucket, 10 l', diameterM: 0.28 },
  { name: 'record, 12 in', diameterM: 0.301 },
  { name: 'pizza pan', diameterM: 0.32 },
  { name: 'washing-up bowl', diameterM: 0.36 },
  { name: 'lid of a dustbin', diameterM: 0.45 },
];

/** Smaller ones are drilled, wider ones struck with a trammel. */
const LEAST_M = 0.02;
const MOST_M = 0.6;

/** Circles worth drawing along something: each diameter once, the largest first. */
export function circlesToDraw(pieces: readonly Piece[]): Wanted[] {
  const found = new Map<string, Wanted>();
  const add = (diameterM: number, what: string) => {
    if (diameterM < LEAST_M || diameterM > MOST_M) return;
    const key = diameterM.toFixed(4);
    const known = found.get(key);
    if (!known) found.set(key, { diameterM, what });
    else if (!known.what.includes(what)) known.what += `; ${what}`;
  };
  for (const piece of pieces) {
    if (piece.kind === 'cloth' && piece.discM) add(piece.discM, piece.name);
    if (piece.kind !== 'sheet') continue;
    for (const shape of piece.shapes)
      if (shape.kind === 'circle' && (shape.layer === 'cut' || shape.layer === 'mark'))
        add(2 * shape.r, `${piece.name}: ${shape.label ?? shape.layer}`);
  }
  return [...found.values()].toSorted((a, b) => b.diameterM - a.diameterM);
}

export interface Near extends RoundThing {
  /** how much wider than wanted; negative for narrower */
  overM: number;
}

/** The nearest round things, the nearest first. */
export const nearest = (diameterM: number, things: readonly RoundThing[], most = 3): Near[] =>
  things
    .map((thing) => ({ ...thing, overM: thing.diameterM - diameterM }))
    .toSorted((a, b) => Math.abs(a.overM) - Math.abs(b.overM))
    .slice(0, most);
