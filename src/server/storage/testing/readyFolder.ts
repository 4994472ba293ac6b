import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
} from 'node:fs';
import { createHash } from 'node:crypto';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openDatabase } from '../database';

const MIGRATIONS = 'src/server/migrations';
const ENGINE = 'node_modules/@electric-sql/pglite/package.json';

/** What an empty data folder is made from: the engine and the migrations. */
function recipe(): string {
  const hash = createHash('sha256').update(readFileSync(ENGINE));
  for (const file of readdirSync(MIGRATIONS).filter((name) => name.endsWith('.sql')))
    hash.update(readFileSync(join(MIGRATIONS, file)));
  return hash.digest('hex').slice(0, 12);
}

/** Made aside and put in place in one go; of two processes at once the faster one's stays. */
async function makeReady(ready: string): Promise<void> {
  mkdirSync('.jar', { recursive: true });
  const being = mkdtempSync(join('.jar', 'being-made-'));
  await (await openDatabase({ folder: being })).close();
  try {
    renameSync(being, ready);
  } catch (error) {
    rmSync(being, { recursive: true });
    if (!existsSync(ready)) throw error;
  }
}

/**
 * A data folder of its own, empty, with its tables: a copy of one that is made once, since beginning
 * a database takes ten times as long as opening one. For tests only.
 */
export async function readyFolder(): Promise<string> {
  const ready = join('.jar', `ready-${recipe()}`);
  if (!existsSync(ready)) await makeReady(ready);
  const folder = mkdtempSync(join(tmpdir(), 'jar-data-'));
  cpSync(join(ready, 'pglite'), join(folder, 'pglite'), { recursive: true });
  return folder;
}
