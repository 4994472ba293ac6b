import { changeRecord, commandSchema, makeBatch, undoCommands, type Change } from './edit';
import type { Production } from './production';
import kept from './fixtures/version-7.json';
import { readDocument } from './read';
import { sessionSchema } from '../meter/session';
import { toVersion8 } from './version8/document';
import { toVersion9 } from './version9/document';

const reading = {
  place: { kind: 'angle', planeDeg: 0, angleDeg: 30 },
  value: 120,
  at: '2026-03-15T20:00:00Z',
  by: 'Ines',
  order: 1,
  struck: null,
  simulated: false,
};
const before = toVersion9({
  ...toVersion8(structuredClone(kept)),
  sessions: [
    { id: 's1', name: 'Globe', buildId: null, note: '', distanceM: 2, readings: { a: reading } },
  ],
});
const read = readDocument(structuredClone(before));
if (!read.ok) throw new Error(`${read.problems[0]!.path}: ${read.problems[0]!.message}`);
const [session] = read.value.sessions;

test('a sweep of version 9 keeps its readings and its meter', () => {
  expect(session).toMatchObject({
    id: 's1',
    kind: 'sweep',
    distanceM: 2,
    readings: { a: reading },
  });
  expect(session!.instrument).toEqual({
    name: '',
    classShare: 0.05,
    grainLx: 1,
    cosineShare: 0.03,
  });
  expect(session).toMatchObject({ level: 1, points: [], spectrum: null });
  expect(read.value.calibration).toBeNull();
});

test('what an older window writes is lifted: a session, and the meter of one', () => {
  const [old] = before.sessions as Record<string, unknown>[];
  const add = commandSchema.parse({
    do: 'add',
    kind: 'session',
    id: 's1',
    record: old,
    after: null,
  });
  expect((add as unknown as { record: object }).record).toEqual(session);
  const set = commandSchema.parse({
    do: 'set',
    kind: 'session',
    id: 's1',
    path: ['instrument'],
    value: old!.instrument,
  });
  expect(set).toMatchObject({ value: { cosineShare: 0.03 } });
});

test.each([
  ['°C of a case in the cold', { kind: 'warm', thing: 'case' }, -12, true],
  ['air', { kind: 'air' }, -5, true],
  ['light below zero', { kind: 'point', name: 'A', xM: 0, yM: 0 }, -1, false],
  ['volts below zero', { kind: 'electric', what: 'farV' }, -1, false],
  ['colder than anywhere', { kind: 'air' }, -90, false],
])('a reading of %s', (_, place, value, taken) => {
  const whole = { ...session!, readings: { a: { ...reading, place, value } } };
  expect(sessionSchema.safeParse(whole).success).toBe(taken);
});

test('undo does not reach into a session that was closed', () => {
  const done = (document: Production, change: Change) => {
    const made = makeBatch(document, 'b', 'a change', change);
    if (!made) throw new Error('it changes something');
    return made;
  };
  const reach = changeRecord({ kind: 'session', id: 's1' }, (draft) => {
    draft.readings.b = { ...draft.readings.a!, value: 7 };
  });
  const open = done(read.value, reach);
  expect(undoCommands(open.document, open.batch).commands).toHaveLength(1);
  const shut = done(
    open.document,
    changeRecord({ kind: 'session', id: 's1' }, (draft) => {
      draft.closedAt = '2026-03-15T21:00:00Z';
    }),
  );
  for (const { batch } of [open, shut])
    expect(undoCommands(shut.document, batch)).toEqual({ commands: [], left: 1, closed: true });
});
