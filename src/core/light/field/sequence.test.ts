import { sequence } from './sequence';

const points = (count: number, scramble: number, from = 0) =>
  Array.from({ length: count }, (_, k) => {
    const out = new Float64Array(6);
    sequence(out, from + k, scramble);
    return [...out];
  });

// What defines these points [Sobol 1967; Joe and Kuo 2008]: any 2^m in a row from a multiple of 2^m on fall one each into
// 2^m equal parts of every side. Nested scrambling keeps it [Owen 1995].
test.each([
  [16, 0, 0],
  [256, 5, 256],
  [4096, 71, 4096],
  [1024, 3, 1 << 20],
])('%i points fall one each into equal parts of every side', (count, scramble, from) => {
  for (let side = 0; side < 6; side++) {
    const parts = points(count, scramble, from).map((point) => Math.floor(point[side]! * count));
    expect(new Set(parts).size).toBe(count);
  }
});

test.each([0, 1, 12])('the first two sides are a net of strength 0, scramble %i', (scramble) => {
  // Every way to cut the square into 256 equal oblong parts has one point in each.
  for (let wide = 0; wide <= 8; wide++) {
    const parts = points(256, scramble).map(
      ([x, y]) => Math.floor(x! * 2 ** wide) * 2 ** (8 - wide) + Math.floor(y! * 2 ** (8 - wide)),
    );
    expect(new Set(parts).size).toBe(256);
  }
});

test('no two sides repeat each other: their products have the mean that chance would give them', () => {
  const many = points(4096, 9);
  for (let a = 0; a < 6; a++)
    for (let b = 0; b < a; b++) {
      const mean = many.reduce((sum, point) => sum + point[a]! * point[b]!, 0) / many.length;
      expect(Math.abs(mean - 0.25)).toBeLessThan(0.002);
    }
});

test('a smooth sum converges far faster than by chance, and scrambles know nothing of each other', () => {
  // ∫ Π (1 + (x − ½)/2) = 1; by chance 1024 points have an error of 0.012.
  const sums = Array.from(
    { length: 64 },
    (_, scramble) =>
      points(1024, scramble)
        .map((point) => point.reduce((product, x) => product * (1 + (x - 0.5) / 2), 1))
        .reduce((sum, value) => sum + value, 0) / 1024,
  );
  const off = sums.map((sum) => sum - 1);
  const spread = Math.sqrt(off.reduce((sum, one) => sum + one * one, 0) / off.length);
  const together = off.reduce((sum, one) => sum + one, 0) / off.length;
  expect(spread).toBeLessThan(0.002);
  expect(Math.abs(together)).toBeLessThan((3.5 * spread) / Math.sqrt(off.length));
});
