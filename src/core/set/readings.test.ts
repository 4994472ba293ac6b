import fc from 'fast-check';
import type { Bands } from './faces';
import { backdropReading, headReading, litOf, solveFill, type Solved } from './readings';
import { bySchool, SCHOOL_IDS } from './schools';
import { DAYLIGHT } from './daylight';
import { blankSetup, setupSchema, type Setup } from './setup';
import { gelPasses, stateOf } from './state';
import { newThing, thingSchema, type LightThing, type Thing } from './things';
import { troublesOf } from './troubles';

const grey = (lx: number): Bands => [lx, lx, lx];
/** A light that gives so much straight on face and cheeks, and so much bounced on all three. */
const solved = (
  id: string,
  [front, left, right]: readonly [number, number, number],
  bounced = 0,
  more: Partial<Solved> = {},
): Solved => ({
  id,
  name: id,
  role: 'key',
  cctK: 4000,
  uv: null,
  mixed: null,
  filament: false,
  wattsW: 50,
  share: 0.1,
  circuitId: null,
  origin: '',
  widthM: 0.3,
  heightM: 0.3,
  heads: {
    h: {
      direct: { front, left, right },
      bounced: { front: grey(bounced), left: grey(bounced), right: grey(bounced) },
    },
  },
  backdrops: { b: Float64Array.of(front, front / 2, front / 4, front) },
  means: { left: front / 10 },
  ...more,
});
const light = (id: string, more: Partial<LightThing> = {}): Thing =>
  newThing('light', id, id, { role: 'key', ...more });
const setupOf = (things: readonly Thing[]): Setup => ({
  ...blankSetup('s', 'S', null, { balanceK: 4000 }),
  things: [newThing('head', 'h', 'Head'), ...things],
});
const reading = (setup: Setup, all: readonly Solved[], targetLx: number | null = 100) =>
  headReading(litOf(setup, all), 'h', targetLx, setup.camera.balanceK);

describe('a face in several lights', () => {
  const key = solved('key', [100, 120, 20], 10);
  const fill = solved('fill', [30, 10, 40], 5, { role: 'fill' });
  const setup = setupOf([light('key'), light('fill', { role: 'fill' })]);
  test('sums, both schools of ratio, stops', () => {
    const found = reading(setup, [key, fill]);
    expect(found.frontLx).toBeCloseTo(145, 9);
    // Cheeks: 120 + 10 + 10 + 5 = 145 lit, 20 + 10 + 40 + 5 = 75 in shadow.
    expect(found.together!.ratio).toBeCloseTo(145 / 75, 9);
    expect(found.alone!.ratio).toBeCloseTo(130 / 45, 9);
    expect(found.stops).toBeCloseTo(Math.log2(1.45), 9);
    // 10 % of 110 and 10 % of 35 by themselves.
    expect(found.share * found.frontLx).toBeCloseTo(Math.hypot(11, 3.5), 9);
    expect(found.shadows).toEqual(['key', 'fill']);
  });
  test('switched, dimmed: light is linear', () =>
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), fc.boolean(), (level, on) => {
        const now = setupOf([light('key'), light('fill', { role: 'fill', level, on })]);
        const lx = reading(now, [key, fill]).frontLx;
        expect(lx).toBeCloseTo(110 + (on ? 35 * level : 0), 6);
      }),
    ));
  test.each([2, 1.5, 1.2])('fill solved for %d : 1 makes it', (wanted) => {
    const lit = litOf(setup, [key, fill]);
    const { level, timesDistance, lights } = solveFill(lit, 'h', 'fill', wanted)!;
    const scaled = lit.map((each) =>
      each.light.id === 'fill' ? { ...each, state: { ...each.state, factor: level } } : each,
    );
    expect(headReading(scaled, 'h', null, 4000).together!.ratio).toBeCloseTo(wanted, 9);
    expect(timesDistance).toBeCloseTo(level ** -0.5, 9);
    expect(lights).toBe(Math.max(1, Math.ceil(level)));
  });
  test('a fill that is switched off or dimmed is solved for all the same', () => {
    const full = solveFill(litOf(setup, [key, fill]), 'h', 'fill', 2)!.level;
    for (const more of [{ on: false }, { level: 0.1 }]) {
      const now = setupOf([light('key'), light('fill', { role: 'fill', ...more })]);
      expect(solveFill(litOf(now, [key, fill]), 'h', 'fill', 2)!.level).toBeCloseTo(full, 9);
    }
  });
  test('a fill from the key’s own side makes nothing rounder: none is said', () => {
    const same = solved('fill', [30, 100, 1], 0, { role: 'fill' });
    expect(solveFill(litOf(setup, [key, same]), 'h', 'fill', 2)).toBeNull();
  });
  test('another role or name counts at once: nothing is worked out again for it', () => {
    const now = setupOf([
      light('key', { role: 'fill', name: 'Was the key' }),
      light('fill', { role: 'key' }),
    ]);
    const found = reading(now, [key, fill]);
    expect(found.keyId).toBe('fill');
    expect(found.parts.map(({ name, role }) => [name, role])).toEqual([
      ['Was the key', 'fill'],
      ['fill', 'key'],
    ]);
  });
  test('no lights, nobody: dark, and no figure made up', () => {
    const none = reading(setupOf([]), []);
    expect(none).toMatchObject({
      frontLx: 0,
      stops: null,
      together: null,
      cctK: null,
      clash: null,
    });
    expect(headReading(litOf(setup, [key]), 'nobody', 100, 4000).frontLx).toBe(0);
  });
});

