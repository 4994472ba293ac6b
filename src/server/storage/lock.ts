import { randomUUID } from 'node:crypto';
import {
  existsSync,
  linkSync,
  mkdirSync,
  readFileSync,
  rmdirSync,
  statSync,
  unlinkSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { StorageProblem, unwritable } from './problem';

interface Holder {
  pid: number;
  /** tells a process from a later one that was given the same number; empty where unknown */
  born: string;
  /** where it answers, if it is a server */
  port?: number;
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
  // Zero and below name groups of processes, which always seem to be there.
  if (!Number.isInteger(pid) || pid <= 0) return false;
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
    return typeof held.pid === 'number'
      ? { pid: held.pid, born: held.born ?? '', port: held.port }
      : null;
  } catch {
    // Half-written by a version that wrote in place, or rubbish: nobody holds it.
    return null;
  }
}

const lockFile = (folder: string): string => join(folder, 'in-use.lock');

/** Where the living server answers that holds a folder; null where none does. */
export function portOfHolder(folder: string): number | null {
  const holder = holderOf(lockFile(folder));
  return holder && isAlive(holder) ? (holder.port ?? null) : null;
}

const codeOf = (error: unknown) => (error as NodeJS.ErrnoException).code;

/** Whole or not at all: the file is written aside and linked to its name, which only one can do. */
function tryLock(file: string, port?: number): boolean {
  const aside = `${file}.${process.pid}-${randomUUID()}`;
  writeFileSync(aside, JSON.stringify({ pid: process.pid, born: birthOf(process.pid), port }));
  try {
    linkSync(aside, file);
    return true;
  } catch (error) {
    if (codeOf(error) === 'EEXIST') return false;
    throw error;
  } finally {
    unlinkSync(aside);
  }
}

/** Who takes a dead one's lock over holds this meanwhile, so that no two do it at once. */
const TAKING_OVER = '.taking-over';
/** Taking over lasts milliseconds; a folder older than this was left by one that died doing it. */
const LEFT_BEHIND_MS = 10_000;

function takeOver(file: string, port?: number): boolean {
  const gate = `${file}${TAKING_OVER}`;
  try {
    mkdirSync(gate);
  } catch (error) {
    if (codeOf(error) !== 'EEXIST') throw error;
    try {
      if (Date.now() - statSync(gate).mtimeMs > LEFT_BEHIND_MS) rmdirSync(gate);
    } catch {
      // Somebody else has just taken it away.
    }
    return false;
  }
  try {
    const holder = holderOf(file);
    if (holder && isAlive(holder)) return false;
    if (existsSync(file)) unlinkSync(file);
    return tryLock(file, port);
  } finally {
    rmdirSync(gate);
  }
}

const ATTEMPTS = 50;
const BREATH_MS = 20;
const breathe = () => Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, BREATH_MS);

/**
 * Takes the data folder for this process alone. A lock left by a process that died (kill -9,
 * power cut) is taken over.
 * @param port  where this process answers, for others that find the folder in use
 * @returns a function that gives the lock back
 * @throws StorageProblem when a living process holds it or the folder cannot be written
 */
export function lockFolder(folder: string, port?: number): () => void {
  const file = lockFile(folder);
  try {
    for (let attempt = 0; attempt < ATTEMPTS; attempt++) {
      if (tryLock(file, port)) return () => release(file);
      const holder = holderOf(file);
      if (holder && isAlive(holder))
        throw new StorageProblem(
          'locked',
          `The data folder ${folder} is in use by process ${holder.pid}. Stop that one, or choose another folder with --data.`,
        );
      if (takeOver(file, port)) return () => release(file);
      breathe();
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
