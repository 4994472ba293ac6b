import { toRadians } from '../angle';
import { writeEulumdat } from '../formats/eulumdat';
import { writeIes } from '../formats/ies';
import { readUnitSpread } from '../formats/unitSpread';
import { intensityPerLm, prepareSpread, zonesLm, type Spread } from '../units/spread';
import { photometryOf } from './photometry';
import { repeatsOf } from './repeats';
import { blankSession, type MeterReading, type Session } from './session';
import { simulatedLux } from './simulated';
import {
  isSimulated,
  layerResult,
  learnt,
  nextPlace,
  plannedAngles,
  sweepResult,
  unreadAngles,
} from './working';

const STAMP = '2026-03-15T20:00:00Z';
const session = (more: Partial<Session> = {}): Session =>
  blankSession({
    id: 's',
    name: 's',
    kind: 'sweep',
    startedAt: STAMP,
    by: '',
    instrument: { name: '', classShare: 0.04, grainLx: 0.1, cosineShare: 0.03 },
    warmMin: 30,
    ...more,
  });

/** Reads a session through with the simulated meter. */
function read(
  given: Session,
  places: MeterReading['place'][],
  trueLx: (place: MeterReading['place']) => number,
) {
  const readings = Object.fromEntries(
    places.map((place, order): [string, MeterReading] => [
      String(order),
      {
        place,
        value: simulatedLux(given, { place, trueLx: trueLx(place), roomLx: 2, order }),
        at: STAMP,
        by: '',
        order,
        struck: null,
        simulated: true,
      },
    ]),
  );
  return { ...given, readings };
}

const ROOM = { kind: 'room' } as const;
function swept(given: Session, spread: Spread, lumens: number) {
  const prepared = prepareSpread(spread);
  const angles = plannedAngles(given).map((angle) => ({ kind: 'angle' as const, ...angle }));
  return read(given, [ROOM, ...angles], (place) =>
    place.kind === 'angle'
      ? (lumens * intensityPerLm(prepared, Math.cos(toRadians(place.angleDeg)))) /
        given.distanceM ** 2
      : 0,
  );
}

test('angles from one side round to the other; all the way round none twice', () => {
  const half = plannedAngles({ stepDeg: 30, toDeg: 90, planes: 1 });
  expect(half.map(({ angleDeg }) => angleDeg)).toEqual([-90, -60, -30, 0, 30, 60, 90]);
  const whole = plannedAngles({ stepDeg: 90, toDeg: 180, planes: 2 });
  expect(whole).toEqual(
    [0, 90].flatMap((planeDeg) => [-180, -90, 0, 90].map((angleDeg) => ({ planeDeg, angleDeg }))),
  );
  expect(plannedAngles({ stepDeg: 5, toDeg: 180, planes: 1 })).toHaveLength(72);
});

test('a swept lamp of the simulated meter comes out within what is told, whatever the meter', () => {
  const spread: Spread = { class: 'forward' };
  const misses = Array.from({ length: 24 }, (_, k) => {
    const found = sweepResult(swept(session({ id: `m${k}` }), spread, 806));
    if (!found.ok) throw new Error(found.problems[0]!.message);
    const { sweep, deviationLm, nearest } = found.value;
    expect(nearest.spread).toEqual(spread);
    return (sweep.luminousFluxLm - 806) / deviationLm;
  });
  // Two standard errors hold nineteen of twenty [std: normal distribution]; a meter's class is even, and holds more.
  expect(misses.filter((miss) => Math.abs(miss) < 2).length).toBeGreaterThanOrEqual(22);
  expect(Math.max(...misses.map(Math.abs))).toBeLessThan(3);
  // It is no model that is right by itself: meters differ, by most of what is told.
  expect(repeatsOf(misses).deviation).toBeGreaterThan(0.4);
  expect(new Set(misses).size).toBe(24);
});

test('half-way through it says what it can, and never nonsense', () => {
  const whole = swept(session({ stepDeg: 15, planes: 2 }), { class: 'side' }, 470);
  const keys = Object.keys(whole.readings);
  let told = 0;
  for (let read = 0; read <= keys.length; read++) {
    const part = Object.fromEntries(keys.slice(0, read).map((key) => [key, whole.readings[key]!]));
    const found = sweepResult({ ...whole, readings: part });
    if (!found.ok) continue;
    told++;
    const { sweep, deviationLm, nearest } = found.value;
    for (const figure of [sweep.luminousFluxLm, sweep.stepErrorLm, deviationLm, sweep.asymmetry])
      expect(figure).toBeGreaterThanOrEqual(0);
    expect(nearest.elsewhere).toBeLessThanOrEqual(1);
    expect(sweep.beams.length).toBeGreaterThan(0);
  }
  expect(told).toBeGreaterThan(keys.length / 2);
});

test('what is struck out counts no more, and is asked for again', () => {
  const whole = swept(session({ stepDeg: 30, toDeg: 90 }), { class: 'lambert' }, 500);
  expect(unreadAngles(whole)).toEqual([]);
  const [key] = Object.entries(whole.readings).find(
    ([, { place }]) => place.kind === 'angle' && place.angleDeg === 30,
  )!;
  const struck = {
    ...whole,
    readings: { ...whole.readings, [key]: { ...whole.readings[key]!, struck: 'a hand before it' } },
  };
  expect(unreadAngles(struck)).toEqual([{ planeDeg: 0, angleDeg: 30 }]);
  const [before, after] = [sweepResult(whole), sweepResult(struck)];
  if (!before.ok || !after.ok) throw new Error('both are worked out');
  expect(after.value.sweep.mean.map(({ angleDeg }) => angleDeg)).toContain(30);
  expect(after.value.sweep.luminousFluxLm).not.toBe(before.value.sweep.luminousFluxLm);
  expect(sweepResult(session()).ok).toBe(false);
});

