import { createHash, randomUUID } from 'node:crypto';
import { setImmediate as turn } from 'node:timers/promises';
import { fileTypeFromBuffer } from 'file-type';
import { and, eq, like, lt, sql } from 'drizzle-orm';
import { MOST_MEDIA_BYTES, PICTURE_TYPES } from '@/core/document/picture';
import { accept, refuse, type Result } from '@/core/result';
import type { Database } from '../storage/database';
import { bytesOf, media, mediaChunks } from '../storage/schema';

/** Pieces the bytes are kept in: no more than this of a picture is in memory at a time. */
const CHUNK_BYTES = 1_000_000;
/** Largest small copy; 480 pixels as WebP are a tenth of it. */
export const MOST_SMALL_BYTES = 400_000;
/**
 * Kept this long after the last document has let go of it: longer than any undo list reaches back
 * (60 days), so that what undo brings back is still there. See docs/media.md.
 */
export const UNNAMED_DAYS = 90;
/** Pieces on their way in lie under this name until they are known to be whole. */
const INCOMING = 'incoming-';
/** No picture takes longer to come in. */
const UNFINISHED_MS = 3_600_000;

interface MediaInfo {
  hash: string;
  type: string;
  sizeBytes: number;
  hasSmall: boolean;
}

const isPicture = (type: string | undefined): boolean =>
  (PICTURE_TYPES as readonly (string | undefined)[]).includes(type);

interface Arrived {
  type: string;
  sizeBytes: number;
  digest: string;
}

/** Reads a stream into pieces of one size, counting, hashing and looking at its beginning. */
async function receive(
  bytes: ReadableStream<Uint8Array>,
  keep: (n: number, chunk: Uint8Array<ArrayBuffer>) => Promise<unknown>,
): Promise<Result<Arrived>> {
  const sum = createHash('sha256');
  const reader = bytes.getReader();
  let open = new Uint8Array(CHUNK_BYTES);
  let [filled, n, sizeBytes] = [0, 0, 0];
  let type: string | undefined;
  const full = async () => {
    if (n === 0) type = (await fileTypeFromBuffer(open.subarray(0, Math.min(filled, 4100))))?.mime;
    if (!isPicture(type)) return false;
    await keep(n++, open.slice(0, filled));
    [open, filled] = [new Uint8Array(CHUNK_BYTES), 0];
    return true;
  };
  const no = async (code: string, message: string) => {
    await reader.cancel();
    return refuse<Arrived>(code, message, 'body');
  };
  const notOurs = () =>
    no('no_picture', 'Only PNG, JPEG, WebP and AVIF pictures are kept; it goes by their content.');
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    sum.update(value);
    sizeBytes += value.byteLength;
    if (sizeBytes > MOST_MEDIA_BYTES)
      return no('too_big', `A picture may have ${MOST_MEDIA_BYTES / 1e6} MB; this one has more.`);
    for (let at = 0; at < value.byteLength;) {
      const part = value.subarray(at, at + CHUNK_BYTES - filled);
      open.set(part, filled);
      filled += part.byteLength;
      at += part.byteLength;
      if (filled === CHUNK_BYTES && !(await full())) return notOurs();
    }
  }
  if (sizeBytes === 0) return no('empty', 'Nothing came.');
  if (filled > 0 && !(await full())) return notOurs();
  return accept({ type: type!, sizeBytes, digest: sum.digest('hex') });
}

async function findIn(db: Database, hash: string): Promise<MediaInfo | null> {
  const [row] = await db
    .select({
      hash: media.hash,
      type: media.type,
      sizeBytes: media.sizeBytes,
      hasSmall: sql<boolean>`${media.small} is not null`,
    })
    .from(media)
    .where(eq(media.hash, hash));
  return row ?? null;
}

const dropIn = (db: Database, name: string) =>
  db.delete(mediaChunks).where(eq(mediaChunks.hash, name));

