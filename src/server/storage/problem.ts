export type StorageCode = 'locked' | 'unwritable' | 'unreachable';

/** The store cannot be used; the message says what to do and is fit to show as it is. */
export class StorageProblem extends Error {
  constructor(
    readonly code: StorageCode,
    message: string,
  ) {
    super(message);
  }
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
