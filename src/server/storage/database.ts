import { existsSync, mkdirSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core';
import { lockFolder } from './lock';
import { StorageProblem, unwritable } from './problem';
import * as schema from './schema';

export type Database = PgDatabase<PgQueryResultHKT, typeof schema>;

export interface OpenDatabase {
  db: Database;
  close: () => Promise<void>;
}

const MIGRATIONS = join(process.cwd(), 'src/server/migrations');

export interface StorageOptions {
  /** a real PostgreSQL; wins over the folder */
  databaseUrl?: string;
  folder: string;
}

/**
 * Opens the store and brings its tables up to date.
 * @throws StorageProblem when the folder is locked or unwritable, or the database unreachable
 */
export async function openDatabase({ databaseUrl, folder }: StorageOptions): Promise<OpenDatabase> {
  return databaseUrl ? openPostgres(databaseUrl) : openFolder(resolve(folder));
}

/** Step by step: Node's own recursive way never returns where a parent refuses with ENOENT. */
function makeFolder(folder: string): void {
  if (existsSync(folder)) return;
  makeFolder(dirname(folder));
  mkdirSync(folder);
}

async function openFolder(folder: string): Promise<OpenDatabase> {
  try {
    makeFolder(folder);
  } catch (error) {
    throw unwritable(folder, error);
  }
  const unlock = lockFolder(folder);
  process.once('exit', unlock);
  try {
    const [{ PGlite }, { drizzle }, { migrate }] = await Promise.all([
      import('@electric-sql/pglite'),
      import('drizzle-orm/pglite'),
      import('drizzle-orm/pglite/migrator'),
    ]);
    const client = await PGlite.create(join(folder, 'pglite'));
    const db = drizzle(client, { schema });
    await migrate(db, { migrationsFolder: MIGRATIONS });
    return {
      db,
      close: async () => {
        await client.close();
        unlock();
      },
    };
  } catch (error) {
    unlock();
    throw error;
  }
}

async function openPostgres(url: string): Promise<OpenDatabase> {
  const [{ Pool }, { drizzle }, { migrate }] = await Promise.all([
    import('pg'),
    import('drizzle-orm/node-postgres'),
    import('drizzle-orm/node-postgres/migrator'),
  ]);
  const pool = new Pool({ connectionString: url });
  try {
    const db = drizzle(pool, { schema });
    await migrate(db, { migrationsFolder: MIGRATIONS });
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