const puttingOf = (db: Database) => ({
  /**
   * Takes bytes as they come in and keeps them under their hash; what is not the announced content, too
   * big or no picture leaves nothing behind.
   */
  put: async (hash: string, bytes: ReadableStream<Uint8Array>): Promise<Result<MediaInfo>> => {
    const known = await findIn(db, hash);
    if (known) {
      await bytes.cancel();
      return accept(known);
    }
    const name = `${INCOMING}${Date.now()}-${randomUUID()}`;
    try {
      const arrived = await receive(bytes, (n, chunk) =>
        db.insert(mediaChunks).values({ hash: name, n, bytes: chunk }).then(),
      );
      if (!arrived.ok) return arrived;
      const { type, sizeBytes, digest } = arrived.value;
      if (digest !== hash)
        return refuse(
          'hash',
          'The bytes that came are not those that were announced; send them again.',
          'hash',
        );
      await db.transaction(async (tx) => {
        const [taken] = await tx
          .insert(media)
          .values({ hash, type, sizeBytes })
          .onConflictDoNothing()
          .returning({ hash: media.hash });
        if (!taken) return;
        const named = await tx
          .update(mediaChunks)
          .set({ hash })
          .where(eq(mediaChunks.hash, name))
          .returning({ n: mediaChunks.n });
        // Rolled back: nothing of it stays.
        if (named.length !== Math.ceil(sizeBytes / CHUNK_BYTES))
          throw new Error('Pieces of a picture were taken away while it came in.');
      });
      return accept((await findIn(db, hash))!);
    } finally {
      await dropIn(db, name);
    }
  },
});

const readingOf = (db: Database) => ({
  /**
   * The bytes, piece by piece as they are asked for. Between two of them others are answered: the engine works
   * within this thread, and to a fast reader gigabytes would go out in one turn of it.
   */
  read: (hash: string): ReadableStream<Uint8Array> => {
    let n = 0;
    return new ReadableStream<Uint8Array>(
      {
        pull: async (control) => {
          await turn();
          const [row] = await db
            .select({ bytes: bytesOf(mediaChunks.bytes) })
            .from(mediaChunks)
            .where(and(eq(mediaChunks.hash, hash), eq(mediaChunks.n, n++)));
          if (row) control.enqueue(row.bytes);
          else control.close();
        },
      },
      { highWaterMark: 1 },
    );
  },
});

/** The small copies lists are drawn with. */
const smallOf = (db: Database) => ({
  putSmall: async (hash: string, small: Uint8Array<ArrayBuffer>): Promise<Result<true>> => {
    if (small.byteLength > MOST_SMALL_BYTES)
      return refuse('too_big', `A small copy has at most ${MOST_SMALL_BYTES / 1000} kB.`, 'body');
    const found = await fileTypeFromBuffer(small);
    if (!isPicture(found?.mime)) return refuse('no_picture', 'A small copy is a picture.', 'body');
    const written = await db
      .update(media)
      .set({ small })
      .where(eq(media.hash, hash))
      .returning({ hash: media.hash });
    return written.length ? accept(true) : refuse('missing', 'There is no such picture.', 'hash');
  },

  readSmall: async (hash: string): Promise<Uint8Array<ArrayBuffer> | null> => {
    const [row] = await db
      .select({ small: bytesOf(media.small) })
      .from(media)
      .where(eq(media.hash, hash));
    return row?.small ?? null;
  },
});

const sweepingOf = (db: Database) => ({
  /**
   * Marks what documents name and what they do not, the bin included, and takes away what nobody has
   * named for longer than undo reaches. @param now  handed in so that tests need not wait
   */
  sweep: async (now = new Date()): Promise<number> => {
    await db.execute(sql`
      update media set unnamed_since = case
        when hash in (select jsonb_array_elements(document->'pictures')->>'media'
          from productions where jsonb_typeof(document->'pictures') = 'array')
          or hash in (select (regexp_matches(commands::text, '[0-9a-f]{64}', 'g'))[1] from since_written) then null
        else coalesce(unnamed_since, ${now.toISOString()}::timestamptz) end`);
    const since = new Date(now.getTime() - UNNAMED_DAYS * 86_400_000);
    const gone = await db
      .delete(media)
      .where(lt(media.unnamedSince, since))
      .returning({ hash: media.hash });
    for (const { hash } of gone) await dropIn(db, hash);
    return gone.length;
  },

  /**
   * What was on its way in when a process died. Another server on the same database may be taking a picture
   * in at this moment: only what began long ago, or in a version that did not say when, goes.
   */
  dropUnfinished: async (now = new Date()): Promise<void> => {
    const began = sql`substring(${mediaChunks.hash} from '^incoming-([0-9]{13})-')`;
    const since = now.getTime() - UNFINISHED_MS;
    await db
      .delete(mediaChunks)
      .where(
        and(
          like(mediaChunks.hash, `${INCOMING}%`),
          sql`coalesce(${began}::bigint, 0) < ${since}::bigint`,
        ),
      );
  },
});

/** Photographs and frames by the hash of their content; the only place that speaks to their tables. */
export const mediaStore = (db: Database) => ({
  find: (hash: string) => findIn(db, hash),
  ...puttingOf(db),
  ...readingOf(db),
  ...smallOf(db),
  ...sweepingOf(db),
});
export type MediaStore = ReturnType<typeof mediaStore>;
