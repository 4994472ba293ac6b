import { createWriteStream, mkdirSync, rmSync } from 'node:fs';
import { dirname } from 'node:path';
import { Writable } from 'node:stream';
import type { Database } from '../storage/database';
import { flush, renameForGood } from '../storage/flushedFolder';
import { writeArchive, type BackupList } from './archive';
import { openBackup, verify } from './opened';

/** Bytes into a file that has its name only once it is whole and on the disk. */
export async function writeWhole(
  file: string,
  write: (sink: WritableStream<Uint8Array>) => Promise<unknown>,
  check: (part: string) => Promise<void> = () => Promise.resolve(),
): Promise<void> {
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  const part = `${file}.part`;
  try {
    await write(Writable.toWeb(createWriteStream(part, { mode: 0o600 })));
    await check(part);
    flush(part);
    renameForGood(part, file);
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  }
}

/**
 * An archive as a file, kept only if it opens again and everything in it is as it should be.
 * @param pictures  false where they lie beside it and have been looked at
 */
export const writeArchiveFile = (
  file: string,
  write: (sink: WritableStream<Uint8Array>) => Promise<unknown>,
  pictures = true,
): Promise<void> =>
  writeWhole(file, write, async (part) => {
    const opened = await openBackup(part);
    await verify(opened, pictures).finally(opened.close);
  });

/** What a store holds, as such a file. @param mediaInside  as `writeArchive` says */
export async function writeBackup(
  db: Database,
  file: string,
  mediaInside: boolean,
  now = new Date(),
): Promise<BackupList> {
  let list: BackupList | null = null;
  const write = async (sink: WritableStream<Uint8Array>) => {
    list = await writeArchive(db, sink, mediaInside, now);
  };
  await writeArchiveFile(file, write, mediaInside);
  return list!;
}
