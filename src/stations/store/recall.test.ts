import { nightFerry } from '@/demo/nightFerry';
import { readJournal } from './journal';
import { createProductionStore } from './production';

jest.mock('./journal', () => ({ readJournal: jest.fn(), writeJournal: jest.fn() }));

const past = [{ id: 'a', label: 'Name', patches: [], inverse: [] }];
const journalOf = (revision: number) =>
  jest.mocked(readJournal).mockResolvedValue({ revision, past, future: [], pending: [] });
const renamed = { ...nightFerry(), name: 'Night Ferry, later' };
const serve = (body: unknown) => {
  const fetch = jest.fn(async () => Response.json(body));
  global.fetch = fetch as never;
  return fetch;
};
const opened = () =>
  createProductionStore({ document: nightFerry(), revision: 4, lastEditIds: [] });

describe('a page left while its save was under way', () => {
  test('asks again when this browser knows of a later state, and keeps its undo list', async () => {
    journalOf(5);
    serve({ id: renamed.id, document: renamed, revision: 5, lastEditIds: ['a'] });
    const store = opened();
    await store.getState().recall();
    expect(store.getState()).toMatchObject({ revision: 5, document: { name: renamed.name } });
    expect(store.getState().history.past).toEqual(past);
  });
  test('asks nobody when what it was handed is the latest it knows of', async () => {
    journalOf(4);
    const fetch = serve({});
    const store = opened();
    await store.getState().recall();
    expect(fetch).not.toHaveBeenCalled();
    expect(store.getState().history.past).toEqual(past);
  });
  test.each([[{ title: 'nothing here' }], [{ document: renamed, revision: 'five' }]])(
    'an answer that is none changes nothing: %j',
    async (answer) => {
      journalOf(5);
      serve(answer);
      const store = opened();
      await store.getState().recall();
      expect(store.getState()).toMatchObject({ revision: 4, document: { name: 'Night Ferry' } });
    },
  );
  test('what the user did meanwhile is not overwritten', async () => {
    journalOf(5);
    serve({ document: renamed, revision: 5, lastEditIds: ['a'] });
    const store = opened();
    const recalling = store.getState().recall();
    store.getState().change('Name', (draft) => void (draft.name = 'Mine'));
    await recalling;
    expect(store.getState().document.name).toBe('Mine');
  });
});
