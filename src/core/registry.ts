import { assert } from './result';

/** Definitions by id. Two of one id are a programming mistake, not a silent choice. */
export function registry<D extends { id: string }>(
  definitions: readonly D[],
): ReadonlyMap<string, D> {
  const found = new Map<string, D>();
  for (const definition of definitions) {
    assert(!found.has(definition.id), `two definitions are called “${definition.id}”`);
    found.set(definition.id, definition);
  }
  return found;
}
