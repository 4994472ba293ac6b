import { readFileSync } from 'node:fs';
import { nanoid } from 'nanoid';
import { addRecord, commandSchema, type Command } from '@/core/document/edit';
import { DOCUMENT_VERSION, type Production } from '@/core/document/production';
import { LOOK_OVER } from '@/core/power/wire';
import { nightFerry } from '@/demo/nightFerry';
import { openDatabase } from '../storage/database';
import { StorageProblem } from '../storage/problem';
import { productions } from '../storage/schema';
import { firstRow } from './documents';
import { productionRepository } from './repository';
import { productionService, type ProductionService } from './service';
import type { SaveRequest } from './saveRequest';
import { freePort } from '../testing/freePort';
import { edit, note, rename, STORES, type Bench } from './testing/stores';

describe.each(STORES)('productions in %s', (_name, open) => {
  let bench: Bench;
  let service: ProductionService;
  beforeAll(async () => {
    bench = await open();
    service = productionService(productionRepository(bench.store.db));
  });
  afterAll(() => bench.shut());

  test('the demo is put in once, and not again after it was deleted', async () => {
    await service.fillDemoOnce();
    expect((await service.list()).map(({ name, shots, builds }) => [name, shots, builds])).toEqual([
      ['Night Ferry', 7, nightFerry().builds.length],
    ]);
    await service.bin('night-ferry');
    await service.fillDemoOnce();
    expect(await service.list()).toEqual([]);
    expect(await service.find('night-ferry')).toBeNull();
    expect(await service.takeBack('night-ferry')).toBe(true);
    expect((await service.find('night-ferry'))!.document).toEqual(nightFerry());
  });

  test('what its owner has at home comes onto a new shelf when it is asked for', async () => {
    const { shelf, currency } = nightFerry();
    const owned = shelf.units.filter(({ onHand }) => onHand > 0);
    expect((await service.ownShelf()).shelf.units).toEqual([]);
    await service.keepOwnShelf({ currency, shelf: { units: owned, parts: [] } });
    const given = { region: 'eu-230-50', currency: 'EUR' } as const;
    const own = await service.create({ name: 'With mine', ...given, own: true });
    const bare = await service.create({ name: 'Without', ...given });
    const onHand = async (id: string) =>
      (await service.find(id))!.document.shelf.units.filter((unit) => unit.onHand > 0).length;
    expect([await onHand(own), await onHand(bare)]).toEqual([owned.length, 0]);
  });
  test('one broken thing at home is passed over, the others stay', async () => {
    const [good] = nightFerry().shelf.units;
    const units = [
      { ...good!, onHand: 3 },
      { ...good!, id: 'broken', wattsW: -4 },
    ];
    const kept = JSON.stringify({ currency: 'EUR', shelf: { units, parts: [{ role: 'gone' }] } });
    await productionRepository(bench.store.db).setSetting('own-shelf', kept);
    expect((await service.ownShelf()).shelf).toMatchObject({
      units: [{ id: good!.id }],
      parts: [],
    });
  });

  const saving = (baseRevision: number, edits: SaveRequest['edits'], client = 'one') =>
    service.save('night-ferry', { client, baseRevision, edits });
  const now = async () => (await service.find('night-ferry'))!;

  test('a save raises the revision; a stale one is refused and brings the newer state', async () => {
    const { document, revision } = await now();
    const edits = edit(document, rename('Day Ferry'));
    const saved = await saving(revision, edits);
    expect(saved).toEqual({ kind: 'saved', revision: revision + 1, refused: [] });
    expect(await saving(revision, edits)).toEqual(saved);
    const stale = await saving(revision, edit(document, rename('Other')), 'two');
    expect(stale).toMatchObject({ kind: 'stale', newer: { revision: revision + 1 } });
    expect((await service.list())[0]!.name).toBe('Day Ferry');
  });

  test('a sign-off for a light whose gate is shut is refused, and costs the other edits nothing', async () => {
    const { document, revision } = await now();
    const record = {
      id: 'false-look',
      name: 'Nobody',
      date: '2026-11-26',
      checked: [...LOOK_OVER],
      design: 'whatever',
      copy: 1,
      seen: {},
    };
    const sign = (of: string) => edit(document, addRecord({ kind: 'signOff', of }, record));
    const outcome = await saving(revision, [
      ...sign('warm-ring'),
      ...sign('clerk-ring'),
      ...edit(document, note('kept')),
    ]);
    expect(outcome).toMatchObject({ kind: 'saved', revision: revision + 1 });
    const messages =
      outcome.kind === 'saved' ? outcome.refused.map(({ problems }) => problems[0]!.message) : [];
    expect(messages[0]).toContain('gate is shut');
    expect(messages[1]).toContain('has changed since');
    const kept = (await now()).document;
    expect(kept.builds.flatMap(({ signOffs }) => signOffs)).toEqual([]);
    expect(kept.note).toBe('kept');
  });

  test('a window that never heard its saves were taken sends them again with what came after', async () => {
    const { document, revision } = await now();
    const copy = { ...document.builds[0]!, id: 'a-copy' as never };
    const first = edit(document, addRecord({ kind: 'build' }, copy));
    const second = edit(document, note('two'));
    const third = edit(document, note('three'));
    await saving(revision, first);
    await saving(revision, [...first, ...second]);
    // Two answers lost in a row: still no conflict with itself, and nothing made twice.
    expect(await saving(revision, [...first, ...second, ...third])).toEqual({
      kind: 'saved',
      revision: revision + 3,
      refused: [],
    });
    const stored = (await now()).document;
    expect(stored.note).toBe('three');
    expect(stored.builds.filter(({ id }) => id === 'a-copy')).toHaveLength(1);
  });

  test('a window that comes back learns what became of its edits', async () => {
    const { document, revision } = await now();
    const taken = edit(document, note('taken'));
    const lost = edit(document, note('lost'));
    await saving(revision, taken);
    const ids = [...taken, ...lost].map(({ id }) => id);
    const asked = { client: 'one', revision, edits: ids };
    expect(await service.since('night-ferry', asked)).toMatchObject({
      revision: revision + 1,
      taken: [taken[0]!.id],
      movedOn: false,
    });
    await saving(revision + 1, edit(document, note('else')), 'two');
    expect(await service.since('night-ferry', asked)).toMatchObject({ movedOn: true });
    expect(await service.since('nobody', asked)).toBeNull();
  });

  test('ids of a thousand past edits are known', async () => {
    const { document, revision } = await now();
    const first = edit(document, note('first'));
    await saving(revision, first);
    for (let k = 0; k < 3; k++) {
      const { revision: base } = await now();
      const many = Array.from({ length: 330 }, (_, n) => edit(document, note(`${k} ${n}`))[0]!);
      await saving(base, many);
    }
    const { revision: base, document: before } = await now();
    expect(await saving(base, first)).toMatchObject({ revision: base, refused: [] });
    expect((await now()).document.note).toBe(before.note);
  });

  test('of two saves of the same field at once exactly one wins', async () => {
    const { document, revision } = await now();
    const kinds = await Promise.all(
      ['A', 'B'].map((name) => saving(revision, edit(document, rename(name)), name)),
    );
    expect(kinds.map(({ kind }) => kind).sort()).toEqual(['saved', 'stale']);
  });

  test('what is wrong is refused by itself, with its place; the rest of the request is taken', async () => {
    const before = await now();
    const bad: Command[][] = [
      [{ do: 'set', kind: 'shot', id: 'clerk', path: ['distanceM'], value: -1 }],
      [{ do: 'set', kind: 'production', id: 'night-ferry', path: ['version'], value: 7 }],
      [{ do: 'remove', kind: 'shot', id: 'clerk' }],
      [{ do: 'set', kind: 'shot', id: 'nowhere', path: ['name'], value: 'x' }],
      [
        {
          do: 'set',
          kind: 'build',
          id: 'clerk-ring',
          path: ['parameters', 'socketCount'],
          value: 1e6,
        },
      ],
    ];
    const edits = [
      ...bad.map((commands, k) => ({ id: `bad-${k}-${nanoid(4)}`, label: 'x', commands })),
      ...edit(before.document, note('good')),
    ];
    const outcome = await saving(before.revision, edits);
    if (outcome.kind !== 'saved') throw new Error(outcome.kind);
    expect(outcome.refused.map(({ id }) => id)).toEqual(edits.slice(0, -1).map(({ id }) => id));
    expect(outcome.refused[0]!.problems[0]!.at).toMatchObject({
      kind: 'shot',
      id: 'clerk',
      path: ['distanceM'],
    });
    expect(await now()).toEqual({
      revision: before.revision + 1,
      document: { ...before.document, note: 'good' },
    });
    const alone = await saving(before.revision + 1, edits.slice(0, 1));
    expect(alone).toMatchObject({ kind: 'saved', revision: before.revision + 1 });
    expect(await service.save('nobody', { client: 'x', baseRevision: 1, edits })).toEqual({
      kind: 'missing',
    });
  });

  test('the length of a list is no field: the server is not held up for a minute', () => {
    for (const length of [1e8, 4294967295])
      expect(
        commandSchema.safeParse({
          do: 'set',
          kind: 'production',
          id: 'night-ferry',
          path: ['builds', 'length'],
          value: length,
        }).success,
      ).toBe(true);
    return now().then(async ({ revision }) => {
      const commands: Command[] = [
        { do: 'set', kind: 'production', id: 'x', path: ['builds', 'length'], value: 1e8 },
      ];
      const outcome = await saving(revision, [{ id: nanoid(6), label: 'x', commands }]);
      expect(outcome).toMatchObject({ kind: 'saved', revision, refused: [{}] });
    });
  });

  test('a document of an older version in the table is lifted when it is read', async () => {
    const old = JSON.parse(
      readFileSync('src/core/document/fixtures/version-4.json', 'utf8'),
    ) as Production;
    await bench.store.db
      .insert(productions)
      .values({ ...firstRow({ ...old, id: 'old' as never }), revision: 3, documentRevision: 3 });
    const found = (await service.find('old'))!;
    expect(found.document).toMatchObject({ version: DOCUMENT_VERSION, setups: [] });
    const saved = await service.save('old', {
      client: 'one',
      baseRevision: 3,
      edits: edit(found.document, rename('Newer')),
    });
    expect(saved).toMatchObject({ kind: 'saved', revision: 4 });
    expect((await service.find('old'))!.document).toMatchObject({
      version: DOCUMENT_VERSION,
      name: 'Newer',
    });
  });

  test('one that cannot be read says so, is kept, and can be fetched as it is', async () => {
    const odd = { format: 'lantern-jar-production', version: 99, shots: [], builds: [] };
    await bench.store.db
      .insert(productions)
      .values({ ...firstRow(odd as never), id: 'odd', name: 'Odd' });
    await expect(service.find('odd')).rejects.toMatchObject({ raw: odd });
    await expect(service.find('odd')).rejects.toThrow(/version 99/);
  });

  test('import takes a whole document under a free id, or nothing', async () => {
    const taken = await service.import(JSON.parse(JSON.stringify(nightFerry())));
    expect(taken.ok && taken.value).toMatch(/^night-ferry-/);
    const count = (await service.list()).length;
    expect((await service.import({ format: 'lantern-jar-production', version: 99 })).ok).toBe(
      false,
    );
    expect((await service.import('rubbish')).ok).toBe(false);
    expect(await service.list()).toHaveLength(count);
  });

  test('a new production starts with a typical shelf, nothing of it on hand', async () => {
    const id = await service.create({ name: 'Mine', region: 'na-120-60', currency: 'USD' });
    const { document } = (await service.find(id))!;
    expect(document.circuits[0]).toMatchObject({ voltageV: 120, ratedA: 20 });
    expect(document.shelf.units.every(({ onHand }) => onHand === 0)).toBe(true);
    expect(document.shots).toEqual([]);
  });

  test('reset puts the sample back as it was', async () => {
    await service.resetDemo();
    const { revision } = await now();
    await saving(revision, edit((await now()).document, rename('Day Ferry')));
    await service.resetDemo();
    expect(await service.find('night-ferry')).toEqual({
      // Beyond what windows may still know.
      revision: revision + 2,
      document: nightFerry(),
    });
  });
});

test('an unreachable database is a clear problem', async () => {
  const port = await freePort();
  const opening = openDatabase({ databaseUrl: `postgres://u@127.0.0.1:${port}/x`, folder: '' });
  await expect(opening).rejects.toThrow(StorageProblem);
});
