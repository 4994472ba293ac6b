import { DOORS } from './doors';
import { tryDoors } from './tryDoors';

test('every door takes its own good samples', () => {
  for (const { name, samples, take } of DOORS) {
    for (const sample of samples) {
      if (take(sample) === null) throw new Error(name);
    }
  }
});

// The soak tries sixty thousand; these come with every run, others each time the seed is changed.
test('bad input at every door: nothing crashes, no document changes', async () => {
  const { inputs, faults } = await tryDoors(300 * DOORS.length, 20261128);
  expect(inputs).toBe(300 * DOORS.length);
  expect(faults).toEqual([]);
}, 120_000);
