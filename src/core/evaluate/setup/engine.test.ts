import { nightFerry } from '@/demo/nightFerry';
import type { Production } from '@/core/document/production';
import { bakeHead } from '../../mannequin/grid';
import { addedUp, stopsAt } from '../../set/picture/develop';
import { Drawer, heightOf, seeSet } from '../../set/picture/draw';
import { headReading, litOf } from '../../set/readings';
import { blankSetup, type Setup } from '../../set/setup';
import { newThing, type LightThing, type Thing } from '../../set/things';
import { SetEngine, type SetAnswer } from './engine';

const demo = nightFerry();
const [fixture] = demo.fixtures;
const fixtureId = fixture!.id;
const lamp = (id: string, more: Partial<LightThing> = {}): Thing =>
  newThing('light', id, id, {
    fixtureId,
    xM: 3.8,
    yM: 1,
    zM: 1.9,
    panDeg: 40,
    tiltDeg: -15,
    ...more,
  });
const head = newThing('head', 'h', 'Head', { xM: 2.5, yM: 2.4 });
const flat = newThing('backdrop', 'b', 'Flat', { xM: 2.5, yM: 3.5 });
const setupOf = (things: readonly Thing[]): Setup => ({
  ...blankSetup('s', 'S', null, { balanceK: fixture!.cctK }),
  things: [head, flat, ...things],
});
const frontOf = (answer: SetAnswer, setup: Setup): number =>
  headReading(litOf(setup, answer.lights), 'h', null, 4000).frontLx;

describe('an engine that keeps what did not change', () => {
  const setup = setupOf([lamp('a'), lamp('c', { xM: 1.2, panDeg: -40, role: 'fill' })]);
  const engine = new SetEngine(demo);
  const first = engine.answer(setup);
  test('says the same as one that begins anew, whatever was moved before', () => {
    const moved = {
      ...setup,
      things: setup.things.map((each) => (each.id === 'a' ? { ...each, yM: 1.4 } : each)),
    };
    engine.answer(moved as Setup);
    expect(engine.answer(setup).lights).toEqual(first.lights);
    expect(engine.answer(moved as Setup).lights).toEqual(
      new SetEngine(demo).answer(moved as Setup).lights,
    );
  });
  test('a card that is brought in changes both lights; taken out again it is as before', () => {
    const carded = setupOf([
      ...setup.things.slice(2),
      newThing('card', 'k', 'Card', { xM: 1.6, yM: 2.4, panDeg: -90 }),
    ]);
    const changed = engine.answer(carded);
    expect(frontOf(changed, carded)).not.toBeCloseTo(frontOf(first, setup), 3);
    expect(engine.answer(setup).lights).toEqual(first.lights);
  });
  test('many lights cost what each costs alone: fifty stand and give', () => {
    const things = Array.from({ length: 50 }, (_, k) =>
      lamp(`n${k}`, { xM: 0.5 + (k % 10) * 0.4, yM: 0.4 + Math.floor(k / 10) * 0.2, panDeg: 0 }),
    );
    const answer = new SetEngine(demo).answer(setupOf(things));
    expect(answer.lights).toHaveLength(50);
    expect(answer.refused).toBeNull();
  });
  test('followed by the hand: straight light is that of the whole answer', () => {
    const straight = engine.straight(setup, 'a')!;
    const whole = first.lights.find(({ id }) => id === 'a')!.heads.h!.direct;
    expect(straight.h!.front).toBeCloseTo(whole.front, 9);
    expect(engine.straight(setup, 'nobody')).toBeNull();
  });
});

test('a fixture gives on its axis what its data sheet says, in a black room', () => {
  const black = { reflectance: 0, tint: 'none' } as const;
  const at = fixture!.atDistanceM;
  const facing = newThing('head', 'h', 'Head', { xM: 2.5, yM: 0.5 + at });
  const setup: Setup = {
    ...blankSetup('s', 'S', null, { yM: 0.2 }),
    things: [facing, lamp('a', { xM: 2.5, yM: 0.5, zM: 1.2, panDeg: 0, tiltDeg: 0 })],
  };
  setup.room.finishes = {
    floor: black,
    ceiling: black,
    front: black,
    back: black,
    left: black,
    right: black,
  };
  const answer = new SetEngine(demo).answer(setup);
  expect(Math.abs(frontOf(answer, setup) / fixture!.illuminanceLx - 1)).toBeLessThan(0.01);
});

