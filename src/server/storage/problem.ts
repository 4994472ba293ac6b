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

/** The folder holds something that cannot be opened; it is left exactly as it is. */
export const damaged = (folder: string, why: string): StorageProblem =>
  new StorageProblem(
    'damaged',
    `The data folder ${folder} is damaged: ${why}. Nothing in it has been changed. Put a copy of it back in its place, or choose another folder with --data.`,
  );

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
