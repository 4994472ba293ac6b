import { applyCommands, commandSchema } from './edit';
import kept from './fixtures/version-7.json';
import { readDocument } from './read';
import { sessionSchema } from '../meter/session';
import { toVersion8 } from './version8/document';

const before = {
  ...toVersion8(structuredClone(kept)),
  sessions: [{ id: 's1', name: 'First meters', buildId: 'clerk-ring', note: 'by eye' }],
};
const read = readDocument(structuredClone(before));
if (!read.ok) throw new Error(`${read.problems[0]!.path}: ${read.problems[0]!.message}`);
const [session] = read.value.sessions;

test('a session of before is kept, open and without readings', () => {
  expect(session).toMatchObject({ id: 's1', name: 'First meters', note: 'by eye', readings: {} });
  expect(sessionSchema.safeParse(session).success).toBe(true);
});

test('everything else is as it was', () => {
  expect(read.value.builds).toMatchObject(kept.builds);
  expect(read.value.makings).toHaveLength(kept.makings.length);
});

test('a session that an older window added is lifted, one of today left as it is', () => {
  const add = (record: unknown) =>
    commandSchema.parse({
      do: 'add',
      kind: 'session',
      id: 's1',
      record,
      after: null,
    }) as unknown as {
      record: object;
    };
  expect(add(before.sessions[0]).record).toEqual(session);
  const today = { ...session!, kind: 'layer', distanceM: 2 };
  expect(add(today).record).toEqual(today);
});

test('two hands read at once: each reading is a field of its own, and both stay', () => {
  const reading = {
    place: { kind: 'angle', planeDeg: 0, angleDeg: 30 },
    value: 120,
    at: '2026-03-15T20:00:00Z',
    by: 'Ines',
    order: 1,
    struck: null,
    simulated: false,
  };
  const set = (key: string) =>
    commandSchema.parse({
      do: 'set',
      kind: 'session',
      id: 's1',
      path: ['readings', key],
      value: reading,
    });
  const one = applyCommands(read.value, [set('a')]);
  const two = one.ok ? applyCommands(one.value.document, [set('b')]) : one;
  if (!two.ok) throw new Error('both are taken');
  expect(Object.keys(two.value.document.sessions[0]!.readings)).toEqual(['a', 'b']);
});
