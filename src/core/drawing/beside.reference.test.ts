import { beside } from './beside';

describe('a line beside another', () => {
  test('to the left of the way it runs, at its distance', () => {
    expect(
      beside(
        [
          [0, 0],
          [10, 0],
        ],
        1,
      ),
    ).toEqual([
      [0, 1],
      [10, 1],
    ]);
  });
  test('a right angle is mitred: both legs keep their distance', () => {
    const [, corner] = beside(
      [
        [0, 0],
        [10, 0],
        [10, 10],
      ],
      1,
    );
    expect(corner![0]).toBeCloseTo(9, 12);
    expect(corner![1]).toBeCloseTo(1, 12);
  });
  test('left and right never meet on a turn', () => {
    const ring = Array.from({ length: 20 }, (_, k) => {
      const angle = (k / 20) * 2 * Math.PI;
      return [Math.cos(angle), Math.sin(angle)] as const;
    });
    const [inner, outer] = [beside(ring, 0.1), beside(ring, -0.1)];
    for (const [k, [x, y]] of inner.entries()) {
      expect(Math.hypot(x, y)).toBeLessThan(1);
      expect(Math.hypot(...outer[k]!)).toBeGreaterThan(1);
    }
  });
  test('points on top of one another, a way back, one point alone: numbers all the same', () => {
    for (const points of [
      [[1, 1]],
      [
        [1, 1],
        [1, 1],
      ],
      [
        [0, 0],
        [1, 0],
        [0, 0],
      ],
    ] as const)
      for (const [x, y] of beside(points, 0.5)) expect(Number.isFinite(x + y)).toBe(true);
  });
});
