import { applyPatches, enablePatches, produceWithPatches, type Patch } from 'immer';
import * as z from 'zod/mini';
import { list, note, wholeRange } from '../schema';
import type { Production } from './production';

enablePatches();

/** One change as data: undo, autosave and conflict detection all read these. */
export interface Edit {
  /** what was done, as the undo list words it */
  label: string;
  patches: Patch[];
  inverse: Patch[];
}

/** Makes an edit by changing a draft; null when nothing changed. */
export function edit(
  document: Production,
  label: string,
  change: (draft: Production) => void,
): { document: Production; edit: Edit } | null {
  const [next, patches, inverse] = produceWithPatches(document, (draft: Production) => {
    change(draft);
  });
  return patches.length ? { document: next, edit: { label, patches, inverse } } : null;
}

export const applyEdit = (document: Production, { patches }: Edit): Production =>
  applyPatches(document, patches);

export const revertEdit = (document: Production, { inverse }: Edit): Production =>
  applyPatches(document, inverse);

/** Patches as they come through the door; a path never reaches an object's prototype. */
const FORBIDDEN_KEYS = new Set(['__proto__', 'constructor', 'prototype']);
const key = note(80).check(
  z.refine((name) => !FORBIDDEN_KEYS.has(name), 'A path must stay inside the document.'),
);

export const patchSchema = z.object({
  op: z.enum(['add', 'remove', 'replace']),
  path: list(z.union([wholeRange(0, 100_000), key]), 0, 12),
  value: z.optional(z.json()),
});

/** Applies patches from outside; throws nothing, because a bad path is the sender's mistake. */
export function applyForeignPatches(document: Production, patches: z.infer<typeof patchSchema>[]) {
  try {
    return applyPatches(document, patches as Patch[]);
  } catch {
    return null;
  }
}
