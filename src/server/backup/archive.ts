import { asc, eq, getTableColumns } from 'drizzle-orm';
import { configure, TextReader, ZipWriter } from '@zip.js/zip.js';
import { mediaStore } from '../media/store';
import { STEPS } from '../productions/documents';
import type { Database } from '../storage/database';
import { devices, media, productions, settings, takenEdits } from '../storage/schema';

configure({ useWebWorkers: false });

export const BACKUP_FORMAT = 'lantern-jar-backup';
/**
 * Of the archive itself; documents in it tell their own version and are lifted when they are read.
 * Since 2, what was done since a document was written stands beside it.
 */
export const BACKUP_VERSION = 2;

/** Names of what is in an archive. The list comes last: an archive without it was cut off. */
export const ENTRY = {
  list: 'backup.json',
  settings: 'settings.json',
  devices: 'devices.json',
  production: (n: number) => `productions/${n}.json`,
  media: (hash: string) => `media/${hash}`,
  small: (hash: string) => `small/${hash}`,
};

export interface ListedMedia {
  hash: string;
  type: string;
  sizeBytes: number;
  small: boolean;
}

export interface BackupList {
  format: typeof BACKUP_FORMAT;
  version: number;
  madeAt: string;
  productions: number;
  media: ListedMedia[];
  /** whether the pictures are in the archive; else they lie in the folder `media` beside it */
  mediaInside: boolean;
}

type Zip = ZipWriter<unknown>;
const addJson = (zip: Zip, name: string, value: unknown) =>
  zip.add(name, new TextReader(JSON.stringify(value)));

/** One production after another: no more than one is in memory. */
async function addProductions(zip: Zip, db: Database): Promise<number> {
  const ids = await db
    .select({ id: productions.id })
    .from(productions)
    .orderBy(asc(productions.createdAt));
  let n = 0;
  for (const { id } of ids) {
    const [row] = await db
      .select({ ...getTableColumns(productions), steps: STEPS })
      .from(productions)
      .where(eq(productions.id, id));
    // Gone for good since the list was read.
    if (!row) continue;
    const edits = await db
      .select()
      .from(takenEdits)
      .where(eq(takenEdits.productionId, id))
      .orderBy(asc(takenEdits.seq));
    await addJson(zip, ENTRY.production(n++), { ...row, edits });
  }
  return n;
}

async function addMedia(zip: Zip, db: Database, inside: boolean): Promise<ListedMedia[]> {
  const store = mediaStore(db);
  const hashes = await db.select({ hash: media.hash }).from(media).orderBy(asc(media.hash));
  const listed: ListedMedia[] = [];
  for (const { hash } of hashes) {
    const found = await store.find(hash);
    if (!found) continue;
    const small = found.hasSmall ? await store.readSmall(hash) : null;
    // Pictures are packed already.
    if (inside) await zip.add(ENTRY.media(hash), store.read(hash), { level: 0 });
    if (small) await zip.add(ENTRY.small(hash), new Blob([small]).stream(), { level: 0 });
    listed.push({ hash, type: found.type, sizeBytes: found.sizeBytes, small: small !== null });
  }
  return listed;
}

/**
 * Everything the store holds, as a zip that is written as it is read. Works on either engine, and while
 * others save: each production is whole, as it was at one moment.
 * @param mediaInside  false leaves the pictures out, for archives that share one folder of them
 */
export async function writeArchive(
  db: Database,
  sink: WritableStream<Uint8Array>,
  mediaInside: boolean,
  now = new Date(),
): Promise<BackupList> {
  const zip = new ZipWriter(sink);
  const count = await addProductions(zip, db);
  await addJson(zip, ENTRY.settings, await db.select().from(settings));
  await addJson(zip, ENTRY.devices, await db.select().from(devices));
  const list: BackupList = {
    format: BACKUP_FORMAT,
    version: BACKUP_VERSION,
    madeAt: now.toISOString(),
    productions: count,
    media: await addMedia(zip, db, mediaInside),
    mediaInside,
  };
  await addJson(zip, ENTRY.list, list);
  await zip.close();
  return list;
}
