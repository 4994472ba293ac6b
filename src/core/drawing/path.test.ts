import fc from 'fast-check';
import { bulgeOf, edgeArc, edgesOf, straightened } from './path';
import { outline, shapesExtent } from './shapes';

test('half a circle anticlockwise: bulge 1 (DXF reference)', () => {
  expect(bulgeOf(Math.PI)).toBeCloseTo(1, 12);
  const arc = edgeArc([1, 0], [-1, 0], 1)!;
  expect([arc.x, arc.y, arc.r]).toEqual([
    expect.closeTo(0, 12),
    expect.closeTo(0, 12),
    expect.closeTo(1, 12),
  ]);
  expect(arc.turnRad).toBeCloseTo(Math.PI, 12);
  expect(edgeArc([0, 0], [1, 0], 0)).toBeNull();
});

test('every point of an arc’s chords lies on it, its ends where they should', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.05, max: 3, noNaN: true }),
      fc.double({ min: -3, max: 3, noNaN: true }),
      fc.double({ min: 0.1, max: 6, noNaN: true }),
      fc.boolean(),
      (r, from, turn, back) => {
        const angle = back ? -turn : turn;
        const on = (at: number) => [r * Math.cos(at), r * Math.sin(at)] as const;
        const points = straightened({
          points: [on(from), on(from + angle)],
          bulges: [bulgeOf(angle)],
        });
        for (const [x, y] of points) expect(Math.hypot(x, y)).toBeCloseTo(r, 6);
        expect(points.at(-1)).toEqual(on(from + angle));
        const arc = edgeArc(on(from), on(from + angle), bulgeOf(angle))!;
        expect(arc.turnRad).toBeCloseTo(angle, 9);
      },
    ),
    { seed: 3, numRuns: 200 },
  );
});

test('a closed path has an edge back to its beginning; its extent is that of its arcs', () => {
  const disc = outline(
    [
      [1, 0],
      [-1, 0],
    ],
    [1, 1],
    'cut',
  );
  if (disc.kind !== 'polyline') throw new Error('an outline');
  expect(edgesOf(disc)).toHaveLength(2);
  expect(shapesExtent([disc])).toEqual({
    left: expect.closeTo(-1, 12),
    right: expect.closeTo(1, 12),
    bottom: expect.closeTo(-1, 12),
    top: expect.closeTo(1, 12),
  });
});
