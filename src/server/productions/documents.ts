import { and, asc, eq, gt, inArray, isNull, lte, sql } from 'drizzle-orm';
import type { Production } from '@/core/document/production';
import type { Database } from '../storage/database';
import { productions, sinceWritten, takenEdits } from '../storage/schema';
import { standing, type Lying, type Seen } from './standing';
import type { Step, Stored } from './stored';

/** A production that does not lie in the bin. */
export const living = (id: string) => and(eq(productions.id, id), isNull(productions.deletedAt));

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

/** Ids of past edits kept for each production, at least. */
const EDITS_KEPT = 1000;

/** So many revisions stand beside a document before it is written whole: to open it, each is done again. */
const MOST_STEPS = 100;
/** Steps kept in memory, for windows that saw the production this many saves ago. */
const STEPS_KNOWN = 300;

/** What lists show of a document, beside it. */
export const listedOf = (document: Production) => ({
  name: document.name,
  shots: document.shots.length,
  builds: document.builds.length,
});

/** A new row: the document whole. */
export const firstRow = (document: Production, revision = 1) => ({
  id: document.id,
  ...listedOf(document),
  revision,
  documentRevision: revision,
  document,
});

interface Known extends Seen {
  /** tells a production from another that was put in its place */
  createdAt: number;
}
const MOST_KNOWN = 8;

/**
 * Documents as they were seen last: whoever asks again is answered by revision, whichever server wrote
 * them, and a large one is not read for every small edit. Nobody writes into a document.
 */
function knownDocuments() {
  const known = new Map<string, Known>();
  return {
    get: (id: string) => known.get(id),
    keep: (id: string, one: Known): Known => {
      const kept = { ...one, steps: one.steps.slice(-STEPS_KNOWN) };
      known.delete(id);
      known.set(id, kept);
      if (known.size > MOST_KNOWN) known.delete(known.keys().next().value!);
      return kept;
    },
  };
}
type KnownDocuments = ReturnType<typeof knownDocuments>;

/** What stands beside a document, as a column of its row. */
export const STEPS = sql<Step[]>`coalesce((
  select jsonb_agg(jsonb_build_object('revision', s.revision, 'commands', s.commands) order by s.revision)
  from since_written s
  where s.production_id = "productions"."id" and s.revision > "productions"."document_revision"
), '[]'::jsonb)`;

/** In one question, so that document and steps are of one moment. */
async function readWhole(db: Database, id: string): Promise<(Lying & { createdAt: Date }) | null> {
  const [row] = await db
    .select({
      revision: productions.revision,
      createdAt: productions.createdAt,
      document: productions.document,
      documentRevision: productions.documentRevision,
      steps: STEPS,
    })
    .from(productions)
    .where(living(id));
  return row ?? null;
}

/** What another server has done since is done here too; null where that is not all there. */
async function caughtUp(db: Database, id: string, known: Known, to: number): Promise<Seen | null> {
  const steps = await db
    .select({ revision: sinceWritten.revision, commands: sinceWritten.commands })
    .from(sinceWritten)
    .where(
      and(
        eq(sinceWritten.productionId, id),
        gt(sinceWritten.revision, known.revision),
        lte(sinceWritten.revision, to),
      ),
    )
    .orderBy(asc(sinceWritten.revision));
  if (steps.length !== to - known.revision) return null;
  const { revision, document } = known;
  const now = standing({ revision: to, document, documentRevision: revision, steps });
  return { ...known, ...now, steps: [...known.steps, ...now.steps] };
}

function findingOf(db: Database, known: KnownDocuments) {
  /** @throws UnreadableProduction */
  const standingNow = async (id: string): Promise<Seen | null> => {
    const [now] = await db
      .select({
        revision: productions.revision,
        createdAt: productions.createdAt,
        documentRevision: productions.documentRevision,
      })
      .from(productions)
      .where(living(id));
    if (!now) return null;
    const createdAt = now.createdAt.getTime();
    const seen = known.get(id);
    if (seen?.createdAt === createdAt && seen.revision <= now.revision) {
      if (seen.revision === now.revision) return seen;
      const caught = await caughtUp(db, id, seen, now.revision);
      const { documentRevision } = now;
      // Whoever wrote it whole in the meantime wrote it in this version or a newer one.
      const lifted = seen.lifted && documentRevision === seen.documentRevision;
      if (caught) return known.keep(id, { ...caught, documentRevision, lifted, createdAt });
    }
    const row = await readWhole(db, id);
    if (!row) return null;
    return known.keep(id, { ...standing(row), createdAt: row.createdAt.getTime() });
  };
  return {
    standing: standingNow,

    /** @throws UnreadableProduction */
    find: async (id: string): Promise<Stored | null> => {
      const now = await standingNow(id);
      return now && { revision: now.revision, document: now.document };
    },

    revision: async (id: string): Promise<number | null> => {
      const [row] = await db
        .select({ revision: productions.revision })
        .from(productions)
        .where(living(id));
      return row?.revision ?? null;
    },
  };
}

