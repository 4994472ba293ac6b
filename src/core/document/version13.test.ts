import { nightFerry } from '@/demo/nightFerry';
import { commandSchema } from './edit';
import { readDocument } from './read';

const demo = nightFerry();
const older = demo.shots.map((shot) =>
  Object.fromEntries(Object.entries(shot).filter(([name]) => name !== 'wishes')),
);
const read = readDocument({ ...structuredClone(demo), version: 12, shots: older });
if (!read.ok) throw new Error(read.problems[0]!.message);

test('shots of version 12 wish what their use asks for, and stay what they were', () => {
  expect(read.value.shots).toMatchObject(older);
  for (const { use, wishes } of read.value.shots) {
    expect(wishes.leastRa).toBe(use === 'face' || use === 'insert' || use === 'overhead' ? 90 : 80);
    expect(wishes.hard.includes('evenness')).toBe(use === 'wash' || use === 'green');
  }
});

test('a shot that an older window adds is lifted as a document is', () => {
  const at = demo.shots.findIndex(({ use }) => use === 'wash');
  const { record } = commandSchema.parse({
    do: 'add',
    kind: 'shot',
    id: 'x1',
    record: older[at],
    after: null,
  }) as unknown as { record: object };
  expect(record).toEqual(read.value.shots[at]);
});
