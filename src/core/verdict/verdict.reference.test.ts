import { sample } from '../testing/sample';
import { compare, meteredSentence, softnessWords, type Contender } from './compare';
import { fixtureIlluminanceLx } from './fixture';

const document = sample();
const shot = document.shots[0]!;
const dome = document.fixtures.find(({ id }) => id === 'monolight-60-dome')!;
const fresnel = document.fixtures.find(({ id }) => id === 'fresnel-300')!;

/** A contender that obeys the inverse square, so that answers are known in closed form. */
const point = (lxAtShot: number, over: Partial<Contender> = {}): Contender => {
  const illuminanceAt = (distanceM: number) => (lxAtShot * shot.distanceM ** 2) / distanceM ** 2;
  const way = Array.from({ length: 40 }, (_, k) => shot.distanceM * 0.94 ** k);
  return {
    formName: 'Bulb ring',
    illuminanceLx: lxAtShot,
    exposureTimeS: 0.02,
    angleDeg: 41,
    separate: false,
    softTrouble: null,
    fullMinor: 2421,
    spentNowMinor: 1800,
    unpriced: 0,
    dimmable: false,
    illuminanceAt,
    approach: way.map((distanceM) => ({ distanceM, illuminanceLx: illuminanceAt(distanceM) })),
    ...over,
  };
};

describe('a fixture at other distances (disc to point configuration factor)', () => {
  test('at its own distance it gives what the sheet says', () => {
    expect(fixtureIlluminanceLx(dome, 1)).toBeCloseTo(1150, 9);
  });
  test('far away it obeys the inverse square', () => {
    const ratio = fixtureIlluminanceLx(dome, 20) / fixtureIlluminanceLx(dome, 40);
    expect(ratio).toBeCloseTo(4, 2);
  });
  test('close to a large front it does not: on a disc of Lambert exitance E = M·R²/(R²+d²)', () => {
    const R2 = 0.81 / Math.PI;
    expect(fixtureIlluminanceLx(dome, 0.2)).toBeCloseTo((1150 * (1 + R2)) / (0.04 + R2), 6);
    expect(fixtureIlluminanceLx(dome, 0.2)).toBeLessThan(1150 * 25);
  });
});

describe('comparison', () => {
  const lx = fixtureIlluminanceLx(dome, 1.2);
  test('a quarter of the light is two stops under, four copies, half the distance', () => {
    const found = compare(point(lx / 4), dome, shot, document);
    expect(found.stops).toBeCloseTo(-2, 12);
    expect(found.copiesToEqual).toBe(4);
    expect(found.distanceToEqualM).toBeCloseTo(0.6, 3);
  });
  test('as much light needs no moving', () => {
    expect(compare(point(lx * 2), dome, shot, document)).toMatchObject({
      copiesToEqual: 1,
      distanceToEqualM: 1.2,
    });
  });
  test('out of reach is said, not scaled', () => {
    const dim = point(1, { approach: [], illuminanceAt: () => 1 });
    expect(compare(dim, dome, shot, document).distanceToEqualM).toBeNull();
  });
  test('money: €24.21 of €269 is 9 %, per lux, and the hire days that pay for it', () => {
    const found = compare(point(100), dome, shot, document);
    expect(found.priceShare).toBeCloseTo(0.09, 6);
    expect(found.minorPerLx).toBeCloseTo(24.21, 9);
    expect(found.breakEvenDays).toBe(1);
  });
  test('the ISO that lives with it, by ISO 2720: 250·2.8²·50/E', () => {
    expect(compare(point(122.5), dome, shot, document).isoToEqual).toBeCloseTo(800, 9);
  });
  test('the sentence holds place, stops, softness, money and ISO', () => {
    const { sentence } = compare(point(lx / 2 ** 2.1), dome, shot, document);
    expect(sentence).toMatch(
      /^At 1\.20 m your bulb ring is 2\.1 stops under the 60 W daylight monolight with 90 cm dome, equally soft, for 9\.0 % of the price\. At ISO \d+ you make f\/2\.8\.$/,
    );
  });
  test('lamps that show one by one are never called equally soft', () => {
    const { sentence } = compare(point(lx, { separate: true }), dome, shot, document);
    expect(sentence).toContain('several thin shadows');
    expect(sentence).not.toContain('soft,');
  });
  test('a sum that lacks a price is a lower bound, and says so', () => {
    const { sentence } = compare(point(lx, { unpriced: 2 }), dome, shot, document);
    expect(sentence).toContain('for at least 9.0 % of the price');
  });
  test('no light yet is said as such', () => {
    const found = compare(point(0), dome, shot, document);
    expect(found.sentence).toContain('gives no light yet');
    expect(found.minorPerLx).toBeNull();
  });
  test('a dimmer on the build takes that advantage from the fixture', () => {
    expect(compare(point(9), dome, shot, document).lacks).toContain('dimmer');
    expect(compare(point(9, { dimmable: true }), dome, shot, document).lacks).not.toContain(
      'dimmer',
    );
    expect(compare(point(9), fresnel, shot, document).softnessRatio).toBeGreaterThan(5);
  });
  test('what a meter read stands beside the forecast: a quarter of the light is two stops under', () => {
    const found = compare(point(lx), dome, shot, document);
    const read = (share: number, simulated = false) => ({ illuminanceLx: share * lx, simulated });
    expect(meteredSentence(found, read(1 / 4), false)).toMatch(
      /^Your meter reads \d+ lx there, 2\.0 stops under it\.$/,
    );
    expect(meteredSentence(found, read(1, true), true)).toMatch(
      /^The simulated meter reads \d+ lx there, level with it\. The forecast follows readings/,
    );
    expect(meteredSentence(found, null, false)).toBe('');
  });
  test('softness in words', () => {
    expect([0.5, 1, 2].map(softnessWords)).toEqual(['harder', 'equally soft', 'softer']);
  });
});

test('what a finding says against its softness is never called as soft', () => {
  const angleDeg = 41;
  const said = (over: Partial<Contender>) =>
    compare(point(100, { angleDeg, ...over }), dome, shot, document).sentence;
  expect(said({})).toContain('equally soft');
  expect(said({ softTrouble: 'Dots show through' })).not.toContain('equally soft');
  expect(said({ softTrouble: 'Dots show through' })).toContain('dots show through');
  expect(said({ separate: true })).not.toContain('equally soft');
});
