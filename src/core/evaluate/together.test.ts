import { sample } from '../testing/sample';
import { findBuild } from './context';
import { togetherOf } from './together';

const document = sample();
const inUse = document.builds.filter(({ standing }) => standing === 'in use');

describe('several lights as one job', () => {
  test('bought together they never cost more than one by one, and every piece is laid out once a copy', () => {
    const all = togetherOf(
      document,
      inUse.map(({ id }) => id),
    );
    expect(all.builds).toHaveLength(inUse.length);
    expect(all.purchase.spentNowMinor).toBeLessThanOrEqual(all.apartMinor);
    const apart = inUse.map(({ id }) => togetherOf(document, [id]));
    const count = (plans: typeof all.cuts.plans) =>
      plans.reduce((sum, { pieces }) => sum + pieces.length, 0);
    expect(count(all.cuts.plans)).toBe(apart.reduce((sum, { cuts }) => sum + count(cuts.plans), 0));
    expect(all.massKg).toBeCloseTo(
      apart.reduce((sum, { massKg }) => sum + massKg, 0),
      9,
    );
  });
  test('pieces wear the letter of their light, alone they wear none', () => {
    const [a, b] = ['clerk-ring', 'cabin-box'];
    const both = togetherOf(document, [a!, b!]);
    const marks = both.cuts.plans.flatMap((plan) => ('marks' in plan ? plan.marks : []));
    expect(marks.every((mark) => /^[AB]·/.test(mark))).toBe(true);
    const alone = togetherOf(document, [a!]).cuts.plans.flatMap((plan) =>
      'marks' in plan ? plan.marks : [],
    );
    expect(alone.some((mark) => mark.includes('A·'))).toBe(false);
  });
  test('the disc that falls out of a ring of 1 m by 15 cm is the sheet of a ring of 60 cm', () => {
    const copy = structuredClone(document);
    const first = findBuild(copy, 'clerk-ring')!;
    const second = structuredClone(first);
    Object.assign(second, { id: 'small-ring', name: 'Small ring', copies: 1 });
    Object.assign(second.parameters, { outerDiameterM: 0.6 });
    copy.builds.push(second);
    const both = togetherOf(copy, ['clerk-ring', 'small-ring']);
    const [board] = both.cuts.plans.filter(({ kind }) => kind === 'sheet');
    expect(board!.kind === 'sheet' && board!.nesting.sheets).toHaveLength(1);
    expect(board!.pieces).toHaveLength(2);
    const [x, y] = board!.kind === 'sheet' ? board!.nesting.sheets[0]!.placements : [];
    // Concentric or not: the small one stands wholly inside the box of the large one.
    const inside = Math.max(x!.w, y!.w) === x!.w ? ([x!, y!] as const) : ([y!, x!] as const);
    expect(inside[1].x).toBeGreaterThan(inside[0].x);
    expect(inside[1].x + inside[1].w).toBeLessThan(inside[0].x + inside[0].w);
  });
  test('the car: a light folds, what comes off it lies beside, and its mass is its own', () => {
    for (const { id, copies, parameters } of inUse) {
      const { loads, massKg } = togetherOf(document, [id]);
      if ('source' in parameters && parameters.source === 'window') {
        expect(loads).toEqual([]);
        continue;
      }
      expect(loads.length).toBeGreaterThan(0);
      for (const load of loads) {
        expect(load.count).toBe(copies);
        expect(load.massKg).toBeGreaterThanOrEqual(0);
        for (const side of [load.widthM, load.heightM, load.depthM])
          expect(side).toBeGreaterThan(0);
      }
      expect(massKg).toBeGreaterThan(0);
    }
  });
  test('a light that is not there is left out', () =>
    expect(togetherOf(document, ['nobody', 'clerk-ring']).builds).toHaveLength(1));
});
