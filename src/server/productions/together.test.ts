import { changeRecord } from '@/core/document/edit';
import { after } from '@/core/document/testing';
import type { Device } from '../share/devices';
import { productionRepository } from './repository';
import type { SaveRequest } from './saveRequest';
import { productionService, type ProductionService } from './service';
import { edit, note, rename, STORES, type Bench } from './testing/stores';

describe.each(STORES)('several at work in %s', (_name, open) => {
  let bench: Bench;
  let service: ProductionService;
  beforeAll(async () => {
    bench = await open();
    service = productionService(productionRepository(bench.store.db));
  });
  beforeEach(() => service.resetDemo());
  afterAll(() => bench.shut());

  const saving = (
    baseRevision: number,
    edits: SaveRequest['edits'],
    client = 'one',
    by: Device | null = null,
  ) => service.save('night-ferry', { client, baseRevision, edits }, by);
  const now = async () => (await service.find('night-ferry'))!;

  test('what touches nothing of others is put beside theirs, and all comes back', async () => {
    const { document, revision } = await now();
    const [theirs] = edit(document, rename('Theirs'));
    const [mine] = edit(document, note('mine'));
    await saving(revision, [theirs!], 'two');
    const outcome = await saving(revision, [mine!]);
    expect(outcome).toMatchObject({
      kind: 'saved',
      revision: revision + 2,
      refused: [],
      beside: { revision: revision + 2, document: { name: 'Theirs', note: 'mine' } },
    });
    if (outcome.kind !== 'saved') throw new Error(outcome.kind);
    const { since } = outcome.beside!;
    expect(since).toMatchObject([{ value: 'Theirs' }, { value: 'mine' }]);
    expect(after(document, () => [...since!])).toEqual((await now()).document);
    // A window that knows nothing newer is sent nothing; one that stands too far back gets it whole.
    expect(await service.newerThan('night-ferry', revision + 2)).toBeNull();
    expect(await service.newerThan('night-ferry', revision)).toMatchObject({ since });
    expect(await service.newerThan('night-ferry', 0)).toMatchObject({ since: null });
    expect(await service.newerThan('nobody', 0)).toBe('missing');
    // The same field is a question, and so is an edit that does not say what it found.
    const [touching] = edit(document, rename('Mine'));
    expect((await saving(revision, [touching!])).kind).toBe('stale');
    const [{ id, label, commands }] = edit(document, note('mute')) as [
      SaveRequest['edits'][number],
    ];
    expect((await saving(revision, [{ id, label, commands }])).kind).toBe('stale');
    expect((await now()).document).toMatchObject({ name: 'Theirs', note: 'mine' });
  });

  test('twenty at once: each is taken, none is lost', async () => {
    const { document, revision } = await now();
    const outcomes = await Promise.all(
      document.builds.map(({ id }, n) =>
        saving(
          revision,
          edit(
            document,
            changeRecord({ kind: 'build', id }, (draft) => void (draft.note = `${n}`)),
          ),
          `window ${n}`,
        ),
      ),
    );
    expect(outcomes.map(({ kind }) => kind)).toEqual(document.builds.map(() => 'saved'));
    const after = await now();
    expect(after.document.builds.map(({ note }) => note)).toEqual(
      document.builds.map((_build, n) => `${n}`),
    );
    expect(after.revision).toBe(revision + document.builds.length);
  });

  test('a device that may tick: what is its to do is taken under its name, the rest refused', async () => {
    const phone: Device = { id: 'd', name: 'Ines’s phone', right: 'tick' };
    const { document, revision } = await now();
    const making = document.makings[0]!;
    const tick = edit(
      document,
      changeRecord({ kind: 'making', id: making.id }, (draft) => {
        draft.timers.glue = { startedAt: '2026-11-28T10:00:00Z', minutes: 5 };
      }),
    );
    const outcome = await saving(
      revision,
      [...tick, ...edit(document, rename('Not for a phone'))],
      'phone',
      phone,
    );
    if (outcome.kind !== 'saved') throw new Error(outcome.kind);
    expect(outcome.refused.map(({ problems }) => problems[0]!.code)).toEqual(['not_allowed']);
    const after = (await now()).document;
    expect(after.name).toBe(document.name);
    expect(after.makings[0]!.timers.glue).toMatchObject({ minutes: 5 });
    const [line] = await service.log('night-ferry');
    expect(line).toMatchObject({ id: tick[0]!.id, who: 'Ines’s phone' });
    const read = await saving(revision + 1, edit(after, note('x')), 'p', {
      ...phone,
      right: 'read',
    });
    expect(read).toMatchObject({ kind: 'saved', revision: revision + 1 });
  });

  test('the bin: what lies in it can be seen and taken back for thirty days', async () => {
    await service.bin('night-ferry');
    expect(await service.inBin()).toMatchObject([{ id: 'night-ferry' }]);
    const days = (count: number) => new Date(Date.now() + count * 86_400_000);
    expect(await service.emptyBin(days(29))).toBe(0);
    expect(await service.takeBack('night-ferry')).toBe(true);
    expect(await service.emptyBin(days(31))).toBe(0);
    await service.bin('night-ferry');
    expect(await service.emptyBin(days(31))).toBe(1);
    expect(await service.inBin()).toEqual([]);
    expect(await service.takeBack('night-ferry')).toBe(false);
  });
});
