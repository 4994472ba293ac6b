import { simulate, tracePart, type Run } from '@/core/light/transport/run';
import { packArrangement } from '@/core/light/transport/pack';
import { mouthMap, mouthOf } from '@/core/light/field/mouthMap';
import { fieldOf, prepare } from '@/core/light/field/prepare';
import type { Arrangement } from '@/core/light/transport/arrangement';
import type { Transported } from '@/core/light/transport/result';
import { sheet, standardPan } from '@/core/light/transport/testing';
import type { Api, Hand } from './pool';
import { transport } from './transport';

const arrangement = standardPan(sheet(0.6, 0.34));
const run: Run = { photons: 220_000, seed: 3 };
const counted = simulate(arrangement, run);
const whole = { ...counted, mouth: mouthOf(arrangement, counted) };

/** A hand that works at once in this thread, and may die at its nth piece. */
function hand(diesAt = Infinity): Hand & { worked: number } {
  const worker = {
    trace: async (_: string, given: Arrangement, r: Run, first: number, last: number) =>
      tracePart(packArrangement(given), r, first, last),
    prepare: async (...given: Parameters<typeof prepare>) => prepare(...given),
    mouthMap: async (...given: Parameters<typeof mouthMap>) => mouthMap(...given),
  } as unknown as Api;
  const made = {
    worked: 0,
    call: async <T>(ask: (worker: Api) => Promise<T>): Promise<T> => {
      if (++made.worked >= diesAt) throw new Error('gone');
      return ask(worker);
    },
  };
  return made;
}

/** A run without what a hand made ready of it. */
const plain = (found: Transported | null) => found && { ...found, prepared: undefined };

const done = (hands: Hand[], over: { signal?: AbortSignal; told?: Transported[] } = {}) =>
  transport(
    {
      key: 'pan',
      arrangement,
      reads: [[0, 0, 30]],
      run,
      onProgress: (so) => over.told?.push(so),
      signal: over.signal ?? new AbortController().signal,
    },
    hands,
  );

test.each([1, 2, 3])('%i hands: the same as one thread, to the bit', async (count) => {
  const hands = Array.from({ length: count }, () => hand());
  expect(plain(await done(hands))).toEqual(whole);
  expect(hands.every(({ worked }) => worked > 0)).toBe(true);
});

test('its survey comes made ready by a hand, and the page need not do it', async () => {
  const found = (await done([hand()]))!;
  const table = fieldOf(arrangement, found.survey);
  expect(found.prepared!.ratios).toHaveLength(table.ratios.length);
  expect(found.prepared!.leaving).toEqual(table.field.leaving);
  expect(found.prepared!.straight!.some(Number.isNaN)).toBe(false);
});

test('no workers allowed: the page does it itself, the same', async () => {
  expect(await done([])).toEqual(whole);
});

test('hands that die give their piece back; what is left is done all the same', async () => {
  expect(plain(await done([hand(2), hand()]))).toEqual(whole);
  expect(plain(await done([hand(1), hand(1)]))).toEqual(whole);
});

test('results on the way are told soon and are of the whole so far', async () => {
  const told: Transported[] = [];
  await done([hand()], { told });
  expect(told).toHaveLength(2);
  expect(told[0]!.photons).toBeGreaterThanOrEqual(40_000);
  expect(told[0]!.survey.length).toBeGreaterThanOrEqual(2);
  expect(told[1]!.survey).toHaveLength(8);
  expect(told[0]!.photons).toBeLessThan(run.photons);
  expect(Math.abs(told[0]!.efficiency - whole.efficiency)).toBeLessThan(0.02);
});

test('stopped, it ends without a result and tells no more', async () => {
  const abort = new AbortController();
  const told: Transported[] = [];
  const slow = hand();
  const stops: Hand = {
    call: (ask) => {
      abort.abort();
      return slow.call(ask);
    },
  };
  expect(await done([stops], { signal: abort.signal, told })).toBeNull();
  expect(told).toEqual([]);
  expect(slow.worked).toBe(1);
});

test('what cannot be followed is not begun', async () => {
  const asked = hand();
  const found = await transport(
    {
      key: 'none',
      arrangement: { ...arrangement, emitters: [] },
      reads: [],
      run,
      onProgress: () => {},
      signal: new AbortController().signal,
    },
    [asked],
  );
  expect(found).toBeNull();
  expect(asked.worked).toBe(0);
});
