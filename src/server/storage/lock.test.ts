import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { lockFolder } from './lock';
import { StorageProblem } from './problem';

const folder = () => mkdtempSync(join(tmpdir(), 'jar-lock-'));
const lockFile = (at: string) => join(at, 'in-use.lock');

test('one process holds it, gives it back, and it can be taken again', () => {
  const at = folder();
  const release = lockFolder(at);
  expect(JSON.parse(readFileSync(lockFile(at), 'utf8'))).toMatchObject({ pid: process.pid });
  expect(() => lockFolder(at)).toThrow(StorageProblem);
  release();
  expect(existsSync(lockFile(at))).toBe(false);
  lockFolder(at)();
});

test('a living holder is named in one clear line', () => {
  const at = folder();
  const holder = spawn('sleep', ['30']);
  try {
    writeFileSync(lockFile(at), JSON.stringify({ pid: holder.pid, born: '' }));
    expect(() => lockFolder(at)).toThrow(`in use by process ${holder.pid}`);
    expect(readFileSync(lockFile(at), 'utf8')).toContain(String(holder.pid));
  } finally {
    holder.kill('SIGKILL');
  }
});

test('locks of the dead are taken over: ended, renumbered, half-written', () => {
  const dead = spawnSync('true').pid;
  for (const left of [
    JSON.stringify({ pid: dead, born: '1' }),
    JSON.stringify({ pid: process.pid, born: 'another birth' }),
    '{"pi',
  ]) {
    const at = folder();
    writeFileSync(lockFile(at), left);
    lockFolder(at)();
    expect(existsSync(lockFile(at))).toBe(false);
  }
});

test('a folder that cannot be written is a clear problem', () => {
  expect(() => lockFolder('/proc')).toThrow(/cannot be written/);
});
