import { writeEulumdat } from '../formats/eulumdat';
import { writeIes } from '../formats/ies';
import type { Photometry } from '../formats/photometric';
import { sample } from '../testing/sample';
import { fixtureIlluminanceLx } from '../verdict/fixture';
import { contestant, copiesToEqual, nearerToEqualM } from './contest';
import { evaluateKnown } from './testing';
import { readFixtureFile } from './fixtureFile';
import { givesUp, levelWith, missWords, sentenceOf } from './search/words';
import { judged } from './search/testing';

const document = sample();
const shot = document.shots[0]!;
const build = document.builds.find(({ form }) => form === 'bulb-ring')!;

describe('one light beside others', () => {
  test('a build is told by the figures its own readouts have', () => {
    const found = contestant(document, build.shotId!, { kind: 'build', id: build.id })!;
    const own = evaluateKnown(document, build.id);
    if (!own.ok) throw new Error('it has readouts');
    const rung = (id: string) => own.value.rungs.find((each) => each.id === id)!.value!;
    expect(found.judged.lux).toBeCloseTo(rung('light'), 6);
    expect(found.judged.watts).toBeCloseTo(rung('power'), 6);
    expect(found.judged.nowMinor).toBe(own.value.purchase.spentNowMinor);
    expect(found.stops.length > 0).toBe(
      own.value.findings.some(({ severity }) => severity === 'stop'),
    );
  });
  test('a fixture by its sheet; what is not there is nobody', () => {
    const [fixture] = document.fixtures;
    const found = contestant(document, shot.id, { kind: 'fixture', id: fixture!.id })!;
    expect(found.judged.lux).toBeCloseTo(fixtureIlluminanceLx(fixture!, shot.distanceM), 9);
    expect(found.features).toEqual(fixture!.features);
    expect(contestant(document, shot.id, { kind: 'fixture', id: 'nobody' })).toBeNull();
    expect(contestant(document, 'no shot', { kind: 'build', id: build.id })).toBeNull();
  });
  test('equals by hand: a quarter of the light is four copies, or half the way', () => {
    expect(copiesToEqual(100, 400)).toBe(4);
    expect(copiesToEqual(100, 401)).toBe(5);
    expect(copiesToEqual(400, 100)).toBe(1);
    expect(nearerToEqualM(100, 400, 2)).toBeCloseTo(1, 12);
    expect(nearerToEqualM(400, 100, 2)).toBe(2);
  });
});

describe('a fixture out of a photometric file', () => {
  const photometry: Photometry = {
    name: 'Test lamp',
    how: 'made for a test',
    lampLm: 3000,
    wattsW: 80,
    cctK: null,
    criRa: null,
    widthM: 0.6,
    heightM: 0.4,
    round: false,
    notes: [],
    date: '2026-11-28',
    planesDeg: [0, 90, 180, 270],
    anglesDeg: [0, 30, 60, 90],
    cd: [0, 1, 2, 3].map(() => [900, 700, 300, 0]),
  };
  const now = { frontWidthM: 0.3, frontHeightM: 0.3 };
  const bytes = (text: string) => new TextEncoder().encode(text);
  test.each([
    ['LM-63', 'lamp.ies', writeIes(photometry)],
    ['EULUMDAT', 'lamp.ldt', writeEulumdat(photometry)],
  ])('%s: from far off it gives I/d²', (_, name, text) => {
    const read = readFixtureFile(bytes(text), name, now);
    if (!read.ok) throw new Error(read.problems[0]!.message);
    const { figures } = read.value;
    expect(figures.frontWidthM).toBeCloseTo(0.6, 3);
    expect(figures.frontHeightM).toBeCloseTo(0.4, 3);
    const fixture = { ...document.fixtures[0]!, ...figures };
    expect(fixtureIlluminanceLx(fixture, 50) * 50 ** 2).toBeCloseTo(900, -1);
  });
  test('sizes in feet are read as feet [LM-63: unit type 1]', () => {
    const feet = writeIes({ ...photometry, widthM: 1, heightM: 1 }).replace(
      /^(1 \S+ \S+ \d+ \d+ 1) 2 /m,
      '$1 1 ',
    );
    expect(feet).not.toBe(writeIes({ ...photometry, widthM: 1, heightM: 1 }));
    const read = readFixtureFile(bytes(feet), 'lamp.ies', now);
    if (!read.ok) throw new Error(read.problems[0]!.message);
    expect(read.value.figures.frontWidthM).toBeCloseTo(0.3048, 4);
  });
  test.each([
    ['nothing', ''],
    ['rubbish', 'no light at all'],
    [
      'darkness on the axis',
      writeIes({ ...photometry, cd: photometry.cd.map(() => [0, 700, 300, 0]) }),
    ],
  ])('%s is refused with words', (_, text) => {
    const read = readFixtureFile(bytes(text), 'lamp.ies', now);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.problems[0]!.message.length).toBeGreaterThan(10);
  });
});

describe('answers in words', () => {
  const writing = { currency: 'EUR', units: 'metric' } as const;
  test('a sentence has size, lamp, light with its error, softness, money and work', () => {
    const words = sentenceOf(judged({ layers: ['silk'] }), writing);
    expect(words).toBe(
      '80 cm across, 1 m of tape behind silk: 0.3 stops over ± 0.4 stops, 37° soft, €50.00 still to spend, 3.0 h of work.',
    );
  });
  test('several shadows are never called soft', () =>
    expect(sentenceOf(judged({ separate: true }), writing)).toContain('several thin shadows'));
  test('what it gives up is only what errors can tell', () => {
    const better = judged({ stops: 1.5, errorStops: 0.15, angleDeg: 60, nowMinor: 4000 });
    expect(givesUp(judged({ errorStops: 0.15 }), better, writing)).toEqual({
      lost: ['1.2 stops of light', '23° of softness'],
      more: ['€10.00'],
    });
    expect(givesUp(judged({}), judged({ stops: 0.6, angleDeg: 40 }), writing).lost).toEqual([]);
  });
  test('two that no error tells apart are level', () => {
    const [one, same, brighter] = [
      judged({ id: 'a' }),
      judged({ id: 'b', stops: 0.7 }),
      judged({ id: 'c', stops: 2 }),
    ];
    expect(levelWith(one, [one, same, brighter]).map(({ id }) => id)).toEqual(['b']);
  });
  test.each([
    ['money', { nowMinor: 10_200 }, '€12.00 more'],
    ['cri', { ra: 80 }, 'CRI 80 instead of 90'],
    ['light', { stops: -0.4 }, '0.4 stops under the target instead of on it'],
    ['softness', { angleDeg: 20 }, '20° of softness instead of 35°'],
    ['softness', { separate: true }, 'several thin shadows instead of one soft one'],
    ['cri', { ra: null }, 'its CRI is not stated'],
    ['money', { priced: false }, 'not everything in it has a price'],
  ] as const)('missed %s: %s', (wish, over, words) => {
    const asked = { ...shot, budgetMinor: 9000, softnessDeg: 35 };
    expect(missWords(judged(over), wish, { shot: asked }, writing)).toBe(words);
  });
});
