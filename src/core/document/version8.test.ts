import { applyCommands, commandSchema } from './edit';
import kept from './fixtures/version-7.json';
import { readDocument } from './read';

const read = readDocument(structuredClone(kept));
if (!read.ok) throw new Error(`${read.problems[0]!.path}: ${read.problems[0]!.message}`);
const [making] = read.value.makings;

test('ticks of before are kept by their step, and ask for a look', () => {
  expect(making).toMatchObject({ id: 'm1', name: 'First ring', note: 'slow', copy: 1, log: [] });
  expect(making!.ticks['mark-out']).toEqual({
    at: '2026-03-01T10:00:00Z',
    by: '',
    minutes: 12,
    plannedMin: 0,
    title: 'mark-out',
    print: 'before version 8',
  });
  // A time nobody can read is no reason to lose the tick.
  expect(making!.ticks['cut-ring']).toMatchObject({ at: '2000-01-01T00:00:00Z', minutes: null });
});

test('everything else is as it was', () => {
  expect(read.value.builds).toMatchObject(kept.builds);
  expect(read.value.shelf).toMatchObject(kept.shelf);
});

test('a making that an older window added', () => {
  const { record } = commandSchema.parse({
    do: 'add',
    kind: 'making',
    id: 'm1',
    record: kept.makings[0],
    after: null,
  }) as unknown as { record: object };
  expect(record).toEqual(making);
});

test('two hands tick at once: each tick is a field of its own, and both stay', () => {
  const tick = making!.ticks['mark-out'];
  const set = (step: string) =>
    commandSchema.parse({
      do: 'set',
      kind: 'making',
      id: 'm1',
      path: ['ticks', step],
      value: tick,
    });
  const one = applyCommands(read.value, [set('a')]);
  const two = one.ok ? applyCommands(one.value.document, [set('b')]) : one;
  if (!two.ok) throw new Error('both are taken');
  expect(two.value.document.makings[0]!.ticks).toMatchObject({ a: tick, b: tick });
});
