import { toRadians } from '../angle';
import { writeEulumdat } from '../formats/eulumdat';
import { writeIes } from '../formats/ies';
import { readUnitSpread } from '../formats/unitSpread';
import { intensityPerLm, prepareSpread, type Spread } from '../units/spread';
import { photometryOf } from './photometry';
import type { MeterReading, Session } from './session';
import { simulatedLux } from './simulated';
import { layerResult, nextTurn, plannedAngles, sweepResult, unreadAngles } from './working';

const STAMP = '2026-03-15T20:00:00Z';
const session = (more: Partial<Session> = {}): Session => ({
  id: 's',
  name: 's',
  kind: 'sweep',
  buildId: null,
  unitId: null,
  partId: null,
  startedAt: STAMP,
  by: '',
  instrument: { name: '', classShare: 0.04, grainLx: 0.1 },
  distanceM: 1,
  distanceErrorM: 0.01,
  sizeM: 0.06,
  warmMin: 30,
  stepDeg: 10,
  toDeg: 180,
  planes: 1,
  readings: {},
  closedAt: null,
  note: '',
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
    const { sweep, fluxDeviationLm, nearest } = found.value;
    expect(nearest.spread).toEqual(spread);
    return (sweep.luminousFluxLm - 806) / Math.hypot(fluxDeviationLm, sweep.stepErrorLm);
  });
  // Two standard errors hold nineteen of twenty [std: normal distribution]; a meter's class is even, and holds more.
  expect(misses.filter((miss) => Math.abs(miss) < 2).length).toBeGreaterThanOrEqual(22);
  expect(Math.max(...misses.map(Math.abs))).toBeLessThan(3);
  // It is no model that is right by itself: meters differ.
  expect(new Set(misses.map((miss) => miss.toFixed(3))).size).toBe(24);
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
    const { sweep, fluxDeviationLm, nearest } = found.value;
    for (const figure of [
      sweep.luminousFluxLm,
      sweep.stepErrorLm,
      fluxDeviationLm,
      sweep.asymmetry,
    ])
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
  const places: MeterReading['place'][] = [ROOM];
  for (let k = 0; k < 8; k++) {
    const turn = nextTurn(at);
    expect(turn.with).toBe(k % 2 === 1);
    places.push(turn);
    at = read(given, places, (place) => (place.kind === 'layer' && place.with ? 0.62 * 450 : 450));
  }
  const found = layerResult(at);
  if (!found.ok) throw new Error(found.problems[0]!.message);
  expect(Math.abs(found.value.tau - 0.62)).toBeLessThan(3 * found.value.deviation);
  expect(found.value.deviation).toBeLessThan(0.01);
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
