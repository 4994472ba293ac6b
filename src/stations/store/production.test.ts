import { nightFerry } from '@/demo/nightFerry';
import type { Production } from '@/core/document/production';
import { createProductionStore, reconcile } from './production';

interface Answer {
  status: number;
  json: unknown;
}

/** A server of one line: answers in turn, and remembers what it was sent. */
function stubServer(...answers: (Answer | 'down')[]) {
  const sent: { baseRevision: number; edits: { label: string }[] }[] = [];
  global.fetch = (async (_url: string, { body }: { body: string }) => {
    sent.push(JSON.parse(body));
    const answer = answers.length > 1 ? answers.shift()! : answers[0]!;
    if (answer === 'down') throw new TypeError('refused');
    return Response.json(answer.json, { status: answer.status });
  }) as never;
  return sent;
}
const saved = (revision: number): Answer => ({ status: 200, json: { revision } });
const open = () => createProductionStore({ document: nightFerry(), revision: 1, lastEditIds: [] });
const rename = (name: string) => (draft: Production) => void (draft.name = name);

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());
const pass = (milliseconds: number) => jest.advanceTimersByTimeAsync(milliseconds);

describe('undo and redo', () => {
  test('back and forth, unlimited, and a new change ends the future', () => {
    stubServer(saved(2));
    const store = open();
    const state = store.getState;
    for (let k = 1; k <= 50; k++) state().change(`name ${k}`, rename(`Film ${k}`));
    for (let k = 1; k <= 50; k++) state().undo();
    expect(state().document).toEqual(nightFerry());
    expect(state().undo()).toBeNull();
    state().redo();
    expect(state().document.name).toBe('Film 1');
    state().change('other', rename('Other'));
    expect(state().redo()).toBeNull();
  });

  test('a drag of many previews is one edit; abandoning it leaves no trace', () => {
    stubServer(saved(2));
    const { getState } = open();
    const width = (metres: number) => (draft: Production) =>
      void (draft.builds[0]!.parameters.ringWidthM = metres);
    for (const metres of [0.16, 0.17, 0.18]) getState().preview(width(metres));
    getState().settle('width');
    expect(getState().history.past.map(({ label }) => label)).toEqual(['width']);
    expect(getState().history.past[0]!.patches).toHaveLength(1);
    getState().preview(width(0.3));
    getState().abandon();
    expect(getState().document.builds[0]!.parameters.ringWidthM).toBe(0.18);
    getState().undo();
    expect(getState().document).toEqual(nightFerry());
  });
});

describe('autosave', () => {
  test('is sent within half a second, with the edits and the revision they stand on', async () => {
    const sent = stubServer(saved(2));
    const { getState } = open();
    getState().change('rename', rename('A'));
    expect(getState().save.kind).toBe('waiting');
    await pass(400);
    expect(sent).toMatchObject([{ baseRevision: 1, edits: [{ label: 'rename' }] }]);
    expect(getState()).toMatchObject({ revision: 2, save: { kind: 'saved' } });
    expect(getState().history.pending).toEqual([]);
  });

  test('a silent server is asked again, and nothing is lost meanwhile', async () => {
    const sent = stubServer('down', saved(2));
    const { getState } = open();
    getState().change('rename', rename('A'));
    await pass(300);
    expect(getState().save.kind).toBe('unanswered');
    getState().change('rename', rename('B'));
    await pass(3000);
    expect(getState().save.kind).toBe('saved');
    expect(sent.at(-1)!.edits).toHaveLength(2);
  });

  test('what the store refuses is taken back here too', async () => {
    const problems = [{ code: 'too_small', path: 'name', message: 'too short' }];
    stubServer({ status: 422, json: { title: 'Not taken.', problems } });
    const { getState } = open();
    getState().change('rename', rename(''));
    await pass(300);
    expect(getState().save).toEqual({ kind: 'refused', message: 'Not taken. name: too short' });
    expect(getState().document.name).toBe('Night Ferry');
  });
});

describe('a second window', () => {
  const newer = { revision: 5, document: { ...nightFerry(), note: 'from elsewhere' } };
  const conflicting = async () => {
    const sent = stubServer({ status: 409, json: { title: 'Changed.', newer } }, saved(6));
    const { getState } = open();
    getState().change('rename', rename('Mine'));
    await pass(300);
    expect(getState().save.kind).toBe('conflict');
    return { getState, sent };
  };

  test('the newer state can be taken', async () => {
    const { getState } = await conflicting();
    getState().takeNewer();
    expect(getState()).toMatchObject({
      revision: 5,
      document: { note: 'from elsewhere', name: 'Night Ferry' },
    });
  });
  test('or mine put on top of it', async () => {
    const { getState, sent } = await conflicting();
    getState().putMineOnTop();
    await pass(300);
    expect(getState()).toMatchObject({
      revision: 6,
      document: { note: 'from elsewhere', name: 'Mine' },
    });
    expect(sent.at(-1)).toMatchObject({ baseRevision: 5 });
  });
  test('nothing is sent while the question is open', async () => {
    const { getState, sent } = await conflicting();
    getState().change('rename', rename('Again'));
    await pass(5000);
    expect(sent).toHaveLength(1);
  });
});

test('a journal fits the state it was written on, or the one its own save made; nothing else', () => {
  const pending = [{ id: 'a', label: 'x', patches: [], inverse: [] }];
  const journal = { revision: 3, past: [], future: [], pending };
  const stored = (revision: number, ...lastEditIds: string[]) => ({
    document: nightFerry(),
    revision,
    lastEditIds,
  });
  expect(reconcile(journal, stored(3))?.pending).toEqual(pending);
  expect(reconcile(journal, stored(4, 'a'))?.pending).toEqual([]);
  expect(reconcile(journal, stored(4, 'b'))).toBeNull();
  expect(reconcile(journal, stored(5, 'a'))).toBeNull();
});