describe('colour', () => {
  const warm = solved('warm', [50, 50, 50], 0, { cctK: 2700, filament: true });
  const cool = solved('cool', [50, 50, 50], 0, { cctK: 5600 });
  test('mixed, and clash by mired', () => {
    const found = reading(setupOf([light('warm'), light('cool')]), [warm, cool]);
    expect(found.clash).toMatchObject({ warm: 'warm', cool: 'cool', words: 'obvious' });
    expect(found.clash!.shiftMired).toBeCloseTo(1e6 / 2700 - 1e6 / 5600, 6);
    expect(found.cctK!).toBeGreaterThan(3400);
    expect(found.cctK!).toBeLessThan(4000);
    // Two black bodies mix on the inner side of the locus: below it.
    expect(found.duv!).toBeLessThan(0);
  });
  test('a dimmed filament reddens, a gel shifts by its mired and costs light', () => {
    const dimmed = stateOf(light('warm', { level: 0.5 }), warm)!;
    // CCT ∝ V^0.42, lumens ∝ V^3.4 [std: IES exponents; from memory].
    expect(dimmed.cctK).toBeCloseTo(2700 * 0.5 ** (0.42 / 3.4), 6);
    const blue = stateOf(light('warm', { gelMired: -137 }), warm)!;
    expect(1e6 / blue.cctK).toBeCloseTo(1e6 / 2700 - 137, 6);
    expect(blue.factor).toBeCloseTo(0.35, 9);
    expect(gelPasses(0)).toBe(1);
    expect(gelPasses(159)).toBeCloseTo(0.57, 9);
  });
  test('daylight’s share', () => {
    const window = newThing('window', 'w', 'Window', { on: true });
    const found = reading(setupOf([light('warm'), window]), [
      warm,
      solved('w', [150, 100, 10], 0, { role: 'window', cctK: 6500 }),
    ]);
    expect(found.daylight).toBeCloseTo(0.75, 9);
    const shut = { ...window, on: false };
    expect(
      reading(setupOf([light('warm'), shut]), [warm, solved('w', [150, 100, 10])]).daylight,
    ).toBe(0);
  });
});

