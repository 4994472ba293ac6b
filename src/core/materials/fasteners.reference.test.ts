import {
  boltFor,
  machineScrewFor,
  mentions,
  nameFits,
  screwFor,
  THREADS,
  washersFor,
  washerSize,
  type ThreadId,
} from './fasteners';

/** ISO 273 medium clearance, ISO 7089 washers (outer Ø, thickness), ISO 4032 nuts; from memory. */
const METRIC: [ThreadId, clearance: number, outer: number, thick: number, nut: number][] = [
  ['M4', 4.5, 9, 0.8, 3.2],
  ['M5', 5.5, 10, 1, 4.7],
  ['M6', 6.6, 12, 1.6, 5.2],
  ['M8', 9, 16, 1.6, 6.8],
  ['M10', 11, 20, 2, 8.4],
];

test.each(METRIC)(
  '%s: hole, washer and nut as the standards have them',
  (id, hole, outer, thick, nut) => {
    const { clearanceM, washer, nutM } = THREADS[id];
    expect([clearanceM, washer.outerM, washer.thickM, nutM].map((m) => m * 1000)).toEqual(
      [hole, outer, thick, nut].map((mm) => expect.closeTo(mm, 9)),
    );
  },
);
test('a bolt passes its own hole, its pilot is smaller than it is', () => {
  for (const { diameterM, clearanceM, pilotM, washer } of Object.values(THREADS)) {
    expect(clearanceM).toBeGreaterThan(diameterM);
    expect(pilotM).toBeLessThan(diameterM);
    expect(washer.outerM).toBeGreaterThan(clearanceM);
  }
});

describe('length from what is clamped', () => {
  test('nut and two threads stand out of it, the next length sold is taken', () => {
    // 30 mm, a nut of 5.2 and two pitches of 1 mm: 37.2.
    expect(boltFor('M6', 0.03)).toMatchObject({ size: 'M6 × 40', lengthM: 0.04 });
    expect(boltFor('M6', 0.0328)).toMatchObject({ size: 'M6 × 40' });
    expect(boltFor('M6', 0.0329)).toMatchObject({ size: 'M6 × 45' });
    // 2 mm of tin: 2 + 3.2 + 1.4 = 6.6 → 8.
    expect(boltFor('M4', 0.002)).toMatchObject({ size: 'M4 × 8' });
  });
  test('inches for inch threads; nobody sells one of half a metre', () => {
    expect(boltFor('1/4-20', 0.006)).toMatchObject({ size: '1/4-20 × 5/8 in' });
    expect(boltFor('3/8-16', 0.02)).toMatchObject({ size: '3/8-16 × 1 1/4 in' });
    expect(boltFor('M6', 0.5)).toBeNull();
  });
  test('a screw into a thread of the thing goes in by its own diameter', () => {
    expect(machineScrewFor('1/4-20', 0.009)!.lengthM).toBeGreaterThanOrEqual(0.009 + 0.00635);
  });
  test('a wood screw’s point stays inside', () => {
    expect(screwFor(0.013)).toEqual({ size: '3 × 12', lengthM: 0.012 });
    expect(screwFor(0.01)).toMatchObject({ size: '3 × 10' });
    expect(screwFor(0.009)).toBeNull();
    expect(screwFor(1)).toMatchObject({ size: '4 × 60' });
  });
});

test('washers fill a gap whole: 24 mm are fifteen of M6, twenty-four of M5 (common practice)', () => {
  expect(washersFor('M6', 0.024)).toEqual({ count: 15, thickM: expect.closeTo(0.024, 12) });
  expect(washersFor('M5', 0.024)).toEqual({ count: 24, thickM: expect.closeTo(0.024, 12) });
  expect(washersFor('M6', 0.0245).count).toBe(16);
  expect(washerSize('M6')).toBe('M6, 1.6 mm thick,');
});

describe('which thing on the shelf is it', () => {
  test.each([
    ['Bolts M6 × 40 with nut, 20', 'M6 × 40', true],
    ['Bolts M6 x 40', 'M6 × 40', true],
    ['Bolts M6 × 30 with nut', 'M6 × 40', false],
    ['Bolts M5 with nut, 20', 'M6 × 40', false],
    ['Bolts M6 with nut, 20', 'M6 × 40', true],
    ['Bolts with nut, assorted', 'M6 × 40', true],
    ['Wood screws 3 × 16, 100', '3 × 12', false],
    ['Wood screws 3 × 12, 100', '3 × 12', true],
    ['Washers 1.6 mm, 100', 'M6, 1.6 mm thick,', true],
    ['Washers 1 mm, 100', 'M6, 1.6 mm thick,', false],
    ['Screws 1/4-20, 4', '1/4-20 × 5/8 in', true],
    ['Screws 3/8-16, 4', '1/4-20 × 5/8 in', false],
  ])('“%s” for %s: %s', (name, size, fits) => expect(nameFits(name, size)).toBe(fits));
  test('a name that says the size in so many words', () => {
    expect(mentions('Bolts M6 × 40 with nut', 'M6 × 40')).toBe(true);
    expect(mentions('Bolts M6 with nut', 'M6 × 40')).toBe(false);
  });
});