test('mirrored sets give mirrored numbers', () => {
  const setup = setupOf([lamp('a')]);
  const other = setupOf([lamp('a', { xM: 5 - 3.8, panDeg: -40 })]);
  const [one] = new SetEngine(demo).answer(setup).lights;
  const [two] = new SetEngine(demo).answer(other).lights;
  expect(two!.heads.h!.direct.left).toBeCloseTo(one!.heads.h!.direct.right, 6);
  // What stands between is looked for along sixteen ways at most.
  expect(Math.abs(two!.heads.h!.bounced.left[1] / one!.heads.h!.bounced.right[1] - 1)).toBeLessThan(
    1e-4,
  );
  expect(Math.abs(two!.means.left! / one!.means.right! - 1)).toBeLessThan(5e-4);
});

describe('the demo', () => {
  const engine = new SetEngine(demo);
  const answers = new Map(demo.setups.map((setup) => [setup.id, engine.answer(setup)]));
  test('every shot has a setup', () => {
    for (const { id } of demo.shots)
      expect(demo.setups.some(({ shotId }) => shotId === id)).toBe(true);
  });
  test.each(demo.setups.map((setup) => [setup.id, setup] as const))(
    '%s: all give light, nothing is wrong',
    (id) => {
      const answer = answers.get(id)!;
      expect(answer.troubles).toEqual([]);
      expect(answer.refused).toBeNull();
      expect(answer.imbalance).toBeLessThan(1e-6);
      for (const { heads } of answer.lights)
        for (const each of Object.values(heads))
          expect(Number.isFinite(each.direct.front)).toBe(true);
    },
  );
  test('the key is seen in the timetable, and not after it was turned', () => {
    const [seen] = answers.get('clerk-glass')!.glasses;
    expect(seen!.seen.map(({ name }) => name)).toEqual(['Clerk pan, key']);
    const turned = demo.setups
      .find(({ id }) => id === 'clerk-glass')!
      .things.find(({ kind }) => kind === 'glass')!;
    const mended = demo.setups
      .find(({ id }) => id === 'clerk-mended')!
      .things.find(({ kind }) => kind === 'glass')!;
    const by =
      ((mended as { panDeg: number }).panDeg - (turned as { panDeg: number }).panDeg + 360) % 360;
    expect(by).toBeGreaterThan((seen!.turns.upright! * 180) / Math.PI);
    expect(answers.get('clerk-mended')!.glasses[0]!.seen).toEqual([]);
  });
});

describe('the camera’s picture', () => {
  const setup = setupOf([lamp('a')]);
  const answer = new SetEngine(demo).answer(setup);
  const { scene, lamps } = answer.picture!;
  const grid = bakeHead(0.012);
  const wide = 96;
  const high = heightOf(wide);
  const seen = seeSet(scene, grid, wide, { first: 0, count: high }, false);
  const layer = new Drawer(scene, grid, lamps[0]!).layer(seen);
  test('a grey card is where figures say it is: white paper of the flat against its lux', () => {
    // A pixel of the flat beside the head: reflectance times lux, as the readout's grid has them there.
    const pixel = Math.floor(high * 0.3) * wide + Math.floor(wide * 0.2);
    const hit = seen.hits[pixel]!;
    expect(scene.faces[hit.face]!.of).toBe('b');
    const cells = answer.lights[0]!.backdrops.b!;
    const near = cells[Math.floor(hit.v * 12) * 18 + Math.floor(hit.u * 18)]!;
    const lx = layer[3 * pixel + 1]! / hit.albedo[1];
    expect(Math.abs(lx / near - 1)).toBeLessThan(0.08);
  });
  test('rows drawn by several hands are those of one', () => {
    const part = seeSet(scene, grid, wide, { first: 20, count: 5 }, false);
    const own = new Drawer(scene, grid, lamps[0]!).layer(part);
    expect([...own]).toEqual([...layer.subarray(20 * wide * 3, 25 * wide * 3)]);
  });
  test('layers add up, each by its own level and colour', () => {
    const sum = addedUp(
      [
        { layer, by: [0.5, 1, 2] },
        { layer, by: [0, 0, 0] },
      ],
      wide * high,
    );
    expect(sum[0]).toBeCloseTo(0.5 * layer[0]!, 3);
    expect(sum[2]).toBeCloseTo(2 * layer[2]!, 3);
    const white = Float32Array.of(18, 18, 18);
    expect(stopsAt(white, 0, 100)).toBeCloseTo(0, 6);
    expect(stopsAt(white, 0, 50)).toBeCloseTo(1, 6);
  });
  test('a glass shows the light that the mirror check finds there', () => {
    const glazed = demo.setups.find(({ id }) => id === 'clerk-glass')!;
    const found = new SetEngine(demo as Production).answer(glazed).picture!;
    const looked = seeSet(found.scene, grid, wide, { first: 0, count: high }, false);
    const fronts = looked.mirrored.filter(
      ({ hit }) => found.scene.faces[hit.face]?.of === found.lamps[0]!.id,
    );
    expect(fronts.length).toBeGreaterThan(0);
  });
});
