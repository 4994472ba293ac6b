import { createHash } from 'node:crypto';
import {
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DOCUMENT_VERSION } from '@/core/document/production';
import { nightFerry } from '@/demo/nightFerry';
import { keepDemoPhotographs } from '../media/demo';
import { mediaStore } from '../media/store';
import { firstRow } from '../productions/documents';
import { productionRepository } from '../productions/repository';
import { productionService } from '../productions/service';
import { edit, rename } from '../productions/testing/stores';
import { openDatabase, type OpenDatabase } from '../storage/database';
import { productions } from '../storage/schema';
import { readyFolder } from '../storage/testing/readyFolder';
import { writeBackup } from './files';
import { restore } from './restore';
import { stampOf } from './stamp';
import { backUpWhatIsDue, backupsOf, keptBackups } from './rotation';

const fresh = () => mkdtempSync(join(tmpdir(), 'jar-backup-'));
const HOUR = 3_600_000;

/** A store with the demo and its photographs, one production in the bin, one of an old version, an edit noted. */
async function filled(): Promise<OpenDatabase & { folder: string }> {
  const folder = await readyFolder();
  const store = await openDatabase({ folder });
  const service = productionService(productionRepository(store.db));
  await service.fillDemoOnce(() => keepDemoPhotographs(mediaStore(store.db)));
  const { document, revision } = (await service.find('night-ferry'))!;
  await service.save('night-ferry', {
    client: 'w',
    baseRevision: revision,
    edits: edit(document, rename('Day Ferry')),
  });
  const binned = await service.import({ ...nightFerry(), name: 'Binned' });
  if (!binned.ok) throw new Error('import');
  await service.bin(binned.value);
  const old = JSON.parse(readFileSync('src/core/document/fixtures/version-3.json', 'utf8'));
  await store.db.insert(productions).values({ ...firstRow(old), id: 'old' });
  return { ...store, folder };
}

/** All a store holds that somebody could miss; revisions go on after a backup is taken back. */
async function contents(folder: string) {
  const { db, close } = await openDatabase({ folder });
  const service = productionService(productionRepository(db));
  const store = mediaStore(db);
  const list = (await service.list()).map((entry) => ({ ...entry, revision: null }));
  const found = await Promise.all(list.map(async ({ id }) => (await service.find(id))!.document));
  const pictures = await Promise.all(
    found
      .flatMap((document) => document.pictures)
      .map(async ({ media }) => {
        const bytes = await new Response(store.read(media)).arrayBuffer();
        return createHash('sha256').update(new Uint8Array(bytes)).digest('hex') === media;
      }),
  );
  const log = await service.log('night-ferry');
  const bin = await service.inBin();
  await close();
  return { list, found, pictures, log, bin };
}

test('out into a file and in again elsewhere: productions, bin, log and every picture', async () => {
  const { db, close, folder } = await filled();
  const file = join(fresh(), 'all.zip');
  const list = await writeBackup(db, file, true);
  expect(list).toMatchObject({ productions: 3, mediaInside: true });
  await close();
  const there = join(fresh(), 'new');
  const restored = await restore(there, file);
  expect(restored).toMatchObject({ productions: 3, before: null, passedOver: [] });
  const [was, is] = [await contents(folder), await contents(there)];
  expect(is).toEqual(was);
  expect(is.pictures.length).toBeGreaterThan(0);
  expect(is.pictures.every(Boolean)).toBe(true);
  // One made by an older version opens in this one: its documents are lifted when they are read.
  expect(is.found.map(({ version }) => version)).toEqual([DOCUMENT_VERSION, DOCUMENT_VERSION]);
  expect(is.log).toMatchObject([{ label: 'x', who: '' }]);
});

test('a window that was open meanwhile takes nothing of what is done after for its own', async () => {
  const { db, close, folder } = await filled();
  const service = productionService(productionRepository(db));
  const file = join(fresh(), 'all.zip');
  await writeBackup(db, file, true);
  const before = (await service.find('night-ferry'))!;
  const save = async (by: typeof service, words: string) => {
    const { document, revision } = (await by.find('night-ferry'))!;
    const edits = edit(document, rename(words));
    await by.save('night-ferry', { client: 'w', baseRevision: revision, edits });
  };
  for (let n = 0; n < 3; n++) await save(service, `since ${n}`);
  const open = (await service.find('night-ferry'))!.revision;
  await close();
  await restore(folder, file, new Date(Date.now() + 60_000));
  const again = await openDatabase({ folder });
  const restored = productionService(productionRepository(again.db));
  const now = (await restored.find('night-ferry'))!;
  expect(now.document).toEqual(before.document);
  expect(now.revision).toBeGreaterThan(open);
  for (let n = 0; n < 5; n++) await save(restored, `anew ${n}`);
  // It is sent the whole document: nobody knows how its state came about.
  expect(await restored.newerThan('night-ferry', open)).toMatchObject({ since: null });
  await again.close();
});

