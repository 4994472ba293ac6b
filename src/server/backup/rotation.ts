import { createReadStream, existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { eq, max } from 'drizzle-orm';
import { mediaStore } from '../media/store';
import { OWN_SHELF_AT } from '../productions/ownShelf';
import type { Database } from '../storage/database';
import { media, productions, settings } from '../storage/schema';
import { BackupProblem, hashOf, openBackup } from './opened';
import { stampOf } from './stamp';
import { writeBackup, writeWhole } from './files';

/** Kept of each kind; what is older is taken away. */
const KEPT = { hourly: 24, daily: 14 } as const;
type Kind = keyof typeof KEPT;

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** Less than an hour, so that a look every ten minutes does not make every other backup late. */
const DUE_AFTER: Record<Kind, number> = { hourly: HOUR_MS - 60_000, daily: DAY_MS - 600_000 };

const NAME = /^(hourly|daily)-(\d{4}-\d{2}-\d{2})T(\d{2})-(\d{2})-(\d{2})Z\.zip$/;

export const backupsOf = (folder: string): string => join(folder, 'backups');

const nameOf = (kind: Kind, now: Date): string => `${kind}-${stampOf(now)}.zip`;

interface Kept {
  file: string;
  kind: Kind;
  at: number;
}

/** Backups of a folder by their names, newest first; files that are called otherwise are nobody's. */
export function keptBackups(folder: string): Kept[] {
  const at = backupsOf(folder);
  if (!existsSync(at)) return [];
  return readdirSync(at)
    .flatMap((name): Kept[] => {
      const found = NAME.exec(name);
      if (!found) return [];
      const [, kind, day, hour, minute, second] = found;
      return [
        {
          file: join(at, name),
          kind: kind as Kind,
          at: Date.parse(`${day}T${hour}:${minute}:${second}Z`),
        },
      ];
    })
    .sort((a, b) => b.at - a.at || (a.file < b.file ? 1 : -1));
}

async function isSound(file: string, hash: string, sizeBytes: number, read: boolean) {
  if (!existsSync(file) || statSync(file).size !== sizeBytes) return false;
  return !read || (await hashOf(createReadStream(file)).catch(() => null)) === hash;
}

/**
 * Copies pictures that no backup holds yet into the folder all of them share, and anew what spoiled there.
 * @param read  every copy against its hash; else their lengths tell, and new ones are read
 * @throws BackupProblem when a copy is not what it should be
 */
async function copyMedia(db: Database, folder: string, read: boolean): Promise<void> {
  const store = mediaStore(db);
  const beside = join(backupsOf(folder), 'media');
  mkdirSync(beside, { recursive: true, mode: 0o700 });
  for (const { hash, sizeBytes } of await db
    .select({ hash: media.hash, sizeBytes: media.sizeBytes })
    .from(media)) {
    const file = join(beside, hash);
    if (await isSound(file, hash, sizeBytes, read)) continue;
    await writeWhole(
      file,
      (sink) => store.read(hash).pipeTo(sink),
      async (part) => {
        if (!(await isSound(part, hash, sizeBytes, true)))
          throw new BackupProblem(`The picture ${hash.slice(0, 8)}… is not what it was.`);
      },
    );
  }
}

/** Takes away what is older than what is kept, then pictures no kept backup names. */
async function prune(folder: string): Promise<void> {
  for (const kind of Object.keys(KEPT) as Kind[])
    for (const { file } of keptBackups(folder)
      .filter((each) => each.kind === kind)
      .slice(KEPT[kind]))
      rmSync(file);
  const named = new Set<string>();
  for (const { file } of keptBackups(folder)) {
    // One that cannot be read names nothing we know: then no picture is taken away.
    const opened = await openBackup(file).catch(() => null);
    if (!opened) return;
    for (const { hash } of opened.list.media) named.add(hash);
    await opened.close();
  }
  const beside = join(backupsOf(folder), 'media');
  if (!existsSync(beside)) return;
  for (const hash of readdirSync(beside)) if (!named.has(hash)) rmSync(join(beside, hash));
}

/** When anything was last changed; 0 for an empty store. */
async function lastChange(db: Database): Promise<number> {
  const [row] = await db
    .select({ changed: max(productions.updatedAt), binned: max(productions.deletedAt) })
    .from(productions);
  const [home] = await db.select().from(settings).where(eq(settings.key, OWN_SHELF_AT));
  const moments = [row?.changed?.getTime(), row?.binned?.getTime(), Date.parse(home?.value ?? '')];
  return Math.max(0, ...moments.map((at) => at || 0));
}

/**
 * Makes the backups that are due: one an hour and one a day, when something has changed since the last.
 * @returns the files that were made
 */
export async function backUpWhatIsDue(
  db: Database,
  folder: string,
  now = new Date(),
): Promise<string[]> {
  const kept = keptBackups(folder);
  const changed = await lastChange(db);
  const due = (Object.keys(KEPT) as Kind[]).filter((kind) => {
    const last = kept.find((each) => each.kind === kind)?.at ?? -Infinity;
    return changed > 0 && changed > last && now.getTime() - last >= DUE_AFTER[kind];
  });
  if (due.length === 0) return [];
  await copyMedia(db, folder, due.includes('daily'));
  const made: string[] = [];
  for (const kind of due) {
    const file = join(backupsOf(folder), nameOf(kind, now));
    await writeBackup(db, file, false, now);
    made.push(file);
  }
  await prune(folder);
  return made;
}
