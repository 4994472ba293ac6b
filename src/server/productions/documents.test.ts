import { readFileSync } from 'node:fs';
import { eq } from 'drizzle-orm';
import { DOCUMENT_VERSION, type Production } from '@/core/document/production';
import { png, sha256 } from '@/workers/testing';
import { mediaStore } from '../media/store';
import { productions, sinceWritten } from '../storage/schema';
import { firstRow } from './documents';
import { productionRepository } from './repository';
import { productionService, type ProductionService } from './service';
import { edit, note, rename, STORES, type Bench } from './testing/stores';

describe.each(STORES)('documents in %s', (_name, open) => {
  let bench: Bench;
  let service: ProductionService;
  /** Another server on the same store, or this one after a restart: it knows nothing yet. */
  const fresh = () => productionService(productionRepository(bench.store.db));
  beforeAll(async () => {
    bench = await open();
    service = fresh();
  });
  beforeEach(() => service.resetDemo());
  afterAll(() => bench.shut());

  const find = async (by = service) => (await by.find('night-ferry'))!;
  const save = async (change: ReturnType<typeof note>, by = service) => {
    const { document, revision } = await find(by);
    const edits = edit(document, change);
    return by.save('night-ferry', { client: 'one', baseRevision: revision, edits });
  };
  const row = async (id = 'night-ferry') => {
    const [found] = await bench.store.db.select().from(productions).where(eq(productions.id, id));
    return found!;
  };
  const beside = () => bench.store.db.select().from(sinceWritten);

  test('a save stands beside the document, and is read back whole', async () => {
    const before = await row();
    await save(note('first'));
    await save(rename('Day Ferry'));
    expect((await row()).document).toEqual(before.document);
    expect(await row()).toMatchObject({
      name: 'Day Ferry',
      revision: before.revision + 2,
      documentRevision: before.revision,
    });
    expect(await beside()).toHaveLength(2);
    expect(await find(fresh())).toEqual(await find());
    expect((await find()).document).toMatchObject({ name: 'Day Ferry', note: 'first' });
    const [listed] = await service.list();
    expect(listed).toMatchObject({
      name: 'Day Ferry',
      shots: before.document.shots.length,
      builds: before.document.builds.length,
    });
  });

  test('after a hundred it is written whole, and nothing stands beside it any more', async () => {
    const { revision } = await row();
    for (let n = 0; n < 100; n++) await save(note(`note ${n}`));
    // Written behind the last answer.
    while ((await row()).documentRevision === revision) await new Promise(setImmediate);
    expect(await row()).toMatchObject({
      documentRevision: revision + 100,
      document: { note: 'note 99' },
    });
    expect(await beside()).toEqual([]);
    await save(note('after'));
    expect(await beside()).toHaveLength(1);
    expect(await find(fresh())).toEqual(await find());
    // Windows of before can still be told what was done.
    expect((await service.newerThan('night-ferry', revision + 59)) as object).toMatchObject({
      since: { length: 42 },
    });
  });

  test('what another server has done is done here; one put in its place is not mistaken for it', async () => {
    const other = fresh();
    await find(other);
    await save(note('here'));
    await save(rename('Here'), other);
    expect((await find()).document).toMatchObject({ name: 'Here', note: 'here' });
    await other.resetDemo();
    for (let n = 0; n < 4; n++) await save(note(`anew ${n}`), other);
    expect((await find()).document).toMatchObject({ name: 'Night Ferry', note: 'anew 3' });
  });

  test('commands of an older version are lifted with their document; the next save writes it whole', async () => {
    const old = JSON.parse(
      readFileSync('src/core/document/fixtures/version-4.json', 'utf8'),
    ) as Production;
    const document = { ...old, id: 'old' as never };
    await service.bin('old');
    await bench.store.db.delete(productions).where(eq(productions.id, 'old'));
    await bench.store.db.insert(productions).values({ ...firstRow(document), revision: 2 });
    const ref = { kind: 'production' as const, id: 'old' };
    await bench.store.db.insert(sinceWritten).values({
      productionId: 'old',
      revision: 2,
      commands: [{ do: 'set', ...ref, path: ['note'], value: 'since' }],
    });
    const found = (await service.find('old'))!;
    expect(found.document).toMatchObject({ version: DOCUMENT_VERSION, note: 'since' });
    const edits = edit(found.document, rename('Newer'));
    await service.save('old', { client: 'one', baseRevision: 2, edits });
    expect(await row('old')).toMatchObject({
      documentRevision: 3,
      document: { version: DOCUMENT_VERSION, name: 'Newer', note: 'since' },
    });
  });

  test('steps with a gap are those of a document that was written whole since: they are passed over', async () => {
    await save(note('one'));
    await save(note('two'));
    const { document } = await find();
    const { revision } = await row();
    await bench.store.db.delete(sinceWritten).where(eq(sinceWritten.revision, revision - 1));
    await bench.store.db.update(productions).set({ document });
    expect((await find(fresh())).document.note).toBe('two');
  });

  test('steps that do not fit are told, and nothing is lost for whoever fetches it', async () => {
    await save(note('one'));
    const gone = { do: 'remove', kind: 'build', id: 'nobody' } as const;
    await bench.store.db.update(sinceWritten).set({ commands: [gone] });
    await expect(find(fresh())).rejects.toMatchObject({
      raw: { document: { name: 'Night Ferry' }, steps: [{ commands: [gone] }] },
    });
  });

  test('a reset that fails in its middle leaves all as it was', async () => {
    await save(note('kept'));
    const before = await find(fresh());
    const broken = new Proxy(bench.store.db, {
      get: (db, name) =>
        name === 'transaction'
          ? (work: (tx: typeof db) => Promise<unknown>) =>
              db.transaction((tx) =>
                work(
                  new Proxy(tx as typeof db, {
                    get: (inner, key) => {
                      if (key === 'insert') throw new Error('cut off');
                      return Reflect.get(inner, key);
                    },
                  }),
                ),
              )
          : Reflect.get(db, name),
    });
    const reset = productionService(productionRepository(broken)).resetDemo();
    await expect(reset).rejects.toThrow('cut off');
    expect(await find(fresh())).toEqual(before);
    expect(await beside()).toHaveLength(1);
  });

  test('a picture that only a step names is kept', async () => {
    const media = mediaStore(bench.store.db);
    const bytes = png(30);
    const hash = sha256(bytes);
    const put = await media.put(hash, new Blob([bytes]).stream());
    expect(put.ok).toBe(true);
    await save(note('one'));
    await bench.store.db
      .update(sinceWritten)
      .set({ commands: [{ do: 'set', kind: 'picture', id: 'p', path: ['media'], value: hash }] });
    const later = new Date(Date.now() + 200 * 86_400_000);
    await media.sweep(later);
    expect(await media.find(hash)).not.toBeNull();
    await service.resetDemo();
    await media.sweep(later);
    await media.sweep(new Date(later.getTime() + 200 * 86_400_000));
    expect(await media.find(hash)).toBeNull();
  });
});
