import { simulate, type Run } from '@/core/light/transport/run';
import { mouthOf } from '@/core/light/field/mouthMap';
import { fieldOf } from '@/core/light/field/prepare';
import type { Transported } from '@/core/light/transport/result';
import { sheet, standardPan } from '@/core/light/transport/testing';
import { light } from './light';
import type { Api, Hand } from './pool';
import { transport } from './transport';

const arrangement = standardPan(sheet(0.6, 0.34));
const run: Run = { photons: 220_000, seed: 3 };
const counted = simulate(arrangement, run);
const whole = { ...counted, mouth: mouthOf(arrangement, counted) };

/** A hand that works at once in this thread, and may die at its nth piece. */
function hand(diesAt = Infinity): Hand & { worked: number } {
  const worker = { ...light } as unknown as Api;
  const made = {
    worked: 0,
    call: async <T>(ask: (worker: Api) => Promise<T>): Promise<T> => {
      if (++made.worked >= diesAt) throw new Error('gone');
      return await ask(worker);
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
      reads: { first: [[0, 0, 30]], rest: [[0, 40, 300]] },
      run,
      soon: true,
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
});

test('no workers allowed: the page does it itself, the same', async () => {
  expect(await done([])).toEqual(whole);
});

test('hands that die give their piece back; what is left is done all the same', async () => {
  expect(plain(await done([hand(2), hand()]))).toEqual(whole);
  expect(plain(await done([hand(1), hand(1)]))).toEqual(whole);
});

test('the light is told once on the way, whole as its survey is', async () => {
  const told: Transported[] = [];
  await done([hand(), hand()], { told });
  expect(told).toHaveLength(1);
  expect(told[0]!.photons).toBeGreaterThanOrEqual(40_000);
  expect(told[0]!.photons).toBeLessThan(run.photons);
  expect(told[0]!.survey).toEqual(whole.survey);
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
      reads: { first: [], rest: [] },
      run,
      soon: true,
      onProgress: () => {},
      signal: new AbortController().signal,
    },
    [asked],
  );
  expect(found).toBeNull();
  expect(asked.worked).toBe(0);
});
