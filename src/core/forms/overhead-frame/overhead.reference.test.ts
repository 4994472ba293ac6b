import { planCuts } from '../../shop/cutPlan';
import { finished } from '../../making/finishing';
import { demoBuild } from '../testing';
import { loadOnSupports } from '../../statics/load';

const frame = (over: Record<string, unknown> = {}) =>
  demoBuild('deck-sky', { fillMode: 'count', tapeLengthM: 60, ...over });
const steps = () => {
  const { resolved, context } = frame();
  return finished(resolved, context);
};
/** What the engine of loads says of it. */
const load = (over: Record<string, unknown>) =>
  loadOnSupports(frame(over).resolved).map(({ id, severity }) => `${id} ${severity}`);

describe('a braced 6 × 3 m frame takes about 50 m of pipe (docs/model)', () => {
  test('with bars every 0.6 m: 2 × 6 + 11 × 3 = 45 m', () => {
    const { fact } = frame({ widthM: 6, heightM: 3, barSpacingM: 0.6 });
    expect(fact('bars')).toBe(9);
    expect(fact('pipe')).toBeCloseTo(45, 9);
  });
  test('with bars every half metre: 2 × 6 + 13 × 3 = 51 m', () => {
    expect(frame({ widthM: 6, heightM: 3, barSpacingM: 0.5 }).fact('pipe')).toBeCloseTo(51, 9);
  });
  test('the pieces add up to it', () => {
    const { sticks, fact } = frame({ widthM: 6, heightM: 3, barSpacingM: 0.6 });
    const sum = sticks.reduce((total, { lengthM, count }) => total + lengthM * count, 0);
    expect(sum).toBeCloseTo(fact('pipe')!, 9);
  });
  test('longer than a stick is coupled', () => {
    const { sticks, need } = frame({ widthM: 12, heightM: 8, barSpacingM: 6 });
    expect(Math.max(...sticks.map(({ lengthM }) => lengthM))).toBeLessThanOrEqual(6);
    expect(need('coupler')).toBe(3);
  });
  test('whole sticks and a rest, not two halves: 4 × 3.6 m and 6 × 4 m from bars of 3 m (by hand)', () => {
    const bars = (widthM: number, heightM: number) => {
      const { resolved, context } = frame({
        widthM,
        heightM,
        barSpacingM: 2,
        pipePartId: 'pipe-20',
      });
      const shop = { ...context.part('pipe-20' as never)!, offCuts: [] };
      const [plan] = planCuts(
        resolved.pieces.filter(({ kind }) => kind === 'stick'),
        1,
        () => shop,
      ).plans;
      return plan?.kind === 'stick' && plan.bars;
    };
    expect(bars(4, 3.6)).toBe(7);
    expect(bars(6, 4)).toBe(12);
  });
  test('what a fitting takes is off both ends of every pipe', () => {
    const long = (takeOffM: number) =>
      frame({ widthM: 6, heightM: 3, barSpacingM: 0.6, takeOffM }).sticks.map(
        ({ lengthM }) => lengthM,
      );
    const [bare, taken] = [long(0), long(0.0185)];
    taken.forEach((lengthM, k) => expect(bare[k]! - lengthM).toBeCloseTo(2 * 0.0185, 9));
    expect(frame({ takeOffM: 0 }).severity('overhead.take-off')).toBe('look');
    expect(frame({ takeOffM: 0.012 }).ids).not.toContain('overhead.take-off');
  });
  test('a carrier cord for every row, a jumper and two joints from each to the next', () => {
    const chained = frame({ feed: 'one' });
    const rows = chained.resolved.tape!.rowsM.length;
    expect(chained.need('cord')).toBeGreaterThan(rows * chained.resolved.built.widthM);
    expect(chained.resolved.steps.map(({ id }) => id)).toContain('tie-rows');
  });
  test('four elbows, two tees a bar', () => {
    const { need } = frame({ widthM: 6, heightM: 3, barSpacingM: 0.6 });
    expect([need('elbow'), need('tee')]).toEqual([4, 18]);
  });
});

describe('cloth: two of 6 × 1.5 m make 6 × 3 m', () => {
  const { fact, cloths } = frame({ widthM: 6, heightM: 3, seamM: 0, hemM: 0 });
  test('off a bolt of 1.5 m', () => {
    expect(fact('panels')).toBe(2);
    expect(fact('finished-w')).toBeCloseTo(6, 9);
    expect(fact('finished-h')).toBeCloseTo(3, 9);
    expect(cloths[0]).toMatchObject({ widthM: 6, heightM: 3 });
  });
  test('eyelets at most 30 cm apart: 2 × (20 + 10)', () => {
    expect(fact('eyelets')).toBe(60);
  });
});

describe('people are under it', () => {
  test('more load than the points bear is a stop', () => {
    expect(load({ pointLimitKg: 2 })).toContain('overhead.load stop');
    expect(load({})).toContain('overhead.load ok');
  });
  test('fewer than three points, no safety bond: stops', () => {
    expect(load({ hangPoints: 2 })).toContain('overhead.points stop');
    expect(load({ bonds: 'no' })).toContain('overhead.bond stop');
  });
  test('the rigger is always named', () => {
    expect(load({})).toContain('overhead.people look');
    const { hazards } = steps().find(({ id }) => id === 'hoist')!;
    expect(hazards.join(' ')).toMatch(/competent rigger.*nobody underneath/);
  });
  test('it hangs, so it is hoisted after its cloth and never put on a stand', () => {
    const ids = steps().map(({ id }) => id);
    expect(ids.slice(-4)).toEqual(['fit-layers', 'warm-checks', 'hoist', 'meter']);
    expect(ids).not.toContain('mount-and-tip');
  });
  test('the rows stand evenly about the middle: first row + 4 pitches + first row is the depth', () => {
    const { fact } = frame({ rows: 5, rowPitchM: 0.3, heightM: 2 });
    expect(2 * fact('first-row')! + 4 * fact('pitch')!).toBeCloseTo(2, 9);
  });
});

describe('tape in rows', () => {
  test('as many rows as fit the depth, no more than asked for', () => {
    expect(frame({ rows: 200, rowPitchM: 0.2, tapeLengthM: 400 }).resolved.emitters).toHaveLength(
      13 * 40,
    );
    expect(frame({ rows: 5, tapeLengthM: 400 }).resolved.emitters).toHaveLength(5 * 40);
  });
  test('stripes when the cloth hangs nearer than the rows are apart', () => {
    expect(frame({ clothDropM: 0.1 }).ids).toContain('overhead.stripes');
    expect(frame({ clothDropM: 0.3 }).ids).not.toContain('overhead.stripes');
  });
  test('bare rows are an open array, under cloth a mouth', () => {
    expect(frame({ layer1PartId: null }).resolved.mouth).toBeNull();
    expect(frame().resolved.mouth).toMatchObject({ shape: 'rectangle', cavity: null });
  });
  test('absurd sizes stop at the schema', () => {
    const { schemaTakes } = frame();
    for (const wrong of [{ widthM: 13 }, { rows: 1e6 }, { hangPoints: 0 }, { tapeLengthM: 1e9 }])
      expect(schemaTakes(wrong)).toBe(false);
  });
});
