import type { Shape } from '../../drawing/drawing';
import type { Piece } from '../../build/pieces';
import { STAGES, type Step } from '../../build/step';

const ofKind = (pieces: readonly Piece[], kind: Piece['kind'] | undefined): string[] =>
  pieces.filter((piece) => piece.kind === kind).map(({ id }) => id);

/** Steps with the pieces they work on named one by one. */
export const withPieces = (steps: readonly Step[], pieces: readonly Piece[]): Step[] =>
  steps.map(({ works, ...step }) => ({
    ...step,
    pieces: [...new Set([...step.pieces, ...ofKind(pieces, works)])],
  }));

/**
 * Steps in the order they are done: by stage, within one as given, and none before what it needs. What
 * a step needs comes first even from a later stage; needs that are not there, or that run in a circle,
 * hold nobody up.
 */
export function orderSteps(steps: readonly Step[]): Step[] {
  const known = new Map(steps.map((step) => [step.id, step]));
  const byStage = steps.toSorted((a, b) => STAGES.indexOf(a.stage) - STAGES.indexOf(b.stage));
  const done = new Set<string>();
  const ordered: Step[] = [];
  const put = (step: Step, waiting: ReadonlySet<string>) => {
    if (done.has(step.id) || waiting.has(step.id)) return;
    for (const id of step.needs) {
      const needed = known.get(id);
      if (needed) put(needed, new Set([...waiting, step.id]));
    }
    done.add(step.id);
    ordered.push(step);
  };
  for (const step of byStage) put(step, new Set());
  return ordered;
}

/** Every hole to be drilled with a name of its own: its piece, and its place among the holes. */
export const withHoles = (pieces: readonly Piece[]): Piece[] =>
  pieces.map((piece) => {
    if (piece.kind !== 'sheet') return piece;
    let hole = 0;
    const named = (shape: Shape): Shape =>
      shape.layer === 'drill' ? { ...shape, id: `${piece.id}/hole-${++hole}` } : shape;
    return { ...piece, shapes: piece.shapes.map(named) };
  });
