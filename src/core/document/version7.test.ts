import { FORMS } from '../forms';
import { commandSchema } from './edit';
import kept from './fixtures/version-6.json';
import { readDocument } from './read';

type Old = typeof kept;
const lifted = (change: (draft: Old) => void = () => undefined) => {
  const copy = structuredClone(kept);
  change(copy);
  const read = readDocument(copy);
  if (!read.ok) throw new Error(`${read.problems[0]!.path}: ${read.problems[0]!.message}`);
  return read.value;
};

test('every parameter a form has now is there, what it said before is kept, what is gone is gone', () => {
  const { builds } = lifted();
  for (const [at, build] of builds.entries()) {
    const names = Object.keys(FORMS.get(build.form)!.defaults() as object);
    expect(Object.keys(build.parameters).toSorted()).toEqual(names.toSorted());
    for (const [name, value] of Object.entries(kept.builds[at]!.parameters))
      if (names.includes(name)) expect(build.parameters[name]).toEqual(value);
  }
  expect(builds.find(({ form }) => form === 'sandwich-panel')!.parameters.bolt).toBe('M6');
  const stand = builds
    .flatMap(({ accessories }) => accessories)
    .find(({ kind }) => kind === 'pipe-stand');
  expect(stand!.parameters.takeOffM).toBe(0);
});

test('boards and bars do not say yet what a cut takes', () => {
  for (const part of lifted().shelf.parts)
    if (part.role === 'sheet' || part.role === 'stick') expect(part.kerfM).toBeNull();
});

test('a form from the future is left as it is', () => {
  const { builds } = lifted((draft) => {
    Object.assign(draft.builds[0]!, { form: 'from-the-future', parameters: { anything: 1 } });
  });
  expect(builds[0]!.parameters).toEqual({ anything: 1 });
});

describe('commands of version 6, as a window may have left them', () => {
  const command = (given: object) =>
    commandSchema.parse(given) as unknown as { record?: object; value?: object };
  const pan = kept.builds.find(({ form }) => form === 'sandwich-panel')!;
  test('a build that was added', () => {
    const { record } = command({ do: 'add', kind: 'build', id: pan.id, record: pan, after: null });
    expect(record).toMatchObject({ parameters: { bolt: 'M6', widthM: pan.parameters.widthM } });
  });
  test('an accessory, a board', () => {
    const stand = { id: 's', kind: 'pipe-stand', parameters: { uprights: 2 } };
    const added = command({
      do: 'add',
      kind: 'accessory',
      of: pan.id,
      id: 's',
      record: stand,
      after: null,
    });
    expect(added.record).toMatchObject({ parameters: { uprights: 2, takeOffM: 0 } });
    const board = kept.shelf.parts.find(({ role }) => role === 'sheet')!;
    const part = command({ do: 'add', kind: 'part', id: board.id, record: board, after: null });
    expect(part.record).toMatchObject({ kerfM: null });
  });
  test('parameters set as a whole are lifted by the form whose they are', () => {
    for (const build of kept.builds) {
      const set = command({
        do: 'set',
        kind: 'build',
        id: build.id,
        path: ['parameters'],
        value: build.parameters,
      });
      const names = Object.keys(FORMS.get(build.form)!.defaults() as object);
      expect([build.id, Object.keys(set.value!).toSorted()]).toEqual([build.id, names.toSorted()]);
    }
  });
  test('one field, or parameters of nobody’s: as they were', () => {
    const one = { do: 'set', kind: 'build', id: 'x', path: ['parameters', 'widthM'], value: 1 };
    expect(command(one)).toEqual(one);
    const odd = { do: 'set', kind: 'build', id: 'x', path: ['parameters'], value: { odd: 1 } };
    expect(command(odd)).toEqual(odd);
  });
});
