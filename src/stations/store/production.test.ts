import 'fake-indexeddb/auto';
import { nightFerry } from '@/demo/nightFerry';
import { addRecord, changeRecord } from '@/core/document/edit';
import { removeWhole } from '@/core/document/records';
import { createProductionStore } from './production';
import { noteOn, rename, StubServer } from './testing';

jest.mock('./window', () => ({
  windowName: () => Promise.resolve('here'),
  openWindows: () => Promise.resolve(null),
}));
jest.mock('./journal', () => ({
  ...jest.requireActual('./journal'),
  writeJournal: () => Promise.resolve(true),
}));

const open = (server: StubServer) =>
  createProductionStore({ document: server.document, revision: server.revision });
const serve = () => new StubServer().install();

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());
const pass = (milliseconds: number) => jest.advanceTimersByTimeAsync(milliseconds);

describe('undo and redo', () => {
  test('back and forth, unlimited, and a new change ends the future', () => {
    const { getState } = open(serve());
    for (let k = 1; k <= 50; k++) getState().change(`name ${k}`, rename(`Film ${k}`));
    for (let k = 1; k <= 50; k++) getState().undo();
    expect(getState().document).toEqual(nightFerry());
    expect(getState().undo()).toBeNull();
    for (let k = 1; k <= 3; k++) getState().redo();
    expect(getState().document.name).toBe('Film 3');
    getState().undo();
    expect(getState().document.name).toBe('Film 2');
    getState().change('other', rename('Other'));
    expect(getState().redo()).toBeNull();
  });

  test('a drag of many previews is one edit; abandoning it leaves no trace', () => {
    const { getState } = open(serve());
    const width = (metres: number) =>
      changeRecord({ kind: 'build', id: 'clerk-ring' }, (draft) => {
        draft.parameters.ringWidthM = metres;
      });
    for (const metres of [0.16, 0.17, 0.18]) getState().preview(width(metres));
    getState().settle('width');
    expect(getState().history.past.map(({ batch }) => batch.label)).toEqual(['width']);
    expect(getState().history.past[0]!.batch.commands).toHaveLength(1);
    getState().preview(width(0.3));
    getState().abandon();
    expect(getState().document.builds[0]!.parameters.ringWidthM).toBe(0.18);
    getState().undo();
    expect(getState().document).toEqual(nightFerry());
  });
});

describe('autosave', () => {
  test('is sent within half a second, with the edits and the revision they stand on', async () => {
    const server = serve();
    const { getState } = open(server);
    getState().change('rename', rename('A'));
    expect(getState().save.kind).toBe('waiting');
    await pass(400);
    expect(server.requests[0]!.body).toMatchObject({
      client: 'here',
      baseRevision: 1,
      edits: [{ label: 'rename' }],
    });
    expect(getState()).toMatchObject({ revision: 2, save: { kind: 'saved' } });
    expect(getState().history.pending).toEqual([]);
    expect(getState().acknowledged.name).toBe('A');
  });

  test('who types without a pause is kept every half second all the same', async () => {
    const server = serve();
    const { getState } = open(server);
    for (let letter = 0; letter < 15; letter++) {
      getState().change('rename', rename(`A${letter}`));
      await pass(100);
    }
    expect(server.requests.length).toBeGreaterThanOrEqual(3);
    expect(getState().acknowledged.name).toMatch(/^A1[0-4]$/);
  });

  test('a silent server is asked again, and nothing is lost meanwhile', async () => {
    const server = serve();
    server.mood = 'down';
    const { getState } = open(server);
    getState().change('rename', rename('A'));
    await pass(300);
    expect(getState().save.kind).toBe('unanswered');
    getState().change('rename', rename('B'));
    server.mood = 'up';
    await pass(3000);
    expect(getState().save.kind).toBe('saved');
    expect(server.document.name).toBe('B');
  });

  // A knob held while the server was dead: 500 and more were refused as too many, and all undone.
  test('twelve hundred unsent edits arrive in several requests, none undone', async () => {
    const server = serve();
    server.mood = 'down';
    const { getState } = open(server);
    for (let k = 1; k <= 1200; k++) getState().change(`n${k}`, rename(`Film ${k}`));
    await pass(300);
    server.mood = 'up';
    await pass(5000);
    expect(server.document.name).toBe('Film 1200');
    expect(getState()).toMatchObject({ save: { kind: 'saved' }, refusals: [] });
    expect(getState().history.past).toHaveLength(1200);
    for (const { body } of server.requests)
      expect((body as unknown as { edits: unknown[] }).edits.length).toBeLessThanOrEqual(100);
  });

  test('a request that is too big is sent one by one, and undoes nothing', async () => {
    const server = serve();
    server.most = 3;
    const { getState } = open(server);
    for (let k = 1; k <= 20; k++) getState().change(`n${k}`, rename(`Film ${k}`));
    await pass(5000);
    expect(server.document.name).toBe('Film 20');
    expect(getState()).toMatchObject({ save: { kind: 'saved' }, refusals: [] });
  });

  test('lost answers, two in a row: no conflict with oneself, nothing made twice', async () => {
    const server = serve();
    server.mood = 'deaf';
    const { getState } = open(server);
    const copy = { ...server.document.builds[0]!, id: 'copy' as never };
    getState().change('duplicate', addRecord({ kind: 'build' }, copy));
    await pass(300);
    getState().change('rename', rename('A'));
    await pass(2100);
    server.mood = 'up';
    getState().change('rename', rename('B'));
    await pass(3000);
    expect(getState()).toMatchObject({ save: { kind: 'saved' }, refusals: [] });
    expect(server.document.name).toBe('B');
    expect(server.document.builds.filter(({ id }) => id === 'copy')).toHaveLength(1);
    expect(getState().revision).toBe(server.revision);
  });
});

