import { existsSync, mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { PGlite } from '@electric-sql/pglite';
import {
  flushing,
  flushTree,
  renameForGood,
  START_PARAMETERS,
  type EngineModule,
} from './flushedFolder';

/** Looks on at the engine's file layer; the tests' power cuts are made with it. */
export type FileWatch = (module: EngineModule) => void;

async function open(at: string, watch?: FileWatch): Promise<PGlite> {
  const [{ PGlite }, { NodeFS }] = await Promise.all([
    import('@electric-sql/pglite'),
    import('@electric-sql/pglite/nodefs'),
  ]);
  class FlushedFolder extends NodeFS {
    override async init(...given: Parameters<InstanceType<typeof NodeFS>['init']>) {
      const made = await super.init(...given);
      const before = made.emscriptenOpts.preRun ?? [];
      const ours = (module: unknown) => {
        flushing(module as EngineModule);
        watch?.(module as EngineModule);
      };
      return {
        emscriptenOpts: {
          ...made.emscriptenOpts,
          preRun: [...(Array.isArray(before) ? before : [before]), ours],
        },
      };
    }
  }
  return PGlite.create({ fs: new FlushedFolder(at), startParams: START_PARAMETERS });
}

/** Begun aside and flushed before it has its name: a power cut in the first second leaves nothing half. */
async function begin(folder: string): Promise<void> {
  const aside = join(folder, 'pglite-being-made');
  rmSync(aside, { recursive: true, force: true });
  mkdirSync(aside);
  await (await open(aside)).close();
  flushTree(aside);
  // An empty one may stand there, of a start that was cut off.
  rmSync(join(folder, 'pglite'), { recursive: true, force: true });
  renameForGood(aside, join(folder, 'pglite'));
}

/** The database of a data folder, every commit of which is on the disk before it is answered. */
export async function openEngine(folder: string, watch?: FileWatch): Promise<PGlite> {
  const at = join(folder, 'pglite');
  if (!existsSync(join(at, 'PG_VERSION'))) await begin(folder);
  const engine = await open(at, watch);
  const stop = keepLogShort(engine);
  const close = engine.close.bind(engine);
  engine.close = async () => {
    stop();
    await close();
  };
  return engine;
}

const LOOK_EVERY_MS = 60_000;
const MOST_LOG_BYTES = 64_000_000;

/**
 * An engine without its postmaster never makes a checkpoint by itself, and its log grows until it is
 * closed: every start after a cut would read all of it. Nor does it give back the room of rows that were
 * written over, which every save of a document leaves behind.
 */
function keepLogShort(engine: PGlite): () => void {
  let since: string | null = null;
  const look = async () => {
    const { rows } = await engine.query<{ at: string; more: string }>(
      'select pg_current_wal_lsn()::text as at, pg_wal_lsn_diff(pg_current_wal_lsn(), coalesce($1::pg_lsn, pg_current_wal_lsn()))::text as more',
      [since],
    );
    const { at, more } = rows[0]!;
    if (since !== null && Number(more) < MOST_LOG_BYTES) return;
    if (since !== null) {
      await engine.query('vacuum');
      await engine.query('checkpoint');
    }
    since = at;
  };
  const timer = setInterval(() => void look().catch(() => undefined), LOOK_EVERY_MS);
  timer.unref();
  return () => clearInterval(timer);
}
