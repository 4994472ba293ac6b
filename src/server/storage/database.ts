import { sql } from 'drizzle-orm';
import { chmodSync, existsSync, mkdirSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core';
import { openEngine, type FileWatch } from './engine';
import { lockFolder } from './lock';
import { damaged, StorageProblem, unwritable } from './problem';
import * as schema from './schema';

export type Database = PgDatabase<PgQueryResultHKT, typeof schema>;

export interface OpenDatabase {
  db: Database;
  close: () => Promise<void>;
}

const MIGRATIONS = join(process.cwd(), 'src/server/migrations');

interface StorageOptions {
  /** a real PostgreSQL; wins over the folder */
  databaseUrl?: string;
  folder: string;
  /** where this process answers, if it is a server */
  port?: number;
  /** for tests: looks on at what is written and flushed */
  watch?: FileWatch;
}

/**
 * Opens the store and brings its tables up to date.
 * @throws StorageProblem when the folder is locked or unwritable, or the database unreachable
 */
export async function openDatabase({
  databaseUrl,
  ...options
}: StorageOptions): Promise<OpenDatabase> {
  return databaseUrl ? openPostgres(databaseUrl) : openFolder(options);
}

/** Step by step: Node's own recursive way never returns where a parent refuses with ENOENT. */
function makeFolder(folder: string): void {
  if (existsSync(folder)) return;
  makeFolder(dirname(folder));
  mkdirSync(folder);
}

/** What every data folder that was ever in use has; without one of them it is another, or broken. */
const MUST_BE = ['PG_VERSION', 'base', 'global/pg_control', 'pg_wal'];

/** An engine laid over half a folder would make a new, empty database of it: looked at before. */
function lookOver(folder: string): void {
  const at = join(folder, 'pglite');
  if (!existsSync(at)) return;
  if (!statSync(at).isDirectory()) throw damaged(folder, '“pglite” is no folder');
  // One that was made and never filled is begun anew.
  if (readdirSync(at).length === 0) return;
  const missing = MUST_BE.filter((name) => !existsSync(join(at, name)));
  if (missing.length > 0) throw damaged(folder, `“pglite/${missing[0]}” is missing`);
  try {
    for (const name of ['PG_VERSION', 'global/pg_control']) {
      if (readFileSync(join(at, name)).length === 0)
        throw damaged(folder, `“pglite/${name}” is empty`);
    }
  } catch (error) {
    throw error instanceof StorageProblem ? error : unwritable(folder, error);
  }
}

/** A damaged folder can leave the engine waiting for ever. */
const PATIENCE_MS = 60_000;
const inTime = <T>(folder: string, work: Promise<T>): Promise<T> => {
  let timer: NodeJS.Timeout;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(
      () => reject(damaged(folder, 'it does not open within a minute')),
      PATIENCE_MS,
    );
  });
  return Promise.race([work, late]).finally(() => clearTimeout(timer));
};

async function openFolder({
  folder: named,
  port,
  watch,
}: Omit<StorageOptions, 'databaseUrl'>): Promise<OpenDatabase> {
  const folder = resolve(named);
  // Films before they are shown are nobody else's business.
  process.umask(0o077);
  try {
    makeFolder(folder);
    chmodSync(folder, 0o700);
  } catch (error) {
    throw unwritable(folder, error);
  }
  const release = lockFolder(folder, port);
  process.once('exit', release);
  const unlock = () => {
    process.off('exit', release);
    release();
  };
  try {
    lookOver(folder);
    const [{ drizzle }, { migrate }] = await Promise.all([
      import('drizzle-orm/pglite'),
      import('drizzle-orm/pglite/migrator'),
    ]);
    const client = await inTime(folder, openEngine(folder, watch));
    const db = drizzle(client, { schema });
    await inTime(folder, migrate(db, { migrationsFolder: MIGRATIONS }));
    // Read once, so that pages that are broken are told now and not at the first click; by the engine alone.
    await inTime(
      folder,
      db.execute(sql`select
        (select sum(octet_length(document::text)) from ${schema.productions}),
        (select sum(octet_length(commands::text)) from ${schema.sinceWritten})`),
    );
    return {
      db,
      close: async () => {
        await client.close();
        unlock();
      },
    };
  } catch (error) {
    unlock();
    throw asProblem(folder, error);
  }
}

/** Whatever the engine says of a folder it cannot use, in one line. */
function asProblem(folder: string, error: unknown): StorageProblem {
  if (error instanceof StorageProblem) return error;
  try {
    return unwritable(folder, error);
  } catch {
    const why = ((error as Error | undefined)?.message ?? String(error)).split('\n')[0]!;
    return /no space|disk full|ENOSPC/i.test(why)
      ? unwritable(folder, { code: 'ENOSPC' })
      : damaged(folder, why.replace(/\.$/, ''));
  }
}

/** Connections of one server, and how long it waits for one, for an answer, and for a lock. */
const POOL = {
  max: 10,
  connectionTimeoutMillis: 5000,
  idleTimeoutMillis: 30_000,
  statement_timeout: 30_000,
  query_timeout: 35_000,
  lock_timeout: 10_000,
  keepAlive: true,
};
/** Number of the lock that lets one of several servers bring the tables up to date; any number nobody else uses. */
const MIGRATING = 4_680_018;

async function openPostgres(url: string): Promise<OpenDatabase> {
  const [{ Pool }, { drizzle }, { migrate }] = await Promise.all([
    import('pg'),
    import('drizzle-orm/node-postgres'),
    import('drizzle-orm/node-postgres/migrator'),
  ]);
  const pool = new Pool({ connectionString: url, ...POOL });
  // An idle connection that breaks is replaced when the next one is asked for.
  pool.on('error', () => undefined);
  try {
    const db = drizzle(pool, { schema });
    const one = await pool.connect();
    try {
      await one.query('select pg_advisory_lock($1)', [MIGRATING]);
      await migrate(drizzle(one, { schema }), { migrationsFolder: MIGRATIONS });
      await one.query('select pg_advisory_unlock($1)', [MIGRATING]);
    } finally {
      // With the connection goes the lock, should anything have failed.
      one.release(true);
    }
    return { db, close: () => pool.end() };
  } catch (error) {
    await pool.end();
    const why = (error as Error).cause ?? error;
    throw new StorageProblem(
      'unreachable',
      `The database named by DATABASE_URL cannot be used: ${(why as Error).message}.`,
    );
  }
}
