import 'fake-indexeddb/auto';
import { createStore, set } from 'idb-keyval';
import { produceWithPatches, enablePatches } from 'immer';
import { nightFerry } from '@/demo/nightFerry';
import type { Production } from '@/core/document/production';
import { readJournals } from './journal';
import { createProductionStore, type ProductionStore } from './production';
import { noteOn, rename, StubServer } from './testing';

let mine = 'one';
let open: Set<string> = new Set();
jest.mock('./window', () => ({
  windowName: () => Promise.resolve(mine),
  openWindows: () => Promise.resolve(open),
}));

/** A production of its own for every test, so that none finds another's journals. */
let count = 0;
function serve(): StubServer {
  const server = new StubServer().install();
  server.document = { ...server.document, id: `film-${++count}` as Production['id'] };
  return server;
}
const page = async (server: StubServer, window: string, revision = server.revision) => {
  mine = window;
  open = new Set([...open, window]);
  server.left.delete(window);
  const store = createProductionStore({ document: server.document, revision });
  await store.getState().recall();
  return store;
};
/** The page is gone; the store of it in this test goes on, but nothing it sends arrives. */
const leave = (server: StubServer, window: string) => {
  open.delete(window);
  server.left.add(window);
};
const until = async (holds: () => boolean | Promise<boolean>) => {
  for (let tries = 0; tries < 3000; tries++) {
    if (await holds()) return;
    await new Promise((resume) => setTimeout(resume, 5));
  }
  throw new Error('it never came to that');
};
const kept = (store: ProductionStore) => until(() => store.getState().save.kind === 'saved');
/** Until the journal in the browser holds what the store holds. */
const written = (store: ProductionStore) =>
  until(async () => {
    const { document, history, revision } = store.getState();
    const found = (await readJournals(document.id)).find(({ head }) => head.window === mine);
    return found?.head.seq === history.seq && found.head.revision === revision;
  });

beforeEach(() => {
  open = new Set();
});

test('a reload finds the undo list, and what was undone', async () => {
  const server = serve();
  const before = await page(server, 'one');
  for (const name of ['A', 'B', 'C']) before.getState().change(name, rename(name));
  before.getState().undo();
  await kept(before);
  await written(before);
  leave(server, 'one');
  const after = await page(server, 'one');
  expect(after.getState().document.name).toBe('B');
  expect(after.getState().redo()).not.toBeNull();
  expect(after.getState().document.name).toBe('C');
  for (let k = 0; k < 3; k++) after.getState().undo();
  expect(after.getState().document.name).toBe('Night Ferry');
});

test('what a dead server never took is sent after the reload', async () => {
  const server = serve();
  server.mood = 'down';
  const before = await page(server, 'one');
  before.getState().change('A', rename('A'));
  await written(before);
  leave(server, 'one');
  server.mood = 'up';
  const after = await page(server, 'one');
  expect(after.getState().document.name).toBe('A');
  await kept(after);
  expect(server.document.name).toBe('A');
});

test('a page left while its save was under way is not sent twice, nor in conflict with itself', async () => {
  const server = serve();
  server.mood = 'deaf';
  const old = { document: server.document, revision: server.revision };
  const before = await page(server, 'one');
  before.getState().change('A', rename('A'));
  await until(() => server.document.name === 'A');
  await written(before);
  leave(server, 'one');
  server.mood = 'up';
  server.left.delete('one');
  mine = 'one';
  open.add('one');
  // The page was handed the state from before that save.
  const store = createProductionStore(old);
  await store.getState().recall();
  expect(store.getState()).toMatchObject({ revision: server.revision, save: { kind: 'saved' } });
  expect(store.getState().document.name).toBe('A');
  expect(store.getState().history.past).toHaveLength(1);
});

// Found by review: two windows shared one journal, and the later one's edits survived alone.
test('two windows with a dead server: both find their own again', async () => {
  const server = serve();
  server.mood = 'down';
  const one = await page(server, 'one');
  one.getState().change('A', rename('A'));
  await written(one);
  const two = await page(server, 'two');
  expect(two.getState().offers).toEqual([]);
  two.getState().change('note', noteOn('warm-ring', 'two'));
  await written(two);
  server.mood = 'up';
  leave(server, 'one');
  const again = await page(server, 'one');
  expect(again.getState().document.name).toBe('A');
  await kept(again);
  const journals = await readJournals(server.document.id);
  expect(journals.map(({ head }) => head.window).toSorted()).toEqual(['one', 'two']);
  expect(journals.find(({ head }) => head.window === 'two')!.history.pending).toHaveLength(1);
});

// Found by review: edits left in a closed window vanished when another save came in between.
test('a window that comes back after others have saved is asked, not emptied', async () => {
  const server = serve();
  server.mood = 'down';
  const before = await page(server, 'one');
  before.getState().change('A', rename('A'));
  before.getState().change('note', noteOn('warm-ring', 'mine'));
  await written(before);
  leave(server, 'one');
  server.mood = 'up';
  server.elsewhere(rename('Theirs'));
  const after = await page(server, 'one');
  const { save } = after.getState();
  if (save.kind !== 'conflict') throw new Error(save.kind);
  expect(save).toMatchObject({ from: 'before', clashes: [{ mine: 'A', theirs: 'Theirs' }] });
  after.getState().putMineOnTop({ [save.clashes[0]!.key]: 'mine' });
  await kept(after);
  expect(server.document).toMatchObject({ name: 'A' });
  expect(server.document.builds[1]!.note).toBe('mine');
});

