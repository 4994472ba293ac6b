import {
  chmodSync,
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openDatabase } from './database';
import { StorageProblem } from './problem';
import { readyFolder } from './testing/readyFolder';

const fresh = () => mkdtempSync(join(tmpdir(), 'jar-damaged-'));
let sound: string;

/** A folder in good order, made once. */
beforeAll(async () => {
  sound = await readyFolder();
});

function copy(): string {
  const folder = fresh();
  cpSync(sound, folder, { recursive: true });
  return folder;
}

const names = (folder: string): string[] => readdirSync(folder, { recursive: true }).map(String);

const problemOf = async (folder: string): Promise<StorageProblem | null> => {
  try {
    const { close } = await openDatabase({ folder });
    await close();
    return null;
  } catch (error) {
    return error as StorageProblem;
  }
};

test('a sound folder opens again', async () => {
  expect(await problemOf(copy())).toBeNull();
});

test.each<[string, (pg: string) => void]>([
  ['PG_VERSION missing', (pg) => rmSync(join(pg, 'PG_VERSION'))],
  ['PG_VERSION empty', (pg) => truncateSync(join(pg, 'PG_VERSION'), 0)],
  ['pg_control missing', (pg) => rmSync(join(pg, 'global/pg_control'))],
  ['pg_control empty', (pg) => truncateSync(join(pg, 'global/pg_control'), 0)],
  ['base missing', (pg) => rmSync(join(pg, 'base'), { recursive: true })],
  ['the log missing', (pg) => rmSync(join(pg, 'pg_wal'), { recursive: true })],
  [
    'a file in its place',
    (pg) => {
      rmSync(pg, { recursive: true });
      writeFileSync(pg, 'x');
    },
  ],
])('%s: one clear line, and nothing is laid over it', async (_name, injure) => {
  const folder = copy();
  const pg = join(folder, 'pglite');
  injure(pg);
  const before = existsSync(pg) && statSync(pg).isDirectory() ? names(pg) : null;
  const problem = await problemOf(folder);
  expect(problem).toBeInstanceOf(StorageProblem);
  expect(problem!.message).toMatch(/is damaged: .*Nothing in it has been changed/);
  expect(problem!.message).toContain(folder);
  if (before) expect(names(pg)).toEqual(before);
  // The lock is given back: mended, it opens.
  expect(existsSync(join(folder, 'in-use.lock'))).toBe(false);
});

test('a folder that was made and never filled is begun', async () => {
  const folder = fresh();
  mkdirSync(join(folder, 'pglite'));
  expect(await problemOf(folder)).toBeNull();
});

test('the folder is its owner’s alone, and so are the files in it', async () => {
  const folder = fresh();
  chmodSync(folder, 0o755);
  const { close } = await openDatabase({ folder });
  expect(statSync(folder).mode & 0o777).toBe(0o700);
  const file = join(folder, 'pglite', 'PG_VERSION');
  expect(readFileSync(file, 'utf8').trim()).toMatch(/^\d+$/);
  await close();
});
