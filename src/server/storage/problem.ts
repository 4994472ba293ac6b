import { readdirSync } from 'node:fs';
import { join } from 'node:path';

type StorageCode = 'locked' | 'unwritable' | 'unreachable' | 'damaged';

/** The store cannot be used; the message says what to do and is fit to show as it is. */
export class StorageProblem extends Error {
  constructor(
    readonly code: StorageCode,
    message: string,
  ) {
    super(message);
  }
}

const BACKUP = /^(hourly|daily)-.*\.zip$/;

/** How many backups lie in a folder, whatever else is wrong with it. */
function backupsIn(folder: string): number {
  try {
    return readdirSync(join(folder, 'backups')).filter((name) => BACKUP.test(name)).length;
  } catch {
    return 0;
  }
}

/** The folder holds something that cannot be opened; it is left exactly as it is. */
export function damaged(folder: string, why: string): StorageProblem {
  const backups = backupsIn(folder);
  const way =
    backups > 0
      ? `./jar restore --data ${folder} brings back the newest of ${backups} backups and keeps this beside it`
      : 'Put a copy of it back in its place (./jar restore FILE takes a backup)';
  return new StorageProblem(
    'damaged',
    `The data folder ${folder} is damaged: ${why}. Nothing has been put in its place. ${way}, or choose another folder with --data.`,
  );
}

const UNWRITABLE = new Set(['EACCES', 'EPERM', 'EROFS', 'ENOSPC', 'ENOTDIR', 'ENOENT', 'EDQUOT']);

/** Says in one line why a folder cannot be written; anything else is thrown on. */
export function unwritable(folder: string, error: unknown): StorageProblem {
  const code = (error as NodeJS.ErrnoException).code ?? '';
  if (!UNWRITABLE.has(code)) throw error;
  const why =
    code === 'ENOSPC' || code === 'EDQUOT' ? 'the disk is full' : `it cannot be written (${code})`;
  return new StorageProblem(
    'unwritable',
    `The data folder ${folder} is of no use: ${why}. Free it, or choose another with --data.`,
  );
}