test('a layer by the simulated meter: read in turns, τ within what is told', () => {
  const given = session({ kind: 'layer', warmMin: 0 });
  let at = given;
  const places: MeterReading['place'][] = [];
  for (let k = -1; k < 8; k++) {
    const place = nextPlace(at)!;
    expect(place).toEqual(k < 0 ? ROOM : { kind: 'layer', with: k % 2 === 1 });
    places.push(place);
    at = read(given, places, (where) => (where.kind === 'layer' && where.with ? 0.62 * 450 : 450));
  }
  const found = layerResult(at);
  if (!found.ok) throw new Error(found.problems[0]!.message);
  expect(Math.abs(found.value.tau - 0.62)).toBeLessThan(3 * found.value.deviation);
  expect(found.value.deviation).toBeLessThan(0.01);
});

describe('what the shelf may learn', () => {
  const learntOf = (more: Partial<Session>, spread: Spread) => {
    const found = sweepResult(swept(session(more), spread, 806));
    if (!found.ok) throw new Error(found.problems[0]!.message);
    const taught = learnt(found.value);
    return taught.ok ? taught.value : taught.problems[0]!.code;
  };
  test('half of what shines all round is no lamp; half of what shines ahead is', () => {
    expect(learntOf({ toDeg: 90 }, { class: 'omni' })).toBe('half');
    expect(learntOf({ toDeg: 90 }, { class: 'lambert' })).toMatchObject({
      cdPerKlm: expect.anything(),
    });
  });
  test('a beam narrower than its steps is not taken', () => {
    expect(learntOf({ stepDeg: 30 }, { class: 'reflector', beamAngleDeg: 24 })).toBe('coarse');
  });
  test('what is taken gives the lumens again: a thousand candela tables a kilolumen', () => {
    const taught = learntOf({ stepDeg: 5 }, { class: 'forward' });
    if (typeof taught === 'string') throw new Error(taught);
    // Φ of a table in cd per 1000 lm is 1000 lm [std: EULUMDAT's own unit].
    expect(zonesLm(taught.cdPerKlm).reduce((sum, zone) => sum + zone, 0)).toBeCloseTo(1000, -1);
    expect(isSimulated(swept(session(), { class: 'omni' }, 1))).toBe(true);
  });
});

test('a room read badly makes lumens doubtful by as much all round; darker than the room is told', () => {
  const given = session({
    instrument: { name: '', classShare: 0, grainLx: 0.1, cosineShare: 0.03 },
    distanceErrorM: 0,
  });
  const lit = swept(given, { class: 'forward' }, 806);
  const spoilt = (values: number[]) => ({
    ...lit,
    readings: {
      ...lit.readings,
      ...Object.fromEntries(
        values.map((value, k): [string, MeterReading] => [
          `room${k}`,
          { place: ROOM, value, at: STAMP, by: '', order: 900 + k, struck: null, simulated: true },
        ]),
      ),
    },
  });
  const deviation = (values: number[]) => {
    const found = sweepResult(spoilt(values));
    if (!found.ok) throw new Error(found.problems[0]!.message);
    return found.value;
  };
  const { deviationLm, notes } = deviation([2, 12, 2, 12]);
  // Five readings 2, 2, 12, 2, 12: s/√5 = 2.4 lx, over 4π m² at one metre [std: JCGM 100, 4.2.3].
  expect(deviationLm).toBeGreaterThan(0.95 * 2.4495 * 4 * Math.PI);
  expect(deviation([2]).deviationLm).toBeLessThan(deviationLm / 4);
  // Behind it nothing but the room is read, and that is under its mean.
  expect(notes.join(' ')).toContain('Less than the room’s own light at -180°');
  expect(deviation([2]).notes.join(' ')).not.toContain('Less than');
});

describe('as a file of the trade', () => {
  const OF = { wattsW: 9, cctK: 4000, criRa: 80 };
  test.each([
    ['all round, one way', { toDeg: 180, planes: 1 }],
    ['all round, both ways', { toDeg: 180, planes: 2 }],
    ['half way round', { toDeg: 90, planes: 1 }],
    ['to 120°', { toDeg: 120, planes: 2 }],
  ])('%s: read again it is the same light, and says it was simulated', (_, round) => {
    const given = swept(session({ stepDeg: 10, ...round }), { class: 'forward' }, 806);
    const found = sweepResult(given);
    if (!found.ok) throw new Error(found.problems[0]!.message);
    const { planes, sweep } = found.value;
    const light = photometryOf(given, planes, sweep, OF);
    for (const [name, write] of [
      ['swept.ies', writeIes],
      ['swept.ldt', writeEulumdat],
    ] as const) {
      const text = write(light);
      expect(text).toContain('readings of a simulated meter');
      const read = readUnitSpread(new TextEncoder().encode(text), name);
      if (!read.ok) throw new Error(read.problems[0]!.message);
      // Five figures a value, and a table at 2.5°.
      expect(read.value.luminousFluxLm / sweep.luminousFluxLm).toBeCloseTo(1, 2);
    }
  });
});
