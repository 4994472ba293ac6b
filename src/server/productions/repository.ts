import { and, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm';
import type { Production } from '@/core/document/production';
import type { Database } from '../storage/database';
import { productions, settings } from '../storage/schema';

export interface Stored {
  revision: number;
  lastEditIds: string[];
  document: Production;
}

export interface ListEntry {
  id: string;
  name: string;
  revision: number;
  shots: number;
  builds: number;
  updatedAt: Date;
}

/** The only place that speaks to the tables. */
export function productionRepository(db: Database) {
  const living = (id: string) => and(eq(productions.id, id), isNull(productions.deletedAt));
  return {
    list: (): Promise<ListEntry[]> =>
      db
        .select({
          id: productions.id,
          name: productions.name,
          revision: productions.revision,
          shots: sql<number>`jsonb_array_length(${productions.document}->'shots')`.mapWith(Number),
          builds: sql<number>`jsonb_array_length(${productions.document}->'builds')`.mapWith(
            Number,
          ),
          updatedAt: productions.updatedAt,
        })
        .from(productions)
        .where(isNull(productions.deletedAt))
        .orderBy(desc(productions.updatedAt)),

    find: async (id: string): Promise<Stored | null> => {
      const [row] = await db
        .select({
          revision: productions.revision,
          lastEditIds: productions.lastEditIds,
          document: productions.document,
        })
        .from(productions)
        .where(living(id));
      return row ?? null;
    },

    /** Also sees what lies in the bin, because its id is still taken. */
    isTaken: async (id: string): Promise<boolean> =>
      (await db.select({ id: productions.id }).from(productions).where(eq(productions.id, id)))
        .length > 0,

    insert: async (document: Production): Promise<void> => {
      await db
        .insert(productions)
        .values({ id: document.id, name: document.name, revision: 1, document });
    },

    /** Writes only over the revision it was made from; false when another save came first. */
    replace: async (
      id: string,
      fromRevision: number,
      document: Production,
      lastEditIds: string[],
    ): Promise<boolean> => {
      const written = await db
        .update(productions)
        .set({
          name: document.name,
          document,
          lastEditIds,
          revision: fromRevision + 1,
          updatedAt: new Date(),
        })
        .where(and(living(id), eq(productions.revision, fromRevision)))
        .returning({ id: productions.id });
      return written.length > 0;
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

    /** For reset: removes for good, bin included. */
    erase: async (id: string): Promise<void> => {
      await db.delete(productions).where(eq(productions.id, id));
    },
  };
}
export type ProductionRepository = ReturnType<typeof productionRepository>;
