import { existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { mediaStore } from '../media/store';
import { openDatabase, type Database } from '../storage/database';
import { flushTree, renameForGood } from '../storage/flushedFolder';
import { lockFolder } from '../storage/lock';
import { devices, productions, settings, sinceWritten, takenEdits } from '../storage/schema';
import { BackupProblem, openBackup, verify, type OpenBackup } from './opened';
import { keptBackups } from './rotation';
import { stampOf } from './stamp';

export interface Restored {
  file: string;
  madeAt: string;
  productions: number;
  pictures: number;
  /** newer backups that could not be used, each with why */
  passedOver: string[];
  /** where the data lie that stood there before; null where there were none */
  before: string | null;
}

const lengthOf = (list: unknown): number => (Array.isArray(list) ? list.length : 0);

/** Saves that nobody makes in a second, hour after hour. */
const MOST_SAVES_A_SECOND = 2;

/**
 * Puts all of a backup into an empty store. Revisions begin beyond any that were reached since: a window that
 * was open meanwhile must not take what is done from now on for what was done to its own state.
 * @throws BackupProblem
 */
async function fillFrom(backup: OpenBackup, db: Database, now: Date): Promise<void> {
  const ageS = Math.max(0, (now.getTime() - Date.parse(backup.list.madeAt)) / 1000);
  const beyond = Math.ceil(ageS * MOST_SAVES_A_SECOND) + 1;
  const store = mediaStore(db);
  for (const { hash, small } of backup.list.media) {
    const taken = await store.put(hash, backup.media(hash));
    if (!taken.ok)
      throw new BackupProblem(
        `A picture of ${backup.file} is not taken: ${taken.problems[0]!.message}`,
      );
    if (small) await store.putSmall(hash, await backup.small(hash));
  }
  for await (const { edits, steps, document, ...row } of backup.productions()) {
    await db.transaction(async (tx) => {
      // Documents of any version lie in the table as they are, and are lifted when they are read.
      await tx.insert(productions).values({
        ...row,
        document: document as never,
        revision: row.revision + beyond,
        // An archive of version 1 holds documents whole, and counts nothing.
        documentRevision: (row.documentRevision ?? row.revision) + beyond,
        shots: row.shots ?? lengthOf(document.shots),
        builds: row.builds ?? lengthOf(document.builds),
      });
      if (steps.length > 0)
        await tx
          .insert(sinceWritten)
          .values(
            steps.map(
              ({ revision, commands }) =>
                ({ productionId: row.id, revision: revision + beyond, commands }) as never,
            ),
          );
      for (let at = 0; at < edits.length; at += 500)
        await tx
          .insert(takenEdits)
          .values(edits.slice(at, at + 500).map((edit) => ({ ...edit, productionId: row.id })));
    });
  }
  // What an empty store begins with gives way to what the backup knows.
  for (const { key, value } of await backup.settings())
    await db
      .insert(settings)
      .values({ key, value })
      .onConflictDoUpdate({ target: settings.key, set: { value } });
  const known = await backup.devices();
  if (known.length > 0) await db.insert(devices).values(known);
}

/** The backup to take: the named one, or the newest that is whole. */
async function chosen(folder: string, file: string | null) {
  const passedOver: string[] = [];
  const candidates = file ? [resolve(file)] : keptBackups(folder).map((kept) => kept.file);
  for (const each of candidates) {
    try {
      const opened = await openBackup(each);
      await verify(opened);
      return { opened, passedOver };
    } catch (error) {
      if (file || !(error instanceof BackupProblem)) throw error;
      passedOver.push(error.message);
    }
  }
  throw new BackupProblem(
    passedOver.length > 0
      ? `No backup in ${join(folder, 'backups')} can be used. ${passedOver.join(' ')}`
      : `There is no backup in ${join(folder, 'backups')}. Name a file: ./jar restore FILE.`,
  );
}

/**
 * Makes a data folder anew from a backup. What stood there, sound or damaged, is put beside it and never
 * written to; until all is whole, it stands where it was.
 * @throws StorageProblem when the folder is in use or cannot be written
 * @throws BackupProblem when there is no backup that can be used
 */
export async function restore(
  folder: string,
  file: string | null,
  now = new Date(),
): Promise<Restored> {
  if (!existsSync(folder)) mkdirSync(folder, { recursive: true, mode: 0o700 });
  const unlock = lockFolder(folder);
  const aside = join(folder, 'being-restored');
  try {
    const { opened, passedOver } = await chosen(folder, file);
    rmSync(aside, { recursive: true, force: true });
    const { db, close } = await openDatabase({ folder: aside });
    await fillFrom(opened, db, now).finally(close);
    await opened.close();
    const pictures = opened.list.media.length;
    flushTree(join(aside, 'pglite'));
    const at = join(folder, 'pglite');
    let before: string | null = null;
    if (existsSync(at)) {
      before = join(folder, `before-${stampOf(now)}`);
      renameSync(at, before);
    }
    renameForGood(join(aside, 'pglite'), at);
    return {
      file: opened.file,
      madeAt: opened.list.madeAt,
      productions: opened.list.productions,
      pictures,
      passedOver,
      before,
    };
  } finally {
    rmSync(aside, { recursive: true, force: true });
    unlock();
  }
}
