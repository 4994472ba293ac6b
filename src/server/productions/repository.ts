import { and, desc, eq, gt, inArray, isNotNull, isNull, lt, sql } from 'drizzle-orm';
import { goneBeforeMs } from '@/core/document/bin';
import type { Production } from '@/core/document/production';
import type { Database } from '../storage/database';
import { productions, settings, takenEdits } from '../storage/schema';
import { documentStore, firstRow, forget, living } from './documents';

interface ListEntry {
  id: string;
  name: string;
  revision: number;
  shots: number;
  builds: number;
  updatedAt: Date;
}

/** An edit that was taken: by which window, and the revision it made. */
export interface TakenEdit {
  id: string;
  client: string;
  revision: number;
}

export interface LoggedEdit {
  id: string;
  label: string;
  who: string;
  at: Date;
}
const LOG_LINES = 300;

const readingOf = (db: Database) => ({
  list: (): Promise<ListEntry[]> =>
    db
      .select({
        id: productions.id,
        name: productions.name,
        revision: productions.revision,
        shots: productions.shots,
        builds: productions.builds,
        updatedAt: productions.updatedAt,
      })
      .from(productions)
      .where(isNull(productions.deletedAt))
      .orderBy(desc(productions.updatedAt)),

  /** Edits taken after a revision, and those of the named ones that were taken at any time. */
  taken: async (id: string, after: number, ids: readonly string[]) => {
    const columns = {
      id: takenEdits.editId,
      client: takenEdits.client,
      revision: takenEdits.revision,
    };
    const own = eq(takenEdits.productionId, id);
    const since: TakenEdit[] = await db
      .select(columns)
      .from(takenEdits)
      .where(and(own, gt(takenEdits.revision, after)));
    const named = ids.length
      ? await db
          .select(columns)
          .from(takenEdits)
          .where(and(own, inArray(takenEdits.editId, [...ids])))
      : [];
    return { since, known: new Set(named.map((edit) => edit.id)) };
  },

  /** The newest edits first: what was done, by whom, when. */
  log: (id: string): Promise<LoggedEdit[]> =>
    db
      .select({
        id: takenEdits.editId,
        label: takenEdits.label,
        who: takenEdits.who,
        at: takenEdits.at,
      })
      .from(takenEdits)
      .where(eq(takenEdits.productionId, id))
      .orderBy(desc(takenEdits.seq))
      .limit(LOG_LINES),

  /** Also sees what lies in the bin, because its id is still taken. */
  isTaken: async (id: string): Promise<boolean> =>
    (await db.select({ id: productions.id }).from(productions).where(eq(productions.id, id)))
      .length > 0,
});

const writingOf = (db: Database) => ({
  insert: async (document: Production): Promise<void> => {
    await db.insert(productions).values(firstRow(document));
  },

  /** Keeps a document together with a setting, unless that is set: of several servers one does. */
  insertOnce: (key: string, value: string, document: Production): Promise<boolean> =>
    db.transaction(async (tx) => {
      const claimed = await tx
        .insert(settings)
        .values({ key, value })
        .onConflictDoNothing()
        .returning({ key: settings.key });
      if (claimed.length === 0) return false;
      await tx.insert(productions).values(firstRow(document));
      return true;
    }),

  /**
   * For reset: a document in the place of what stood under its id, bin included. Its revision is beyond any
   * that windows may still know.
   */
  putInPlace: (document: Production): Promise<void> =>
    db.transaction(async (tx) => {
      const [gone] = await tx
        .delete(productions)
        .where(eq(productions.id, document.id))
        .returning({ revision: productions.revision });
      await forget(tx, [document.id]);
      await tx.insert(productions).values(firstRow(document, (gone?.revision ?? 0) + 1));
    }),
});

/** A production that was deleted, and can be taken back until it is taken away for good. */
export interface BinnedProduction {
  id: string;
  name: string;
  deletedAt: Date;
}

const binOf = (db: Database) => ({
  inBin: (): Promise<BinnedProduction[]> =>
    db
      .select({
        id: productions.id,
        name: productions.name,
        deletedAt: sql<Date>`${productions.deletedAt}`.mapWith(productions.deletedAt),
      })
      .from(productions)
      .where(isNotNull(productions.deletedAt))
      .orderBy(desc(productions.deletedAt)),
  /** Takes away for good what has lain in the bin too long. @param now  handed in so that tests need not wait */
  emptyBin: (now = new Date()): Promise<number> =>
    db.transaction(async (tx) => {
      const gone = await tx
        .delete(productions)
        .where(lt(productions.deletedAt, new Date(goneBeforeMs(now.getTime()))))
        .returning({ id: productions.id });
      await forget(
        tx,
        gone.map(({ id }) => id),
      );
      return gone.length;
    }),
  bin: async (id: string): Promise<boolean> =>
    (
      await db
        .update(productions)
        .set({ deletedAt: new Date() })
        .where(living(id))
        .returning({ id: productions.id })
    ).length > 0,

  takeBack: async (id: string): Promise<boolean> =>
    (
      await db
        .update(productions)
        .set({ deletedAt: null })
        .where(and(eq(productions.id, id), isNotNull(productions.deletedAt)))
        .returning({ id: productions.id })
    ).length > 0,
});

const settingsOf = (db: Database) => ({
  setting: async (key: string): Promise<string | null> => {
    const [row] = await db.select().from(settings).where(eq(settings.key, key));
    return row?.value ?? null;
  },

  setSetting: async (key: string, value: string): Promise<void> => {
    await db
      .insert(settings)
      .values({ key, value })
      .onConflictDoUpdate({ target: settings.key, set: { value } });
  },
});

/** The only place that speaks to the tables of productions. */
export const productionRepository = (db: Database) => ({
  ...documentStore(db),
  ...readingOf(db),
  ...writingOf(db),
  ...binOf(db),
  ...settingsOf(db),
});
export type ProductionRepository = ReturnType<typeof productionRepository>;
