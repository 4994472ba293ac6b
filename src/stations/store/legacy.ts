import { applyPatches, enablePatches, type Patch } from 'immer';
import { del, get } from 'idb-keyval';
import * as z from 'zod/mini';
import { applyCommands, diffDocuments, type Batch } from '@/core/document/edit';
import { validateProduction } from '@/core/document/read';
import type { Initial, Offer, Stranded } from './state';

/**
 * Before version 5 a browser kept one journal a production, of patches that name places in lists.
 * They can be placed on the very state they were made on, and on no other.
 */
const legacyKey = (production: string) => `lantern-jar:${production}`;
/** Stands for the window such changes came from. */
export const LEGACY_WINDOW = 'before-version-5';

const legacySchema = z.object({
  revision: z.number(),
  pending: z.array(z.object({ id: z.string(), label: z.string(), patches: z.array(z.unknown()) })),
});

export async function forgetLegacy(production: string): Promise<void> {
  try {
    await del(legacyKey(production));
  } catch {
    // Nothing is kept here, so nothing needs forgetting.
  }
}

/** What an older version left unsent: as an offer where it can be placed, stranded where not. */
export async function legacyChanges({
  document,
  revision,
}: Initial): Promise<{ offer: Offer | null; stranded: Stranded | null } | null> {
  let raw: unknown;
  try {
    raw = await get(legacyKey(document.id));
  } catch {
    return null;
  }
  if (raw === undefined) return null;
  const read = legacySchema.safeParse(raw);
  const labels = read.success ? read.data.pending.map(({ label }) => label) : [];
  if (read.success && labels.length === 0) {
    await forgetLegacy(document.id);
    return null;
  }
  const batch =
    read.success && read.data.revision === revision
      ? placed(
          document,
          read.data.pending.flatMap(({ patches }) => patches as Patch[]),
          labels,
        )
      : null;
  if (!batch) return { offer: null, stranded: { labels, raw } };
  const moves = [{ seq: 0, at: 0, batch: { ...batch, id: read.data!.pending[0]!.id } }];
  return { offer: { window: LEGACY_WINDOW, at: 0, moves, clashes: [] }, stranded: null };
}

function placed(document: Initial['document'], patches: Patch[], labels: string[]): Batch | null {
  enablePatches();
  try {
    const next = validateProduction(applyPatches(document, patches));
    if (!next.ok) return null;
    const commands = diffDocuments(document, next.value);
    const done = applyCommands(document, commands);
    if (!done.ok || commands.length === 0) return null;
    return {
      id: '',
      label: labels.join(', ').slice(0, 200),
      commands,
      inverse: done.value.inverse,
    };
  } catch {
    return null;
  }
}