describe('rotating', () => {
  let store: Awaited<ReturnType<typeof filled>>;
  let now: number;
  beforeAll(async () => {
    store = await filled();
    // Names tell whole seconds: the demo was filled in before this one.
    now = Date.now() + 1000;
  });
  afterAll(() => store.close());

  const due = (hours: number) =>
    backUpWhatIsDue(store.db, store.folder, new Date(now + hours * HOUR));
  const change = (hours: number) =>
    store.db.update(productions).set({ updatedAt: new Date(now + hours * HOUR) });
  const kinds = () => keptBackups(store.folder).map(({ kind }) => kind);

  test('one an hour and one a day, and none when nothing has changed', async () => {
    expect(await due(0)).toHaveLength(2);
    expect(await due(0.5)).toEqual([]);
    expect(await due(2)).toEqual([]);
    await change(2.5);
    expect(await due(2.6)).toHaveLength(1);
    expect(kinds()).toEqual(['hourly', 'hourly', 'daily']);
    await change(30);
    expect(await due(31)).toHaveLength(2);
    // What is owned at home, and what goes into the bin, are changes too.
    const service = productionService(productionRepository(store.db));
    jest.useFakeTimers({
      now: now + 32 * HOUR,
      doNotFake: ['nextTick', 'setImmediate', 'setTimeout'],
    });
    await service.keepOwnShelf({ currency: 'EUR', shelf: { units: [], parts: [] } });
    expect(await due(33)).toHaveLength(1);
    jest.setSystemTime(now + 34 * HOUR);
    await service.bin('night-ferry');
    jest.useRealTimers();
    expect(await due(35)).toHaveLength(1);
  });

  test('a copy of a picture that spoiled is made anew with the next daily one', async () => {
    const beside = join(backupsOf(store.folder), 'media');
    const [name] = readdirSync(beside);
    const file = join(beside, name!);
    const good = readFileSync(file);
    const spoil = (bytes: Buffer) => writeFileSync(file, bytes);
    // Its length tells within the hour, its content within a day.
    spoil(good.subarray(0, 100));
    await change(36);
    expect(await due(36.5)).toHaveLength(1);
    expect(readFileSync(file)).toEqual(good);
    spoil(Buffer.from(good).fill(7, 50, 60));
    await change(60);
    expect(await due(61)).toHaveLength(2);
    expect(readFileSync(file)).toEqual(good);
  });

  test('24 hourly and 14 daily are kept, and the pictures they name', async () => {
    const at = backupsOf(store.folder);
    const name = (kind: string, ms: number) => join(at, `${kind}-${stampOf(new Date(ms))}.zip`);
    const sample = readFileSync(keptBackups(store.folder)[0]!.file);
    for (let n = 1; n <= 30; n++) writeFileSync(name('hourly', now - n * HOUR), sample);
    for (let n = 1; n <= 20; n++) writeFileSync(name('daily', now - n * 24 * HOUR), sample);
    writeFileSync(join(at, 'media', 'f'.repeat(64)), 'named by nobody');
    const before = readdirSync(join(at, 'media')).length;
    await change(70);
    await due(71);
    expect(kinds().filter((kind) => kind === 'hourly')).toHaveLength(24);
    expect(kinds().filter((kind) => kind === 'daily')).toHaveLength(14);
    expect(readdirSync(join(at, 'media'))).toHaveLength(before - 1);
  });
});

describe('a damaged folder', () => {
  /** With two backups; then its heart is taken out. */
  async function broken() {
    const { db, close, folder } = await filled();
    await backUpWhatIsDue(db, folder);
    const was = await contentsLater(folder, close);
    rmSync(join(folder, 'pglite', 'global', 'pg_control'));
    return { folder, was };
  }
  const contentsLater = async (folder: string, close: () => Promise<void>) => {
    await close();
    return contents(folder);
  };

  test('is told in a line that names the way back, and comes back by it; what was there stays', async () => {
    const { folder, was } = await broken();
    await expect(openDatabase({ folder })).rejects.toThrow(
      `./jar restore --data ${folder} brings back the newest of 2 backups`,
    );
    const restored = await restore(folder, null);
    expect(restored).toMatchObject({ productions: 3, passedOver: [] });
    expect(await contents(folder)).toEqual(was);
    expect(existsSync(join(restored.before!, 'base'))).toBe(true);
    expect(existsSync(join(restored.before!, 'global', 'pg_control'))).toBe(false);
  });

  test.each<[string, (folder: string) => void]>([
    ['cut off', (folder) => truncateSync(keptBackups(folder)[0]!.file, 5000)],
    ['another file', (folder) => writeFileSync(keptBackups(folder)[0]!.file, 'x'.repeat(4000))],
    [
      'one byte changed',
      (folder) => {
        const { file } = keptBackups(folder)[0]!;
        const bytes = readFileSync(file);
        bytes[3000] = bytes[3000]! ^ 0xff;
        writeFileSync(file, bytes);
      },
    ],
  ])('a newest backup that is %s is passed over and told', async (_name, spoil) => {
    const { folder, was } = await broken();
    spoil(folder);
    const restored = await restore(folder, null);
    expect(restored.passedOver).toHaveLength(1);
    expect(restored.passedOver[0]).toMatch(/is no backup that can be used: /);
    expect(await contents(folder)).toEqual(was);
  });

  test('without a backup, or with a file that is none, nothing is touched', async () => {
    const { folder } = await broken();
    rmSync(backupsOf(folder), { recursive: true });
    const before = readdirSync(join(folder, 'pglite'), { recursive: true });
    await expect(restore(folder, null)).rejects.toThrow('There is no backup in');
    const none = join(fresh(), 'none.zip');
    writeFileSync(none, 'PK rubbish');
    await expect(restore(folder, none)).rejects.toThrow('is no backup that can be used');
    await expect(restore(folder, '/nowhere.zip')).rejects.toThrow('there is no such file');
    expect(readdirSync(join(folder, 'pglite'), { recursive: true })).toEqual(before);
    expect(existsSync(join(folder, 'being-restored'))).toBe(false);
  });

  test('a folder in use is not restored', async () => {
    const { folder, close } = await filled();
    await expect(restore(folder, null)).rejects.toThrow('in use by process');
    await close();
  });
});
