import { commandSchema } from './edit';
import kept from './fixtures/version-7.json';
import { readDocument } from './read';
import { removeBuild } from './records';
import { applyCommands } from './edit';
import { toVersion10 } from './version10/document';
import { toVersion8 } from './version8/document';
import { toVersion9 } from './version9/document';

const before = toVersion10(toVersion9(toVersion8(structuredClone(kept))));
const [build] = before.builds as { id: string }[];
const old = { id: 's1', name: 'Hall', shotId: null, buildIds: [build!.id], note: 'as it was' };
const lifted = readDocument({ ...before, setups: [old] });
if (!lifted.ok) throw new Error(`${lifted.problems[0]!.path}: ${lifted.problems[0]!.message}`);
const { value: document } = lifted;

test('a setup of version 10 becomes a room, its builds stand in it', () => {
  expect(document.setups).toHaveLength(1);
  const [setup] = document.setups;
  expect(setup).toMatchObject({ id: 's1', name: 'Hall', note: 'as it was' });
  expect(setup).not.toHaveProperty('buildIds');
  expect(setup!.room).toMatchObject({ widthM: 5, depthM: 4, heightM: 2.6, open: 'none' });
  expect(setup!.things).toEqual([
    expect.objectContaining({ kind: 'light', buildId: build!.id, fixtureId: null, on: true }),
  ]);
});

test('what an older window writes is lifted', () => {
  const command = commandSchema.parse({
    do: 'add',
    kind: 'setup',
    id: 's1',
    record: old,
    after: null,
  });
  // What later versions ask for has its first value when the document is checked.
  expect(document.setups[0]).toMatchObject((command as unknown as { record: object }).record);
});

test('a build that goes leaves its place in a setup empty, and undo fills it', () => {
  const commands = removeBuild(build!.id)(document);
  const done = applyCommands(document, commands);
  if (!done.ok) throw new Error(done.problems[0]!.message);
  expect(done.value.document.setups[0]!.things[0]).toMatchObject({ buildId: null });
  const back = applyCommands(done.value.document, done.value.inverse);
  expect(back.ok && back.value.document.setups).toEqual(document.setups);
});

test('a light that names what is not there is told where', () => {
  const setup = structuredClone(document.setups[0]!);
  Object.assign(setup.things[0]!, { buildId: 'nobody' });
  const read = readDocument({ ...document, setups: [setup] });
  expect(read.ok).toBe(false);
  expect(!read.ok && read.problems[0]).toMatchObject({
    code: 'dangling',
    path: 'setups.0.things.0.buildId',
  });
});

test('two things under one name of their own are refused', () => {
  const setup = structuredClone(document.setups[0]!);
  setup.things.push(structuredClone(setup.things[0]!));
  const read = readDocument({ ...document, setups: [setup] });
  expect(!read.ok && read.problems[0]).toMatchObject({ code: 'double_id' });
});