describe('a change that cannot be taken', () => {
  test('is refused where it was made, before anybody is asked', async () => {
    const server = serve();
    const { getState } = open(server);
    getState().change('rename', rename('A'));
    const reason = getState().change('no name', (document) => [
      { do: 'set', kind: 'shot', id: document.shots[0]!.id, path: ['distanceM'], value: -1 },
    ]);
    expect(reason).toContain('0.1');
    expect(getState().refusals).toMatchObject([
      { label: 'no name', at: { kind: 'shot', path: ['distanceM'] } },
    ]);
    expect(getState().document.name).toBe('A');
    expect(getState().history.past).toHaveLength(1);
    await pass(400);
    expect(server.document.name).toBe('A');
  });

  // Found by review: one refused edit took back what was typed with it and emptied the undo list.
  test('at the store: costs itself alone, and undo stays whole', async () => {
    const server = serve();
    const { getState } = open(server);
    getState().change('one', rename('One'));
    // Touches one record; what it breaks lies in the references between them.
    getState().change('bad', (document) => [
      {
        do: 'set',
        kind: 'build',
        id: document.builds[0]!.id,
        path: ['fixtureId'],
        value: 'nowhere',
      },
    ]);
    getState().change('two', noteOn('warm-ring', 'two'));
    await pass(2000);
    expect(server.document.name).toBe('One');
    expect(server.document.builds[1]!.note).toBe('two');
    expect(getState().document).toEqual(server.document);
    expect(getState().refusals).toMatchObject([{ label: 'bad' }]);
    expect(getState().save.kind).toBe('saved');
    expect(getState().history.past.map(({ batch }) => batch.label)).toEqual(['one', 'two']);
    getState().undo();
    getState().undo();
    expect(getState().document).toEqual(nightFerry());
  });

  // Found by review: a part called “foil” beside a lining chosen as “foil”.
  test('deleting the household foil leaves the linings alone', async () => {
    const server = serve();
    const { getState } = open(server);
    getState().change('note', noteOn('warm-ring', 'typed in the same breath'));
    expect(getState().change('delete', removeWhole('part', 'foil'))).toBeNull();
    await pass(500);
    expect(getState()).toMatchObject({ save: { kind: 'saved' }, refusals: [] });
    expect(server.document.shelf.parts.some(({ id }) => id === 'foil')).toBe(false);
    expect(server.document.builds[1]!.note).toBe('typed in the same breath');
    expect(getState().history.past).toHaveLength(2);
  });
});