test('a backdrop: least, mean, most, ± stops and whose light it is', () => {
  const setup = setupOf([light('a'), light('c', { level: 0.5 })]);
  const found = backdropReading(
    litOf(setup, [solved('a', [80, 0, 0]), solved('c', [40, 0, 0])]),
    'b',
  )!;
  expect([...found.cellsLx]).toEqual([100, 50, 25, 100]);
  expect(found).toMatchObject({ leastLx: 25, mostLx: 100, meanLx: 68.75, plusMinusStops: 1 });
  expect(found.spill.map(({ id, share }) => [id, Math.round(share * 100)])).toEqual([
    ['a', 80],
    ['c', 20],
  ]);
  expect(backdropReading([], 'b')).toBeNull();
});

describe('what is wrong is told at the thing', () => {
  const told = (things: readonly Thing[], gives = ['l'], more: Partial<Setup['room']> = {}) => {
    const setup = setupOf(things);
    return troublesOf({ ...setup, room: { ...setup.room, ...more } }, new Set(gives));
  };
  const named = { buildId: 'b' as LightThing['buildId'] };
  test.each([
    ['in the left wall', { xM: -0.1 }, /left wall/, true],
    ['behind the camera’s wall', { yM: -1 }, /wall behind the camera/, true],
    ['over the ceiling', { zM: 3 }, /ceiling/, true],
    ['under the floor', { zM: -0.5 }, /below the floor/, true],
    ['on the subject', { xM: 2.5, yM: 2, zM: 1.2 }, /at least 20 cm/, false],
  ])('a light %s', (_, where, words, dark) => {
    const [trouble] = told([light('l', { ...named, zM: 1.7, yM: 1, ...where })]);
    expect(trouble).toMatchObject({ thingId: 'l', dark });
    expect(trouble!.message).toMatch(words);
  });
  test('a light past a wall that is not there, or outdoors, is fine', () => {
    const out = light('l', { ...named, xM: -1, yM: 1 });
    expect(told([out], ['l'], { open: 'left' })).toEqual([]);
    expect(told([out], ['l'], { open: 'outdoors' })).toEqual([]);
  });
  test('a build that was deleted, one without light', () => {
    expect(told([light('l', { yM: 1 })], [])[0]).toMatchObject({ thingId: 'l', dark: true });
    expect(told([light('l', { ...named, yM: 1 })], [])[0]!.message).toMatch(/gives no light yet/);
  });
  test('windows without a wall, or larger than it; no lights; a glass from behind', () => {
    const window = newThing('window', 'w', 'Window', { wall: 'left', alongM: 2 });
    expect(told([window])).toEqual([]);
    expect(told([window], [], { open: 'left' })[0]!.message).toMatch(/no such wall/);
    expect(told([{ ...window, alongM: 0.2 }])[0]!.message).toMatch(/larger than its wall/);
    expect(told([])[0]).toMatchObject({ thingId: null });
    const glass = newThing('glass', 'g', 'Glass', { yM: 3.5, panDeg: 0 });
    expect(told([window, glass])[0]).toMatchObject({ thingId: 'g', dark: false });
  });
});

