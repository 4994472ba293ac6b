import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openDatabase } from './database';
import { cutThePower } from './testing/cuts';
import { WatchedDisk } from './testing/powerCut';
import { readyFolder } from './testing/readyFolder';

test('what was acknowledged survives a power cut, and every folder opens', async () => {
  const { acknowledged, lost } = await cutThePower(25, 8, 20261128);
  expect(acknowledged).toBe(25);
  expect(lost).toEqual([]);
}, 180_000);

test('a save is flushed before it is answered, reading is not', async () => {
  const folder = await readyFolder();
  const disk = new WatchedDisk(join(folder, 'pglite'), mkdtempSync(join(tmpdir(), 'jar-base-')));
  const { db, close } = await openDatabase({ folder, watch: disk.watch });
  const flushes = () => disk.orders.filter((order) => order.do === 'flush').length;
  for (let n = 0; n < 3; n++) {
    const before = flushes();
    await db.execute(`insert into settings values ('n${n}', 'x')`);
    expect(flushes()).toBeGreaterThan(before);
    const after = flushes();
    await db.execute('select * from settings');
    expect(flushes()).toBe(after);
  }
  await close();
});
