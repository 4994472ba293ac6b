import { HandBusy, handQueue, type Hand, type Heard } from './queue';

const LIMITS = { mostWaiting: 3, patienceMs: 1000, idleMs: 500 };

/** Hands that do nothing by themselves; the test says when they answer or die. */
function bench() {
  const hired: { heard: Heard; given: unknown[]; dismissed: boolean }[] = [];
  const { ask } = handQueue((heard): Hand => {
    const one = { heard, given: [] as unknown[], dismissed: false };
    hired.push(one);
    return {
      give: (task) => {
        if (task === 'cannot be handed over') throw new Error('no clone');
        one.given.push(task);
      },
      dismiss: () => {
        one.dismissed = true;
        // A thread that is ended says so.
        heard.lost(null);
      },
    };
  }, LIMITS);
  return { hired, ask };
}

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

test('one after another, in the order they were asked, by one hand', async () => {
  const { hired, ask } = bench();
  const asked = ['a', 'b', 'c'].map((task) => ask(task));
  expect(hired[0]!.given).toEqual(['a']);
  hired[0]!.heard.said({ done: 'A' });
  expect(hired[0]!.given).toEqual(['a', 'b']);
  hired[0]!.heard.said({ failed: 'not b' });
  hired[0]!.heard.said({ done: 'C' });
  expect(await asked[0]).toBe('A');
  await expect(asked[1]).rejects.toThrow('not b');
  expect(await asked[2]).toBe('C');
  expect(hired).toHaveLength(1);
});

test('too many waiting are told at once; those before them are done', async () => {
  const { hired, ask } = bench();
  const asked = ['a', 'b', 'c', 'd'].map((task) => ask(task));
  expect(() => ask('e')).toThrow(HandBusy);
  for (const task of ['a', 'b', 'c', 'd']) hired[0]!.heard.said({ done: task });
  expect(await Promise.all(asked)).toEqual(['a', 'b', 'c', 'd']);
});

test('a hand that dies fails its own task alone, though it tells of its death twice', async () => {
  const { hired, ask } = bench();
  const [first, second] = [ask('a'), ask('b')];
  const { heard } = hired[0]!;
  heard.lost(new Error('out of memory'));
  heard.lost(null);
  await expect(first).rejects.toThrow('out of memory');
  expect(hired).toHaveLength(2);
  hired[1]!.heard.said({ done: 'B' });
  expect(await second).toBe('B');
});

test('a task that takes too long is given up with its hand, and the next goes on', async () => {
  const { hired, ask } = bench();
  const [slow, second] = [ask('slow'), ask('b')];
  jest.advanceTimersByTime(LIMITS.patienceMs);
  await expect(slow).rejects.toThrow('took too long');
  expect(hired[0]!.dismissed).toBe(true);
  // What the late one says now is nobody's answer.
  hired[0]!.heard.said({ done: 'late' });
  hired[1]!.heard.said({ done: 'B' });
  expect(await second).toBe('B');
});

test('an idle hand is let go; one at work is not, however long ago it was idle', async () => {
  const { hired, ask } = bench();
  const first = ask('a');
  hired[0]!.heard.said({ done: 'A' });
  await first;
  jest.advanceTimersByTime(LIMITS.idleMs - 1);
  const second = ask('b');
  jest.advanceTimersByTime(LIMITS.idleMs);
  expect(hired[0]!.dismissed).toBe(false);
  hired[0]!.heard.said({ done: 'B' });
  await second;
  jest.advanceTimersByTime(LIMITS.idleMs);
  expect(hired[0]!.dismissed).toBe(true);
});

test('what cannot be handed over fails by itself', async () => {
  const { hired, ask } = bench();
  const [bad, good] = [ask('cannot be handed over'), ask('b')];
  await expect(bad).rejects.toThrow('no clone');
  hired[0]!.heard.said({ done: 'B' });
  expect(await good).toBe('B');
});
