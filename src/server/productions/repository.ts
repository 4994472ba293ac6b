import { and, desc, eq, gt, inArray, isNotNull, isNull, lt, sql } from 'drizzle-orm';
import { goneBeforeMs } from '@/core/document/bin';
import type { Production } from '@/core/document/production';
import type { Database } from '../storage/database';
import { productions, settings, takenEdits } from '../storage/schema';

/** A row as it lies in the table; the document may be of an older version. */
interface StoredRow {
  revision: number;
  document: unknown;
}

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

/** An edit as it is noted when it is taken. */
export interface NotedEdit {
  id: string;
  client: string;
  label: string;
  /** the device it came from; empty for the bench itself */
  who: string;
  /** the revision it made; one write may make several */
  revision: number;
}

export interface LoggedEdit {
  id: string;
  label: string;
  who: string;
  at: Date;
}
const LOG_LINES = 300;

/** Ids of past edits kept for each production. */
const EDITS_KEPT = 1000;

/** A production that does not lie in the bin. */
const living = (id: string) => and(eq(productions.id, id), isNull(productions.deletedAt));

/** Notes edits as taken, and forgets all but the last thousand. */
async function noteTaken(tx: Database, id: string, edits: readonly NotedEdit[]) {
  if (edits.length === 0) return;
  await tx
    .insert(takenEdits)
    .values(edits.map(({ id: editId, ...noted }) => ({ productionId: id, editId, ...noted })))
    .onConflictDoNothing();
  await tx.execute(sql`
    delete from ${takenEdits} where ${takenEdits.productionId} = ${id} and ${takenEdits.seq} <= (
      select seq from ${takenEdits} where ${takenEdits.productionId} = ${id}
      order by seq desc offset ${EDITS_KEPT} limit 1)`);
}

interface ReadRow extends StoredRow {
  at: number;
}
const MOST_READ = 8;

/**
 * Documents as they were read last: whoever asks again is answered by revision and time, whichever server
 * wrote them, and a large one is not read for every small edit. Nobody writes into a document.
 */
function readRows() {
  const rows = new Map<string, ReadRow>();
  return {
    get: (id: string) => rows.get(id),
    keep: (id: string, row: ReadRow) => {
      rows.delete(id);
      rows.set(id, row);
      if (rows.size > MOST_READ) rows.delete(rows.keys().next().value!);
    },
  };
}
type ReadRows = ReturnType<typeof readRows>;

const readingOf = (db: Database, read: ReadRows) => ({
  list: (): Promise<ListEntry[]> =>
    db
      .select({
        id: productions.id,
        name: productions.name,
        revision: productions.revision,
        shots: sql<number>`jsonb_array_length(${productions.document}->'shots')`.mapWith(Number),
        builds: sql<number>`jsonb_array_length(${productions.document}->'builds')`.mapWith(Number),
        updatedAt: productions.updatedAt,
      })
      .from(productions)
      .where(isNull(productions.deletedAt))
      .orderBy(desc(productions.updatedAt)),

  find: async (id: string): Promise<StoredRow | null> => {
    const [now] = await db
      .select({ revision: productions.revision, at: productions.updatedAt })
      .from(productions)
      .where(living(id));
    if (!now) return null;
    const known = read.get(id);
    if (known && known.revision === now.revision && known.at === now.at.getTime())
      return { revision: known.revision, document: known.document };
    const [row] = await db
      .select({
        revision: productions.revision,
        at: productions.updatedAt,
        document: productions.document,
      })
      .from(productions)
      .where(living(id));
    if (!row) return null;
    read.keep(id, { ...row, at: row.at.getTime() });
    return { revision: row.revision, document: row.document };
  },

  revision: async (id: string): Promise<number | null> => {
    const [row] = await db
      .select({ revision: productions.revision })
      .from(productions)
      .where(living(id));
    return row?.revision ?? null;
  },

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

const writingOf = (db: Database, read: ReadRows) => ({
  insert: async (document: Production): Promise<void> => {
    await db
      .insert(productions)
      .values({ id: document.id, name: document.name, revision: 1, document });
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
      await tx
        .insert(productions)
        .values({ id: document.id, name: document.name, revision: 1, document });
      return true;
    }),

  /** Writes only over the revision it was made from; false when another save came first. */
  replace: async (
    id: string,
    fromRevision: number,
    document: Production,
    edits: readonly NotedEdit[],
  ): Promise<boolean> => {
    const updatedAt = new Date();
    const revision = Math.max(fromRevision + 1, ...edits.map((edit) => edit.revision));
    const done = await db.transaction(async (tx) => {
      const written = await tx
        .update(productions)
        .set({ name: document.name, document, revision, updatedAt })
        .where(and(living(id), eq(productions.revision, fromRevision)))
        .returning({ id: productions.id });
      if (written.length === 0) return false;
      await noteTaken(tx, id, edits);
      return true;
    });
    if (done) read.keep(id, { revision, document, at: updatedAt.getTime() });
    return done;
  },

  /** For reset: removes for good, bin included. */
  erase: async (id: string): Promise<void> => {
    await db.delete(takenEdits).where(eq(takenEdits.productionId, id));
    await db.delete(productions).where(eq(productions.id, id));
  },
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
  emptyBin: async (now = new Date()): Promise<number> => {
    const gone = await db
      .delete(productions)
      .where(lt(productions.deletedAt, new Date(goneBeforeMs(now.getTime()))))
      .returning({ id: productions.id });
    const ids = gone.map(({ id }) => id);
    if (ids.length > 0) await db.delete(takenEdits).where(inArray(takenEdits.productionId, ids));
    return ids.length;
  },
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
export function productionRepository(db: Database) {
  const read = readRows();
  return {
    ...readingOf(db, read),
    ...writingOf(db, read),
    ...binOf(db),
    ...settingsOf(db),
  };
}
export type ProductionRepository = ReturnType<typeof productionRepository>;