describe('schools', () => {
  const lights = [
    { name: 'Pan', buildId: 'pan' as LightThing['buildId'], fixtureId: null, unitId: null },
    { name: 'Ring', buildId: 'ring' as LightThing['buildId'], fixtureId: null, unitId: null },
  ];
  let count = 0;
  const id = () => `t${++count}`;
  const begin = (setup: Setup, school: (typeof SCHOOL_IDS)[number]) =>
    bySchool(setup, school, { lights, distanceM: 1.4, id });
  test.each(SCHOOL_IDS)(
    '%s: a setup that can be kept, with light and somebody, in its room',
    (school) => {
      const begun = begin(blankSetup('s', 'S', null), school);
      expect(setupSchema.safeParse(begun).success).toBe(true);
      expect(begun.things.filter(({ kind }) => kind === 'head')).toHaveLength(1);
      const lit = begun.things.filter(({ kind }) => kind === 'light' || kind === 'window');
      expect(lit.length).toBeGreaterThan(0);
      const gives = new Set(lit.map((thing) => thing.id));
      expect(troublesOf(begun, gives).filter(({ dark }) => dark)).toEqual([]);
    },
  );
  test.each(SCHOOL_IDS)('%s: lights aimed at the face look at it', (school) => {
    const begun = begin(blankSetup('s', 'S', null), school);
    const head = begun.things.find(({ kind }) => kind === 'head')! as { xM: number; yM: number };
    const keys = begun.things.filter(
      (thing): thing is LightThing =>
        thing.kind === 'light' &&
        ['key', 'fill', 'edge'].includes(thing.role) &&
        Math.abs(thing.tiltDeg) < 45,
    );
    for (const { xM, yM, panDeg } of keys) {
      const pan = (panDeg * Math.PI) / 180;
      const [x, y] = [head.xM - xM, head.yM - yM];
      const along = (-Math.sin(pan) * x + Math.cos(pan) * y) / Math.hypot(x, y);
      expect(along).toBeGreaterThan(0.98);
    }
  });
  test('whoever is there stays where they stand', () => {
    const setup = setupOf([newThing('glass', 'g', 'Glass')]);
    const moved = {
      ...setup,
      things: setup.things.map((each) => (each.kind === 'head' ? { ...each, xM: 1.5 } : each)),
    };
    const begun = begin(moved, 'lens');
    expect(begun.things).toEqual(expect.arrayContaining([...moved.things]));
    expect(begun.room).toEqual(setup.room);
  });
});

describe('several of one light, and daylight by the hour', () => {
  test('so many side by side give and draw so many times as much; nothing is worked out again', () => {
    const one = stateOf(light('k', { level: 0.5 }), solved('k', [1, 1, 1]))!;
    const three = stateOf(light('k', { level: 0.5, copies: 3 }), solved('k', [1, 1, 1]))!;
    expect(three.factor).toBeCloseTo(3 * one.factor, 12);
    expect(three.wattsW).toBeCloseTo(3 * one.wattsW, 12);
    expect(three.cctK).toBe(one.cctK);
  });
  test('every hour can be typed, sun is warmer than sky and warmer yet when it is low', () => {
    for (const { outsideLx, cctK } of Object.values(DAYLIGHT)) {
      const window = newThing('window', 'w', 'W', { outsideLx, cctK });
      expect(thingSchema.safeParse(window).success).toBe(true);
    }
    expect(DAYLIGHT.sky.cctK).toBeGreaterThan(DAYLIGHT.overcast.cctK);
    expect(DAYLIGHT.low.cctK).toBeLessThan(DAYLIGHT.sun.cctK);
    expect(DAYLIGHT.sun.outsideLx).toBeGreaterThan(5 * DAYLIGHT.sky.outsideLx);
  });
});

test('layers of a build shift what a set mixes in it as a gel does, and cost nothing twice', () => {
  const channel = (id: 'red' | 'green' | 'blue') => ({
    id,
    lumensShare: { value: 1 / 3, origin: 'typical' as const },
    wattsShare: 1 / 3,
    white: null,
  });
  const lamp = { channels: [channel('red'), channel('green'), channel('blue')], shared: false };
  const state = (shiftMired: number, gelMired: number) =>
    stateOf(
      light('k', { mix: 'colours', mixBlue: 0.2, gelMired }),
      solved('k', [1, 1, 1], 0, {
        mixed: { lamp, lumensShare: 1, wattsShare: 1, shiftMired },
      }),
    )!;
  expect(state(60, 0).uv).toEqual(state(0, 60).uv);
  expect(state(60, 0).uv).not.toEqual(state(0, 0).uv);
  // What the layer lets through is in the build’s own light already.
  expect(state(60, 0).factor).toBe(state(0, 0).factor);
});