describe('a second window', () => {
  const conflicting = async () => {
    const server = serve();
    const store = open(server);
    server.elsewhere(rename('Theirs'));
    store.getState().change('note', noteOn('warm-ring', 'mine'));
    await pass(300);
    expect(store.getState().save.kind).toBe('conflict');
    return { ...store, server };
  };

  test('the newer state can be taken', async () => {
    const { getState, server } = await conflicting();
    getState().takeNewer();
    expect(getState()).toMatchObject({ revision: 2, document: { name: 'Theirs' } });
    expect(getState().document).toEqual(server.document);
    expect(getState().history).toMatchObject({ past: [], pending: [] });
  });
  test('or mine put on top of it, where it touches nothing', async () => {
    const { getState, server } = await conflicting();
    expect(getState().save).toMatchObject({ clashes: [] });
    getState().putMineOnTop();
    await pass(300);
    expect(getState()).toMatchObject({ revision: 3, save: { kind: 'saved' } });
    expect(server.document).toMatchObject({ name: 'Theirs' });
    expect(server.document.builds[1]!.note).toBe('mine');
    getState().undo();
    expect(getState().document.builds[1]!.note).toBe(nightFerry().builds[1]!.note);
  });
  test('what touches is chosen field by field', async () => {
    const server = serve();
    const { getState } = open(server);
    server.elsewhere(rename('Theirs'));
    getState().change('rename', rename('Mine'));
    getState().change('note', noteOn('warm-ring', 'mine'));
    await pass(300);
    const { save } = getState();
    if (save.kind !== 'conflict') throw new Error(save.kind);
    expect(save.clashes).toMatchObject([{ mine: 'Mine', theirs: 'Theirs' }]);
    getState().putMineOnTop();
    expect(getState().save.kind).toBe('conflict');
    getState().putMineOnTop({ [save.clashes[0]!.key]: 'theirs' });
    await pass(300);
    expect(server.document.name).toBe('Theirs');
    expect(server.document.builds[1]!.note).toBe('mine');
    expect(getState().document).toEqual(server.document);
  });
  // Found by review, through this very store: the note landed on the neighbour.
  test('the first build deleted there, a note on the second here', async () => {
    const server = serve();
    const { getState } = open(server);
    server.elsewhere(removeWhole('build', 'clerk-ring'));
    getState().change('note', noteOn('warm-ring', 'mine'));
    await pass(300);
    getState().putMineOnTop();
    await pass(300);
    const note = (id: string) => server.document.builds.find((build) => build.id === id)?.note;
    expect(note('warm-ring')).toBe('mine');
    expect(note('stamp-ring')).toBe('Bulbs still to choose.');
    expect(note('clerk-ring')).toBeUndefined();
  });
  test.each(['good', 'none', 'wrong'] as const)(
    'what touches nothing is put beside theirs by the server, and theirs is taken in: its memory %s',
    async (memory) => {
      const server = serve();
      server.merges = true;
      server.memory = memory;
      const { getState } = open(server);
      server.elsewhere(rename('Theirs'));
      getState().change('note', noteOn('warm-ring', 'mine'));
      await pass(300);
      expect(getState()).toMatchObject({ revision: 3, save: { kind: 'saved' } });
      expect(getState().document).toEqual(server.document);
      expect(getState().document).toMatchObject({ name: 'Theirs' });
      getState().undo();
      expect(getState().document).toMatchObject({ name: 'Theirs' });
      expect(getState().document.builds[1]!.note).toBe(nightFerry().builds[1]!.note);
      const asked = server.requests.filter(({ method }) => method === 'GET').length;
      expect(asked).toBe(memory === 'wrong' ? 1 : 0);
    },
  );
  test('followed: theirs comes by itself, and what is unsent here stays on top', async () => {
    const server = serve();
    const { getState } = open(server);
    server.elsewhere(rename('Theirs'));
    await getState().follow();
    expect(getState()).toMatchObject({ revision: 2, document: { name: 'Theirs' } });
    server.mood = 'down';
    getState().change('note', noteOn('warm-ring', 'mine'));
    await pass(300);
    server.mood = 'up';
    server.elsewhere(rename('Again'));
    await getState().follow();
    expect(getState().document).toMatchObject({ name: 'Again' });
    expect(getState().document.builds[1]!.note).toBe('mine');
    await pass(5000);
    expect(server.document.builds[1]!.note).toBe('mine');
    expect(getState()).toMatchObject({ save: { kind: 'saved' }, document: { name: 'Again' } });
  });
  test('a knob that is held while theirs comes ends on theirs', async () => {
    const server = serve();
    server.merges = true;
    const { getState } = open(server);
    getState().change('note', noteOn('warm-ring', 'first'));
    server.elsewhere(rename('Theirs'));
    getState().preview(noteOn('stamp-ring', 'held'));
    await pass(300);
    getState().settle('held');
    await pass(300);
    expect(getState().document).toEqual(server.document);
    expect(server.document.name).toBe('Theirs');
    const notes = server.document.builds.slice(1, 3).map(({ note }) => note);
    expect(notes).toEqual(['first', 'held']);
  });
  test('a server that hangs is told long before it is given up', async () => {
    const server = serve();
    const { getState } = open(server);
    server.mood = 'hung';
    getState().change('note', noteOn('warm-ring', 'mine'));
    await pass(3000);
    expect(getState().save.kind).toBe('waiting');
    await pass(6000);
    expect(getState().save).toMatchObject({
      kind: 'unanswered',
      message: expect.stringContaining('takes long'),
    });
  });
  test('who is shown out is told why, keeps its work, and does not ask every two seconds', async () => {
    const server = serve();
    const { getState } = open(server);
    server.mood = 'shut';
    getState().change('note', noteOn('warm-ring', 'mine'));
    await pass(30_000);
    expect(getState().save).toEqual({ kind: 'unanswered', message: 'Not let in.' });
    expect(server.requests).toHaveLength(1);
    server.mood = 'up';
    await pass(35_000);
    expect(getState().save).toEqual({ kind: 'saved' });
    expect(server.document.builds[1]!.note).toBe('mine');
  });
  test('a device that may only tick is told at once, and nothing is sent', async () => {
    const server = serve();
    const store = createProductionStore({
      document: server.document,
      revision: 1,
      device: { name: 'Phone', right: 'tick' },
    });
    expect(store.getState().change('rename', rename('Mine'))).toContain('may tick steps');
    await pass(500);
    expect(server.requests).toHaveLength(0);
  });
  test('nothing is sent while the question is open', async () => {
    const { getState, server } = await conflicting();
    const asked = server.requests.length;
    getState().change('rename', rename('Again'));
    await pass(5000);
    expect(server.requests).toHaveLength(asked);
  });
});
