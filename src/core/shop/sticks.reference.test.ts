import fc from 'fast-check';
import { cutSticks, EXACT_PIECES, type StickCut } from './sticks';

const INCH = 0.0254;

/** Fewest bars by trying every way to deal the pieces out; only for a handful of pieces. */
function exhaustive(lengths: readonly number[], stockM: number, kerfM: number): number {
  const room = stockM + kerfM;
  let best = lengths.length;
  const deal = (at: number, rooms: number[]): void => {
    if (rooms.length >= best) return;
    if (at === lengths.length) {
      best = rooms.length;
      return;
    }
    const size = lengths[at]! + kerfM;
    rooms.forEach((left, k) => {
      if (left < size - 1e-9) return;
      deal(at + 1, rooms.with(k, left - size));
    });
    deal(at + 1, [...rooms, room - size]);
  };
  deal(0, []);
  return best;
}

/** Every piece exactly once, no bar overfull. */
function expectSound(cut: StickCut, lengths: readonly number[], kerfM: number): void {
  const placed = [...cut.bars.flatMap(({ pieces }) => pieces), ...cut.tooLong].toSorted(
    (a, b) => a - b,
  );
  expect(placed).toEqual(lengths.map((_, at) => at));
  for (const bar of cut.bars) {
    const used = bar.pieces.reduce((sum, at) => sum + lengths[at]!, 0);
    const cuts = kerfM * Math.max(0, bar.pieces.length - 1);
    expect(used + cuts).toBeLessThanOrEqual(bar.lengthM + 1e-9);
    expect(bar.offCutM).toBeGreaterThanOrEqual(0);
  }
}

describe('one stand: 2 × 10, 4 × 7 and 2 × 24 in (docs/model)', () => {
  const lengths = [10, 10, 7, 7, 7, 7, 24, 24].map((inches) => inches * INCH);
  test.each([
    // 96 in of pieces and seven 1/8 in cuts: two bars of 4 ft are a hair too short, a 10 ft one does.
    [10 * 12 * INCH, 1],
    [4 * 12 * INCH + 1 * INCH, 2],
    [4 * 12 * INCH, 3],
    [25 * INCH, 4],
  ])('from bars of %f m: %i', (stockM, bars) => {
    const cut = cutSticks(lengths, stockM, INCH / 8);
    expectSound(cut, lengths, INCH / 8);
    expect(cut.bars).toHaveLength(bars);
    expect(exhaustive(lengths, stockM, INCH / 8)).toBe(bars);
  });
});

test('a braced 6 × 3 m frame takes about 50 m of pipe (common practice): nine bars of 6 m', () => {
  // Round the edge 18 m, five bars of 3 m, four diagonals of 4.24 m: 50 m.
  const lengths = [6, 6, 3, 3, ...Array<number>(5).fill(3), ...Array<number>(4).fill(4.243)];
  const sum = lengths.reduce((total, length) => total + length, 0);
  expect(sum).toBeCloseTo(50, 0);
  const cut = cutSticks(lengths, 6, 0);
  expectSound(cut, lengths, 0);
  expect(cut.lowerBound).toBe(Math.ceil(sum / 6));
  // Two 6 m, four bars of 4.243 m alone, seven of 3 m in pairs.
  expect(cut.bars).toHaveLength(10);
});

test('optimal on every case of up to nine pieces, against exhaustive search', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 50, max: 1000 }), { minLength: 1, maxLength: 9 }),
      fc.integer({ min: 0, max: 5 }),
      (millimetres, kerf) => {
        const lengths = millimetres.map((mm) => mm / 1000);
        const cut = cutSticks(lengths, 1, kerf / 1000);
        expectSound(cut, lengths, kerf / 1000);
        expect(cut.bars).toHaveLength(exhaustive(lengths, 1, kerf / 1000));
      },
    ),
    { seed: 20, numRuns: 120 },
  );
});

test('optimal on hard cases of twelve pieces, against exhaustive search', () => {
  let seed = 7;
  const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
  for (let round = 0; round < 12; round++) {
    const lengths = Array.from({ length: EXACT_PIECES }, () => 0.2 + 0.35 * random());
    const cut = cutSticks(lengths, 1, 0.002);
    expectSound(cut, lengths, 0.002);
    expect(cut.bars).toHaveLength(exhaustive(lengths, 1, 0.002));
  }
});

test('within one bar of the lower bound on 100 seeded jobs of 20 to 60 pieces', () => {
  let seed = 99;
  const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
  for (let job = 0; job < 100; job++) {
    const count = 20 + Math.floor(random() * 41);
    const lengths = Array.from({ length: count }, () => 0.15 + random() * 2.2);
    const cut = cutSticks(lengths, 6, 0.002);
    expectSound(cut, lengths, 0.002);
    expect(cut.bars.length - cut.lowerBound).toBeLessThanOrEqual(1);
  }
});

describe('stock on hand', () => {
  test('off-cuts are used first and filled as full as can be', () => {
    const cut = cutSticks([0.5, 0.45, 0.3, 0.25], 3, 0, [0.75, 0.8]);
    expectSound(cut, [0.5, 0.45, 0.3, 0.25], 0);
    const [first, second] = cut.bars;
    expect(first).toMatchObject({ lengthM: 0.75, onHand: true });
    expect(first!.offCutM).toBeCloseTo(0, 9);
    expect(second).toMatchObject({ lengthM: 0.8, onHand: true });
    expect(cut.bars.filter(({ onHand }) => !onHand)).toHaveLength(0);
  });
  test('a piece only an off-cut is long enough for is cut from it', () => {
    expect(cutSticks([2.5], 2, 0, [2.6]).tooLong).toEqual([]);
    expect(cutSticks([2.5], 2, 0).tooLong).toEqual([0]);
  });
  test('an off-cut too short for anything stays in the shed', () => {
    expect(cutSticks([1], 2, 0, [0.3]).bars).toHaveLength(1);
  });
});

describe('edges', () => {
  test('nothing to cut', () =>
    expect(cutSticks([], 3, 0.002)).toEqual({ bars: [], tooLong: [], lowerBound: 0 }));
  test('a piece as long as the bar needs no kerf', () =>
    expect(cutSticks([3], 3, 0.003).bars).toHaveLength(1));
  test('six of half a metre from three metres: only without a kerf', () => {
    const six = Array<number>(6).fill(0.5);
    expect(cutSticks(six, 3, 0).bars).toHaveLength(1);
    expect(cutSticks(six, 3, 0.002).bars).toHaveLength(2);
  });
  test('a thousand pieces end', () => {
    const many = Array.from({ length: 1000 }, (_, at) => 0.2 + ((at * 37) % 100) / 100);
    const cut = cutSticks(many, 6, 0.002);
    expectSound(cut, many, 0.002);
    expect(cut.bars.length - cut.lowerBound).toBeLessThanOrEqual(1);
  });
});
