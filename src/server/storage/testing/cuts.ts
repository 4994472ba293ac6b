import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { isDeepStrictEqual } from 'node:util';
import type { Command } from '@/core/document/edit';
import type { Production } from '@/core/document/production';
import { productionIdSchema } from '@/core/ids';
import { nightFerry } from '@/demo/nightFerry';
import { productionRepository } from '../../productions/repository';
import { openDatabase } from '../database';
import { dice, WatchedDisk } from './powerCut';
import { readyFolder } from './readyFolder';

const WHOLE_EVERY = 7;

export interface CutsOutcome {
  cuts: number;
  acknowledged: number;
  /** what went wrong, one line each */
  lost: string[];
}

const ID = productionIdSchema.parse('cut');
/** As JSON, which is how it lies in the table. */
const ferry = JSON.stringify(nightFerry());

/** A production that tells which save it is of. */
const withName = (n: number): Production => ({
  ...(JSON.parse(ferry) as Production),
  id: ID,
  name: `Save ${n}`,
});

const named = (n: number): Command => ({
  do: 'set',
  kind: 'production',
  id: ID,
  path: ['name'],
  value: `Save ${n}`,
});

/**
 * Saves again and again, then cuts the power at random moments of all that was asked of the disk
 * meanwhile: every folder must open, and hold the newest save that was acknowledged by then, whole.
 * @param checkpointEvery  saves between checkpoints: these write in place what the log holds
 */
export async function cutThePower(
  saves: number,
  cuts: number,
  seed: number,
  checkpointEvery = 10,
): Promise<CutsOutcome> {
  const random = dice(seed);
  const work = mkdtempSync(join(tmpdir(), 'jar-cuts-'));
  const folder = await readyFolder();
  const disk = new WatchedDisk(join(folder, 'pglite'), join(work, 'baseline'));
  const { db, close } = await openDatabase({ folder, watch: disk.watch });
  const repository = productionRepository(db);
  /** orders given by the time a save was answered */
  const answered: { save: number; orders: number }[] = [];
  await repository.insert(withName(1));
  answered.push({ save: 1, orders: disk.orders.length });
  for (let n = 2; n <= saves; n++) {
    await repository.replace(ID, {
      from: (await repository.standing(ID))!,
      document: withName(n),
      // Beside the document, and now and then in its place.
      steps: n % WHOLE_EVERY === 0 ? null : [{ revision: n, commands: [named(n)] }],
      edits: [{ id: `edit-${n}`, client: 'test', label: 'save', who: '', revision: n }],
    });
    answered.push({ save: n, orders: disk.orders.length });
    if (n % checkpointEvery === 0) await db.execute('checkpoint');
  }
  await close();
  rmSync(folder, { recursive: true });
  const lost: string[] = [];
  for (let cut = 0; cut < cuts; cut++) {
    const moment = 1 + Math.floor(random() * disk.orders.length);
    const least = answered.findLast(({ orders }) => orders <= moment)?.save ?? 0;
    const left = join(work, `cut-${cut}`);
    disk.leaveAt(moment, join(left, 'pglite'), random);
    const wrong = await whatIsWrong(left, least);
    if (wrong) lost.push(`cut ${cut} of seed ${seed}, after ${moment} orders: ${wrong}`);
    rmSync(left, { recursive: true });
  }
  rmSync(work, { recursive: true });
  return { cuts, acknowledged: answered.length, lost };
}

async function whatIsWrong(folder: string, least: number): Promise<string | null> {
  try {
    const { db, close } = await openDatabase({ folder });
    try {
      const row = await productionRepository(db).find(ID);
      if (!row) return least > 0 ? `save ${least} was acknowledged, nothing is there` : null;
      if (row.revision < least) return `save ${least} was acknowledged, ${row.revision} is there`;
      return isDeepStrictEqual(row.document, withName(row.revision))
        ? null
        : `save ${row.revision} is not whole`;
    } finally {
      await close();
    }
  } catch (error) {
    return (error as Error).message;
  }
}
