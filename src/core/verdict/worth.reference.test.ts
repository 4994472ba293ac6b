import { breakEvenDays, costAfter, energyPerDayMinor, type WayCost } from './breakEven';
import { checkClaim, type Claim, type Claimed } from './claims';
import { softLike } from './softLike';

const free = { rateMinorPerHour: 0, minorPerKwh: null, hoursADay: 8 };
const way = (over: Partial<WayCost>): WayCost => ({
  onceMinor: 0,
  hours: 0,
  perDayMinor: 0,
  watts: 0,
  resale: 0,
  ...over,
});

describe('break-even by hand', () => {
  const build = way({ onceMinor: 8000, hours: 4, watts: 50 });
  const hire = way({ perDayMinor: 1800, watts: 200 });
  test('80 € against 18 € a day: level after 8000 / 1800 days', () =>
    expect(breakEvenDays(build, hire, free)).toBeCloseTo(8000 / 1800, 12));
  test('four hours at 10 € are 40 € more to earn back', () =>
    expect(breakEvenDays(build, hire, { ...free, rateMinorPerHour: 1000 })).toBeCloseTo(
      12_000 / 1800,
      12,
    ));
  test('energy: 200 W for 8 h at 40 ct a kWh is 64 ct a day', () => {
    const paid = { ...free, minorPerKwh: 40 };
    expect(energyPerDayMinor(hire, paid)).toBeCloseTo(64, 12);
    // 18.64 € a day against 0.16 €.
    expect(breakEvenDays(build, hire, paid)).toBeCloseTo(8000 / (1864 - 16), 12);
    expect(costAfter(build, 3, paid)).toBeCloseTo(8048, 12);
  });
  test('bought for 269 € and sold for half of it costs 134.50 €', () =>
    expect(costAfter(way({ onceMinor: 26_900, resale: 0.5 }), 10, free)).toBe(13_450));
  test('what is never dearer is level at once; what never catches up is never', () => {
    expect(breakEvenDays(way({ onceMinor: 100 }), way({ onceMinor: 200 }), free)).toBe(0);
    expect(breakEvenDays(way({ onceMinor: 200 }), way({ onceMinor: 100 }), free)).toBeNull();
    expect(breakEvenDays(build, way({}), free)).toBeNull();
    expect(breakEvenDays(way({ perDayMinor: 50 }), way({ onceMinor: 20 }), free)).toBeNull();
  });
  test('at the day it is level, both have cost the same', () => {
    const counting = { rateMinorPerHour: 1250, minorPerKwh: 35, hoursADay: 10 };
    const days = breakEvenDays(build, hire, counting)!;
    expect(costAfter(build, days, counting)).toBeCloseTo(costAfter(hire, days, counting), 8);
  });
});

const light = (over: Partial<Claimed>): Claimed => ({
  name: 'it',
  watts: null,
  lumens: null,
  lux: null,
  atM: null,
  front: 'bare',
  priceMinor: null,
  ...over,
});
const claim = (over: Partial<Claim>): Claim => ({
  more: null,
  priceShare: null,
  one: light({}),
  other: light({}),
  ...over,
});

describe('claims, by worked sums', () => {
  test('“18 % more powerful” of 236 W against 200 W is said of watts', () => {
    const found = checkClaim(
      claim({ more: 0.18, one: light({ watts: 236 }), other: light({ watts: 200 }) }),
    );
    expect(found.restsOn).toBe('watts');
    expect(found.ratios[0]!.asTold).toBeCloseTo(1.18, 12);
    expect(found.words.join(' ')).toContain('what goes in, not what comes out');
    expect(found.words.join(' ')).toContain('Missing to know: lux of both at one distance');
  });
  test('1180 lx at 1 m against 1000 lx at 3 m is nine times less light, like for like', () => {
    const found = checkClaim(
      claim({
        more: 0.18,
        one: light({ lux: 1180, atM: 1 }),
        other: light({ lux: 1000, atM: 3 }),
      }),
    );
    expect(found.ratios[0]!.likeForLike).toBeCloseTo(1180 / 9000, 12);
    expect(found.words.join(' ')).toContain('compares lux at two distances');
    // log2(1180/9000) = −2.93
    expect(found.words.join(' ')).toContain('2.9 stops');
  });
  test('18 % of light is a quarter of a stop, which nobody sees', () => {
    const found = checkClaim(
      claim({
        more: 0.18,
        one: light({ lux: 1180, atM: 1 }),
        other: light({ lux: 1000, atM: 1 }),
      }),
    );
    // log2(1.18) = 0.24
    expect(found.words.join(' ')).toContain('0.2 stops: nobody sees a third of a stop');
  });
  test('a tenth of the price, told by the prices', () => {
    const priced = (one: number, other: number) =>
      checkClaim(
        claim({
          priceShare: 0.1,
          one: light({ priceMinor: one }),
          other: light({ priceMinor: other }),
        }),
      );
    expect(priced(5000, 50_000).priceHolds).toBe(true);
    expect(priced(9000, 50_000)).toMatchObject({ priceHolds: false, priceRatio: 0.18 });
    expect(checkClaim(claim({ priceShare: 0.1 }))).toMatchObject({ priceHolds: null });
    expect(priced(5000, 0).priceRatio).toBeNull();
  });
  test('bare against diffused is two different lights; unsaid is said', () => {
    const two = (front: Claimed['front']) =>
      checkClaim(
        claim({
          more: 1,
          one: light({ lumens: 2000 }),
          other: light({ lumens: 1000, front }),
        }),
      ).words.join(' ');
    expect(two('soft')).toContain('two different lights');
    expect(two('unknown')).toContain('not said of both');
    expect(two('bare')).not.toContain('different lights');
  });
  test('nothing typed claims nothing', () =>
    expect(checkClaim(claim({}))).toMatchObject({ ratios: [], restsOn: null, words: [] }));
});

describe('softness by known things', () => {
  test('the sun is half a degree wide [32 arc minutes]', () =>
    expect(softLike(0.5)).toMatchObject({ name: 'the sun', angleDeg: expect.closeTo(0.533, 2) }));
  test('at every angle something is within a factor of 1.8, and grows with it', () => {
    let last = 0;
    for (let angle = 0.5; angle <= 180; angle *= 1.07) {
      const like = softLike(angle).angleDeg;
      expect(Math.max(like / angle, angle / like)).toBeLessThan(1.8);
      expect(like).toBeGreaterThanOrEqual(last);
      last = like;
    }
  });
});