test('edits of closed windows are offered again: one is taken over, the others asked about', async () => {
  const server = serve();
  server.mood = 'down';
  const notes: [string, string][] = [
    ['one', 'clerk-ring'],
    ['two', 'warm-ring'],
    ['three', 'stamp-ring'],
  ];
  for (const [window, build] of notes) {
    const store = await page(server, window);
    store.getState().change(window, noteOn(build, window));
    await written(store);
  }
  for (const [window] of notes) leave(server, window);
  server.mood = 'up';
  const fresh = await page(server, 'four');
  await kept(fresh);
  const { offers } = fresh.getState();
  expect(offers).toHaveLength(2);
  fresh.getState().takeOffer(offers[0]!.window);
  fresh.getState().dropOffer(offers[1]!.window);
  await kept(fresh);
  const said = notes.filter(
    ([window, id]) => server.document.builds.find((build) => build.id === id)!.note === window,
  );
  expect(said).toHaveLength(2);
  expect(fresh.getState().offers).toEqual([]);
  await until(async () => (await readJournals(server.document.id)).length === 1);
});

test('an offer that touches what was done since is chosen, field by field', async () => {
  const server = serve();
  server.mood = 'down';
  for (const window of ['one', 'two']) {
    const store = await page(server, window);
    store.getState().change(window, rename(window));
    await written(store);
  }
  leave(server, 'one');
  leave(server, 'two');
  server.mood = 'up';
  const fresh = await page(server, 'three');
  await kept(fresh);
  const [offer] = fresh.getState().offers;
  const name = fresh.getState().document.name;
  fresh.getState().takeOffer(offer!.window);
  const [asked] = fresh.getState().offers;
  expect(asked!.clashes).toMatchObject([{ theirs: name, mine: offer!.window }]);
  fresh.getState().takeOffer(offer!.window, { [asked!.clashes[0]!.key]: 'mine' });
  await kept(fresh);
  expect(server.document.name).toBe(offer!.window);
});

test('an edit writes the same few entries however long the list is', async () => {
  const server = serve();
  const store = await page(server, 'one');
  const put = jest.spyOn(IDBObjectStore.prototype, 'put');
  const bytesOfOne = async () => {
    await written(store);
    put.mockClear();
    store.getState().change('name', rename(`Film ${store.getState().history.seq}`));
    await written(store);
    return put.mock.calls.reduce((sum, [value]) => sum + JSON.stringify(value).length, 0);
  };
  store.getState().change('name', rename('First'));
  const first = await bytesOfOne();
  for (let k = 1; k <= 400; k++) store.getState().change('name', rename(`Film ${1000 + k}`));
  const late = await bytesOfOne();
  put.mockRestore();
  expect(late).toBeLessThan(first * 1.3);
});

test('entries of another make are left alone, the rest is found', async () => {
  const server = serve();
  server.mood = 'down';
  const before = await page(server, 'one');
  before.getState().change('A', rename('A'));
  await written(before);
  const { id } = server.document;
  const entries = createStore('lantern-jar-journals', 'entries');
  await set(`${id} one m9999999999999999`, { move: 'of tomorrow', place: 'past' }, entries);
  await set(`${id} two head`, { production: id }, entries);
  await set(`${id} two m1`, null, entries);
  leave(server, 'one');
  server.mood = 'up';
  const after = await page(server, 'one');
  expect(after.getState().document.name).toBe('A');
  expect(after.getState().history.past).toHaveLength(1);
});

test('a browser that keeps nothing says so', async () => {
  const server = serve();
  server.mood = 'down';
  const store = await page(server, 'one');
  const full = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  store.getState().change('A', rename('A'));
  await until(() => !store.getState().journalKept);
  full.mockRestore();
  store.getState().change('B', rename('B'));
  await until(() => store.getState().journalKept);
});

describe('a journal from before version 5', () => {
  enablePatches();
  const legacy = (server: StubServer, revision: number) => {
    const [, patches] = produceWithPatches(server.document, (draft) => {
      draft.builds[1]!.note = 'from before';
    });
    return set(`lantern-jar:${server.document.id}`, {
      revision,
      past: [],
      future: [],
      pending: [{ id: 'x', label: 'note', patches, inverse: [] }],
    });
  };
  test('on the state it was made on: offered, and put where it belongs', async () => {
    const server = serve();
    await legacy(server, server.revision);
    const store = await page(server, 'one');
    const [offer] = store.getState().offers;
    expect(offer!.moves[0]!.batch.label).toBe('note');
    store.getState().takeOffer(offer!.window);
    await kept(store);
    expect(server.document.builds[1]!.note).toBe('from before');
    const again = await page(server, 'two');
    expect(again.getState().offers).toEqual([]);
  });
  test('on another state: told, kept, never put on a neighbour', async () => {
    const server = serve();
    await legacy(server, server.revision + 3);
    const store = await page(server, 'one');
    expect(store.getState()).toMatchObject({ offers: [], stranded: { labels: ['note'] } });
    expect(server.document.builds).toEqual(nightFerry().builds);
    const again = await page(server, 'one');
    expect(again.getState().stranded).not.toBeNull();
    again.getState().dropStranded();
    await until(async () => {
      const third = await page(server, 'one');
      return third.getState().stranded === null;
    });
  });
});
