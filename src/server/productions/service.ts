import { nanoid } from 'nanoid';
import * as z from 'zod';
import { blankProduction } from '@/core/document/blank';
import { applyForeignPatches, patchSchema } from '@/core/document/edit';
import { DOCUMENT_FORMAT, DOCUMENT_VERSION, type Production } from '@/core/document/production';
import { readDocument, validateProduction } from '@/core/document/read';
import { productionIdSchema } from '@/core/ids';
import { REGION_IDS } from '@/core/power/region';
import { accept, refuse, type Problem, type Result } from '@/core/result';
import { nightFerry, typicalStock } from '@/demo/nightFerry';
import type { ProductionRepository, Stored } from './repository';

export const createSchema = z.object({
  name: z.string().trim().min(1, 'Give the production a name').max(120),
  region: z.enum(REGION_IDS),
  currency: z.string().regex(/^[A-Z]{3}$/, 'Three capital letters, such as EUR'),
});

export const saveSchema = z.object({
  baseRevision: z.number().int().min(1),
  edits: z
    .array(
      z.object({
        id: z.string().min(1).max(40),
        label: z.string().max(200),
        patches: z.array(patchSchema).max(2000),
      }),
    )
    .min(1)
    .max(500),
});

export type SaveOutcome =
  | { kind: 'saved'; revision: number }
  | { kind: 'stale'; newer: Stored }
  | { kind: 'refused'; problems: Problem[] }
  | { kind: 'missing' };

const DEMO_FILLED = 'demo-filled';

/** What the application does with productions; routes parse and answer, nothing more. */
export function productionService(repository: ProductionRepository) {
  const freeId = async (wanted: string) =>
    (await repository.isTaken(wanted)) ? `${wanted.slice(0, 50)}-${nanoid(8)}` : wanted;

  const insertCopy = async (document: Production) => {
    const id = productionIdSchema.parse(await freeId(document.id));
    await repository.insert({ ...document, id });
    return id;
  };

  return {
    list: repository.list,
    find: repository.find,
    bin: repository.bin,
    takeBack: repository.takeBack,

    /** A new production begins with a shelf of typical units, so that a build can start at once. */
    create: async (given: z.infer<typeof createSchema>) => {
      const ids = { production: nanoid(12), circuit: nanoid(8) };
      const blank = blankProduction(ids, given.name, given.region, given.currency);
      return insertCopy({ ...blank, ...typicalStock() });
    },

    /** Imports a document as a production of its own; nothing that is stored changes. */
    import: async (json: unknown): Promise<Result<string>> => {
      const read = readDocument(json);
      return read.ok ? accept(await insertCopy(read.value)) : read;
    },

    /** Applies patches to the revision they were made from; refuses them whole or takes them whole. */
    save: async (id: string, given: z.infer<typeof saveSchema>): Promise<SaveOutcome> => {
      const stored = await repository.find(id);
      if (!stored) return { kind: 'missing' };
      const edits = editsToApply(stored, given);
      if (!edits) return { kind: 'stale', newer: stored };
      if (edits.length === 0) return { kind: 'saved', revision: stored.revision };
      const patched = applyForeignPatches(
        stored.document,
        edits.flatMap(({ patches }) => patches),
      );
      const checked = patched
        ? checkPatched(patched, id)
        : refuse('bad_patch', 'A change points at nothing in the document.');
      if (!checked.ok) return { kind: 'refused', problems: checked.problems };
      const ids = edits.map((each) => each.id);
      if (await repository.replace(id, stored.revision, checked.value, ids))
        return { kind: 'saved', revision: stored.revision + 1 };
      const newer = await repository.find(id);
      return newer ? { kind: 'stale', newer } : { kind: 'missing' };
    },

    /** Puts *Night Ferry* in once; a user who deleted it is not given it again. */
    fillDemoOnce: async () => {
      if (await repository.setting(DEMO_FILLED)) return;
      await insertCopy(nightFerry());
      await repository.setSetting(DEMO_FILLED, 'yes');
    },

    /** Puts the sample production back as it was on the first day. */
    resetDemo: async () => {
      const fresh = nightFerry();
      await repository.erase(fresh.id);
      await repository.insert(fresh);
      await repository.setSetting(DEMO_FILLED, 'yes');
    },
  };
}
export type ProductionService = ReturnType<typeof productionService>;

/**
 * Which of the edits are still to be applied: all of them on the revision they were made from; on
 * the next one those it does not hold yet, for a browser that never heard its save was taken.
 * Null when the store has moved on by other hands.
 */
function editsToApply(stored: Stored, { baseRevision, edits }: z.infer<typeof saveSchema>) {
  if (stored.revision === baseRevision) return edits;
  const arrived = new Set(stored.lastEditIds);
  const fresh = edits.filter(({ id }) => !arrived.has(id));
  const repeated = edits.length - fresh.length;
  const ours = stored.revision === baseRevision + 1 && repeated > 0 && repeated === arrived.size;
  return ours ? fresh : null;
}

/** Saves keep format, version and id: those are the store's, not the user's, to change. */
function checkPatched(patched: Production, id: string): Result<Production> {
  if (
    patched.id !== id ||
    patched.format !== DOCUMENT_FORMAT ||
    patched.version !== DOCUMENT_VERSION
  )
    return refuse('fixed', 'A change may not touch the document’s id, format or version.', 'id');
  return validateProduction(patched);
}
