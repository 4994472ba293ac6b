import { closeSync, existsSync, openSync, readFileSync, unlinkSync, writeSync } from 'node:fs';
import { join } from 'node:path';
import { StorageProblem, unwritable } from './problem';

interface Holder {
  pid: number;
  /** tells a process from a later one that was given the same number; empty where unknown */
  born: string;
}

/** Start time in clock ticks since boot, field 22 of /proc/PID/stat on Linux. */
function birthOf(pid: number): string {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] ?? '';
  } catch {
    return '';
  }
}

function isAlive({ pid, born }: Holder): boolean {
  try {
    process.kill(pid, 0);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ESRCH') return false;
  }
  return born === '' || born === birthOf(pid);
}

function holderOf(file: string): Holder | null {
  try {
    const held = JSON.parse(readFileSync(file, 'utf8')) as Partial<Holder>;
    return typeof held.pid === 'number' ? { pid: held.pid, born: held.born ?? '' } : null;
  } catch {
    // Half-written by a process that died at once: nobody holds it.
    return null;
  }
}

function tryLock(file: string): boolean {
  try {
    const handle = openSync(file, 'wx');
    writeSync(handle, JSON.stringify({ pid: process.pid, born: birthOf(process.pid) }));
    closeSync(handle);
    return true;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'EEXIST') return false;
    throw error;
  }
}

/**
 * Takes the data folder for this process alone. A lock left by a process that died (kill -9,
 * power cut) is taken over.
 * @returns a function that gives the lock back
 * @throws StorageProblem when a living process holds it or the folder cannot be written
 */
export function lockFolder(folder: string): () => void {
  const file = join(folder, 'in-use.lock');
  try {
    for (let attempt = 0; attempt < 3; attempt++) {
      if (tryLock(file)) return () => release(file);
      const holder = holderOf(file);
      if (holder && isAlive(holder))
        throw new StorageProblem(
          'locked',
          `The data folder ${folder} is in use by process ${holder.pid}. Stop that one, or choose another folder with --data.`,
        );
      unlinkSync(file);
    }
  } catch (error) {
    throw error instanceof StorageProblem ? error : unwritable(folder, error);
  }
  throw new StorageProblem(
    'locked',
    `The data folder ${folder} is being opened by another process.`,
  );
}

function release(file: string): void {
  if (existsSync(file) && holderOf(file)?.pid === process.pid) unlinkSync(file);
}
