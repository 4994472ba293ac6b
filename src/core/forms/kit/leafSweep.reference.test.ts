import fc from 'fast-check';
import { closingCollision, type Leaves } from './leafSweep';

const leaves = (over: Partial<Leaves>): Leaves => ({
  leafLengthM: 0.14,
  topFreeM: 0.203,
  cornerM: 0.038,
  sideHingeM: 0.114,
  sideFreeM: 0.051,
  openedRad: Math.PI / 4,
  foldFirst: 'sides',
  ...over,
});

describe('worked out by hand', () => {
  test('leaves 6½ → 8 in on a face of 165 × 140 mm fold flat, sides first (common practice)', () => {
    expect(closingCollision(leaves({}), 0.165, 0.14)).toBeNull();
  });
  test('top first, a leaf of 160 on a face 140 high passes the lower hinge, whatever its corner', () => {
    for (const cornerM of [0, 0.038])
      expect(
        closingCollision(
          leaves({ foldFirst: 'top', leafLengthM: 0.16, topFreeM: 0.15, cornerM }),
          0.165,
          0.14,
        ),
      ).toMatchObject({ moving: 'top', meets: 'bottom' });
  });
  test('sides first, a face of 300 × 140 and leaves of 200: the top leaf passes the lower hinge', () => {
    expect(
      closingCollision(
        leaves({ leafLengthM: 0.2, topFreeM: 0.3, sideHingeM: 0.1, sideFreeM: 0.05 }),
        0.3,
        0.14,
      ),
    ).toMatchObject({ moving: 'top', meets: 'bottom' });
  });
  test('a side leaf 300 wide at its free edge on a face 140 high is in the way of top and bottom', () => {
    const found = closingCollision(leaves({ sideFreeM: 0.3 }), 0.165, 0.14)!;
    expect(['left', 'right', 'top', 'bottom']).toContain(found.moving);
    expect(new Set([found.moving, found.meets])).not.toEqual(new Set(['left', 'right']));
  });
  test('top first, a free edge wider than the face is in the sides’ way', () => {
    expect(
      closingCollision(leaves({ foldFirst: 'top', leafLengthM: 0.13 }), 0.165, 0.14),
    ).not.toBeNull();
    expect(
      closingCollision(
        leaves({ foldFirst: 'top', leafLengthM: 0.13, topFreeM: 0.15 }),
        0.165,
        0.14,
      ),
    ).toBeNull();
  });
});

test('leaves that are rectangles within the face always fold; one longer than the way across never does', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.1, max: 1, noNaN: true }),
      fc.double({ min: 0.1, max: 1, noNaN: true }),
      fc.double({ min: 0.2, max: 0.99, noNaN: true }),
      fc.double({ min: 0, max: 1.5, noNaN: true }),
      fc.constantFrom('sides' as const, 'top' as const),
      (width, height, share, openedRad, foldFirst) => {
        const fits = leaves({
          leafLengthM: share * Math.min(width, height),
          topFreeM: width,
          cornerM: 0,
          sideHingeM: 0.95 * height,
          sideFreeM: 0.95 * height,
          openedRad,
          foldFirst,
        });
        expect(closingCollision(fits, width, height)).toBeNull();
        const long = { ...fits, leafLengthM: 1.05 * Math.max(width, height) + 0.02 };
        expect(closingCollision(long, width, height)).not.toBeNull();
      },
    ),
    { seed: 8, numRuns: 60 },
  );
});
