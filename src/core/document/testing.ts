import { produce } from 'immer';
import { applyCommands, type Change } from './edit';
import type { Production } from './production';

/** The document after changes as screens make them. */
export function after(document: Production, ...changes: readonly Change[]): Production {
  return changes.reduce((now, change) => {
    const done = applyCommands(now, change(now));
    if (!done.ok) throw new Error(done.problems[0]!.message);
    return done.value.document;
  }, document);
}

/** A document with a change made to it, for tests that only need the outcome. */
export const changed = (document: Production, recipe: (draft: Production) => void): Production =>
  produce(document, (draft) => void recipe(draft as Production));
