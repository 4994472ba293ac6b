import fc from 'fast-check';
import { unit as made } from '../testing/makers';
import { effectiveUnit, efficacyLmPerW, minorPerKilolumen } from './effective';
import { labelFindings } from './sanity';
import type { Bulb } from './unit';
import { lumensOfEquivalent } from './equivalence';

const label = { wattsW: 'label', luminousFluxLm: 'label', cctK: 'label' } as const;
/** An ordinary globe, its box read: three for 8.99. */
const plain = made('bulb', {
  wattsW: 9,
  luminousFluxLm: 806,
  equivalentW: 60,
  cctK: 4000,
  criRa: 80,
  priceMinor: 899,
  packCount: 3,
  origins: label,
});
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
    const unit = effectiveUnit({ ...plain, luminousFluxLm: null, equivalentW: null, criRa: null });
    expect(unit.luminousFluxLm).toEqual({ value: 810, origin: 'typical' });
    expect(unit.criRa).toEqual({ value: 80, origin: 'typical' });
  });
  test('a claim beats a guess from watts', () => {
    const unit = effectiveUnit({ ...plain, luminousFluxLm: null, equivalentW: 60 });
    expect(unit.luminousFluxLm.value).toBe(800);
  });
  test('a metered value keeps its origin', () => {
    const metered = { ...plain, origins: { ...label, luminousFluxLm: 'metered' as const } };
    expect(effectiveUnit(metered).luminousFluxLm.origin).toBe('metered');
    expect(effectiveUnit(metered).cctK.origin).toBe('label');
  });
  test('ranking figures: 806 lm / 9 W; €8.99 for three of 806 lm', () => {
    const unit = effectiveUnit(plain);
    expect(efficacyLmPerW(unit)).toBeCloseTo(89.6, 1);
    expect(minorPerKilolumen(plain)).toBeCloseTo(371.8, 1);
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
  test('a life of a few days is told, one of years is not', () => {
    expect(traps({ ratedLifeH: 30 })).toContain('life');
    expect(traps({ ratedLifeH: 15_000 })).not.toContain('life');
  });
  test('fluorescent bulbs warm up', () => expect(traps({ kind: 'cfl' })).toContain('warm-up'));
});