/** A save: what it makes, and what it was made from. */
export interface Replacement {
  from: Seen;
  document: Production;
  /** the revisions it makes, one after another; null writes the document whole */
  steps: readonly Step[] | null;
  edits: readonly NotedEdit[];
}

async function noteTaken(tx: Database, id: string, edits: readonly NotedEdit[]) {
  if (edits.length === 0) return;
  await tx
    .insert(takenEdits)
    .values(edits.map(({ id: editId, ...noted }) => ({ productionId: id, editId, ...noted })))
    .onConflictDoNothing();
}

/**
 * Puts a save's steps beside the document, or the document in its place.
 * @returns when the production was first made; null when another save came first
 */
async function write(
  tx: Database,
  id: string,
  { from, document, steps, edits }: Replacement,
  revision: number,
): Promise<Date | null> {
  const whole = steps ? {} : { document, documentRevision: revision };
  const [written] = await tx
    .update(productions)
    .set({ ...listedOf(document), ...whole, revision, updatedAt: new Date() })
    .where(and(living(id), eq(productions.revision, from.revision)))
    .returning({ createdAt: productions.createdAt });
  if (!written) return null;
  if (steps)
    await tx
      .insert(sinceWritten)
      .values(steps.map((step) => ({ productionId: id, ...step, commands: [...step.commands] })));
  else await forgetSteps(tx, id, revision);
  await noteTaken(tx, id, edits);
  return written.createdAt;
}

/** What the document holds itself now, and edits so old that nobody sends them again. */
async function forgetSteps(tx: Database, id: string, revision: number): Promise<void> {
  await tx
    .delete(sinceWritten)
    .where(and(eq(sinceWritten.productionId, id), lte(sinceWritten.revision, revision)));
  await tx.execute(sql`
    delete from ${takenEdits} where ${takenEdits.productionId} = ${id} and ${takenEdits.seq} <= (
      select seq from ${takenEdits} where ${takenEdits.productionId} = ${id}
      order by seq desc offset ${EDITS_KEPT} limit 1)`);
}

const replacingOf = (db: Database, known: KnownDocuments) => ({
  /** Writes only over the revision it was made from; false when another save came first. */
  replace: async (id: string, given: Replacement): Promise<boolean> => {
    const { from, document, edits } = given;
    // One of an older version is written whole: steps are of the version of what they stand beside.
    const steps = from.lifted ? null : given.steps;
    const revision = Math.max(from.revision + 1, ...edits.map((edit) => edit.revision));
    const createdAt = await db.transaction((tx) => write(tx, id, { ...given, steps }, revision));
    if (!createdAt) return false;
    known.keep(id, {
      revision,
      document,
      steps: steps ? [...from.steps, ...steps] : [],
      lifted: false,
      documentRevision: steps ? from.documentRevision : revision,
      createdAt: createdAt.getTime(),
    });
    return true;
  },

  /** Writes a document whole where much stands beside it, unless somebody saves it at this moment. */
  writeWhole: async (id: string): Promise<void> => {
    const seen = known.get(id);
    if (!seen || seen.revision - seen.documentRevision < MOST_STEPS) return;
    const { revision, document } = seen;
    const done = await db.transaction(async (tx) => {
      const written = await tx
        .update(productions)
        .set({ document, documentRevision: revision })
        .where(
          and(
            living(id),
            eq(productions.revision, revision),
            // Not one that was put in its place; dates here are cut to milliseconds.
            sql`date_trunc('milliseconds', ${productions.createdAt}) = ${new Date(seen.createdAt).toISOString()}::timestamptz`,
          ),
        )
        .returning({ id: productions.id });
      if (written.length > 0) await forgetSteps(tx, id, revision);
      return written.length > 0;
    });
    if (done && known.get(id) === seen) known.keep(id, { ...seen, documentRevision: revision });
  },
});

/** The only place that knows that documents are written whole now and then. */
export function documentStore(db: Database) {
  const known = knownDocuments();
  return { ...findingOf(db, known), ...replacingOf(db, known) };
}

/** Takes away for good what belongs to productions that are gone. */
export async function forget(db: Database, ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return;
  await db.delete(takenEdits).where(inArray(takenEdits.productionId, [...ids]));
  await db.delete(sinceWritten).where(inArray(sinceWritten.productionId, [...ids]));
}
