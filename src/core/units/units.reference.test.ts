import fc from 'fast-check';
import { nightFerry } from '@/demo/nightFerry';
import type { Bulb } from './bulb';
import { effectiveBulb, efficacyLmPerW, minorPerKilolumen } from './effective';
import { lumensOfEquivalent } from './equivalence';
import { labelFindings } from './sanity';

const demo = nightFerry().shelf.bulbs;
const plain = demo.find(({ id }) => id === 'globe-a60-9-4000')!;
const traps = (over: Partial<Bulb>) =>
  labelFindings({ ...plain, ...over }).map(({ id }) => id.split('.')[1]);

describe('ENERGY STAR equivalence table (from memory)', () => {
  test.each([
    [25, 250],
    [40, 450],
    [60, 800],
    [75, 1100],
    [100, 1600],
    [150, 2600],
  ])('%i W is %i lm', (watts, lumens) => expect(lumensOfEquivalent(watts)).toBe(lumens));
  test('midpoints lie on the straight line; outside the table nothing is said', () => {
    expect(lumensOfEquivalent(50)).toBe(625);
    expect(lumensOfEquivalent(20)).toBeNull();
    expect(lumensOfEquivalent(200)).toBeNull();
  });
  test('it never falls', () => {
    fc.assert(
      fc.property(fc.integer({ min: 25, max: 149 }), (watts) => {
        expect(lumensOfEquivalent(watts + 1)!).toBeGreaterThan(lumensOfEquivalent(watts)!);
      }),
      { seed: 3 },
    );
  });
});

describe('what a label hides is filled in and marked', () => {
  test('silent label: typical figures', () => {
    const unit = effectiveBulb({ ...plain, luminousFluxLm: null, equivalentW: null, criRa: null });
    expect(unit.luminousFluxLm).toEqual({ value: 810, origin: 'typical' });
    expect(unit.criRa).toEqual({ value: 80, origin: 'typical' });
  });
  test('a claim beats a guess from watts', () => {
    const unit = effectiveBulb({ ...plain, luminousFluxLm: null, equivalentW: 60 });
    expect(unit.luminousFluxLm.value).toBe(800);
  });
  test('a metered value keeps its origin', () => {
    const metered = { ...plain, origins: { luminousFluxLm: 'metered' as const } };
    expect(effectiveBulb(metered).luminousFluxLm.origin).toBe('metered');
    expect(effectiveBulb(metered).cctK.origin).toBe('label');
  });
  test('ranking figures: 806 lm / 9 W; €8.99 for three of 806 lm', () => {
    const unit = effectiveBulb(plain);
    expect(efficacyLmPerW(unit)).toBeCloseTo(89.6, 1);
    expect(minorPerKilolumen(unit)).toBeCloseTo(371.8, 1);
  });
});

describe('label traps (bounds typical of the class, from memory)', () => {
  test('9 W 9000 lm cannot be', () => {
    const [finding] = labelFindings({ ...plain, luminousFluxLm: 9000 });
    expect(finding).toMatchObject({ id: `label.efficacy.${plain.id}`, severity: 'look' });
    expect(finding!.message).toContain('1000 lm/W');
  });
  test.each([
    ['led', 9, 1980, false],
    ['led', 9, 1990, true],
    ['incandescent', 60, 1200, false],
    ['incandescent', 60, 1210, true],
    ['halogen', 42, 1060, true],
    ['cfl', 20, 1510, true],
  ] as const)('%s %i W %i lm → %s', (kind, wattsW, luminousFluxLm, wrong) =>
    expect(traps({ kind, wattsW, luminousFluxLm }).includes('efficacy')).toBe(wrong),
  );
  test('“100 W equivalent” with 600 lm is not kept; 806 lm for 60 W is', () => {
    expect(traps({ equivalentW: 100, luminousFluxLm: 600 })).toContain('equivalence');
    expect(traps({})).toEqual([]);
  });
  test('silence is told, figure by figure', () => {
    expect(traps({ luminousFluxLm: null, criRa: null, cctK: null })).toEqual([
      'lumens',
      'cri',
      'cct',
    ]);
  });
  test('fluorescent bulbs warm up', () => expect(traps({ kind: 'cfl' })).toContain('warm-up'));
});

test('the demo shelf: at least twelve bulbs, every figure marked typical, no brand-like names', () => {
  expect(demo.length).toBeGreaterThanOrEqual(12);
  for (const bulb of demo) expect(bulb.origins.luminousFluxLm).toBe('typical');
  expect(new Set(demo.map(({ name }) => name)).size).toBe(demo.length);
});
