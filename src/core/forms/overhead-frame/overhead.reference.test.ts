import type { PartOf } from '../../materials/part';
import { demoBuild } from '../testing';
import { sagM, secondMoment } from './layout';

const frame = (over: Record<string, unknown> = {}) =>
  demoBuild('deck-sky', { fillMode: 'count', tapeLengthM: 60, ...over });
const pipe = (over: Partial<PartOf<'stick'>> = {}) => {
  const { context } = frame();
  return { ...(context.part('pipe-alu-25' as never) as PartOf<'stick'>), ...over };
};

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
    expect(need('pipe-clamp')).toBe(3);
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

describe('statics', () => {
  test('second moment of a round tube 25 × 2 mm: π/64·(25⁴ − 21⁴) = 9628 mm⁴', () => {
    expect(secondMoment(pipe()) * 1e12).toBeCloseTo(9628.2, 0);
  });
  test('of a solid square 20 mm: 20⁴/12 = 13333 mm⁴', () => {
    expect(secondMoment(pipe({ profile: 'square', diameterM: 0.02, wallM: 0 })) * 1e12).toBeCloseTo(
      13333.3,
      0,
    );
  });
  test('sag 5·w·L⁴/(384·E·I): 2.5 m, 1 kg/m of aluminium is 7.5 mm', () => {
    // 5 · 9.81 · 2.5⁴ / (384 · 69e9 · 9.628e-9) = 7.51 mm.
    expect(sagM(pipe(), 2.5, 1) * 1000).toBeCloseTo(7.51, 2);
  });
  test('twice the span sags sixteen times as far', () => {
    expect(sagM(pipe(), 4, 1) / sagM(pipe(), 2, 1)).toBeCloseTo(16, 9);
  });
  test('load on a point is the mass over the points and a third more', () => {
    const { fact, resolved } = frame();
    expect(fact('load')).toBeCloseTo((resolved.massKg / 6) * 1.33, 9);
  });
});

describe('people are under it', () => {
  test('more load than the points bear is a stop', () => {
    expect(frame({ pointLimitKg: 2 }).severity('overhead.load')).toBe('stop');
    expect(frame().severity('overhead.load')).toBe('ok');
  });
  test('fewer than three points, no safety bond: stops', () => {
    expect(frame({ hangPoints: 2 }).severity('overhead.points')).toBe('stop');
    expect(frame({ bonds: 'no' }).severity('overhead.bond')).toBe('stop');
  });
  test('the rigger is always named', () => {
    expect(frame().ids).toContain('overhead.rigger');
    expect(frame().resolved.steps.find(({ title }) => title === 'Hoist it')!.hazards[0]).toContain(
      'nobody underneath',
    );
  });
  test('it hangs, so it is hoisted after its cloth and never put on a stand', () => {
    const titles = frame().resolved.steps.map(({ title }) => title);
    expect(titles.slice(-3)).toEqual(['Fit the layer', 'Hoist it', 'Meter it']);
    expect(titles.filter((title) => /stand|tip it/.test(title))).toEqual([]);
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
