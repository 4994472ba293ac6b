import { createHash } from 'node:crypto';
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

/** What the engine makes anew at every start; nothing of anybody's is in it. */
const ITS_OWN = /pg_internal\.init$/;

/** Every file of tables, with a sum of its bytes. */
const contents = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter(
      (entry) => entry.isFile() && entry.parentPath.includes('base') && !ITS_OWN.test(entry.name),
    )
    .map((entry) => {
      const file = join(entry.parentPath, entry.name);
      return `${file} ${createHash('sha256').update(readFileSync(file)).digest('hex')}`;
    });

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

function eachFile(folder: string, injure: (file: string) => void): void {
  for (const entry of readdirSync(folder, { recursive: true, withFileTypes: true }))
    if (entry.isFile()) injure(join(entry.parentPath, entry.name));
}
const emptied = (folder: string) => eachFile(folder, (file) => truncateSync(file, 0));
/** As many bytes as there were, all of them wrong. */
const rubbish = (file: string) => writeFileSync(file, Buffer.alloc(statSync(file).size, 0xa5));

test.each<[string, (pg: string) => void]>([
  ['PG_VERSION missing', (pg) => rmSync(join(pg, 'PG_VERSION'))],
  ['PG_VERSION empty', (pg) => truncateSync(join(pg, 'PG_VERSION'), 0)],
  ['pg_control missing', (pg) => rmSync(join(pg, 'global/pg_control'))],
  ['pg_control empty', (pg) => truncateSync(join(pg, 'global/pg_control'), 0)],
  ['base missing', (pg) => rmSync(join(pg, 'base'), { recursive: true })],
  ['the log missing', (pg) => rmSync(join(pg, 'pg_wal'), { recursive: true })],
  ['the log emptied', (pg) => emptied(join(pg, 'pg_wal'))],
  ['pg_control rubbish', (pg) => rubbish(join(pg, 'global/pg_control'))],
  ['pg_control cut short', (pg) => truncateSync(join(pg, 'global/pg_control'), 100)],
  ['global missing', (pg) => rmSync(join(pg, 'global'), { recursive: true })],
  ['the map of files missing', (pg) => rmSync(join(pg, 'global/pg_filenode.map'))],
  ['the states of transactions missing', (pg) => rmSync(join(pg, 'pg_xact'), { recursive: true })],
  ['every table emptied', (pg) => emptied(join(pg, 'base'))],
  ['every table rubbish', (pg) => eachFile(join(pg, 'base'), rubbish)],
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
  const before = existsSync(pg) && statSync(pg).isDirectory() ? contents(pg) : null;
  const problem = await problemOf(folder);
  expect(problem).toBeInstanceOf(StorageProblem);
  expect(problem!.message).toMatch(
    /^[^\n]* is damaged: [^\n]*Nothing has been put in its place[^\n]*$/,
  );
  expect(problem!.message).toContain(folder);
  if (before) expect(contents(pg)).toEqual(before);
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
