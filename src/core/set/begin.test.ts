import { nightFerry } from '@/demo/nightFerry';
import { USES } from '../location/use';
import { aimedAt, bouncedLights } from './bounce';
import { schoolFor, setupOfShot, setupOfWash } from './begin';
import { SCHOOLS } from './schools';
import { blankSetup, setupSchema, type Setup } from './setup';
import { newThing, type BackdropThing, type LightThing } from './things';
import { troublesOf } from './troubles';
import { rightOf, washAt } from './washAt';

const demo = nightFerry();
const light = { name: 'Pan', buildId: demo.builds[0]!.id, fixtureId: null, unitId: null };
let count = 0;
const begun = (use: (typeof USES)[number]) => ({
  id: 'new',
  name: 'New',
  shot: { ...demo.shots[0]!, use, coverageWidthM: 3, coverageHeightM: 2.4 },
  next: () => `t${++count}`,
});
const wash = (more: object) => ({
  lights: 2 as const,
  distanceM: 2,
  spacingM: 3,
  toeInRad: 0.2,
  meanLx: 100,
  plusMinusStops: 0.2,
  columns: 1,
  rows: 1,
  cellsLx: [100],
  ...more,
});
const gives = ({ things }: Setup) =>
  new Set(things.flatMap(({ id, kind }) => (kind === 'light' ? [id] : [])));

test.each(USES)(
  'a shot of %s is begun by a school that is there, and stands without trouble',
  (use) => {
    expect(SCHOOLS[schoolFor({ use })]).toBeDefined();
    const setup = setupOfShot(begun(use), [light]);
    expect(setupSchema.safeParse(setup).success).toBe(true);
    expect(setup.things.some(({ kind }) => kind === 'light')).toBe(true);
    expect(troublesOf(setup, gives(setup))).toEqual([]);
  },
);

test.each([
  ['two by day', 'wash', wash({})],
  ['one', 'wash', wash({ lights: 1, spacingM: 0, toeInRad: 0 })],
  ['far and wide before a green screen', 'green', wash({ distanceM: 5, spacingM: 8 })],
] as const)(
  'best places, %s: a room that holds them, lights turned to the backdrop',
  (_, use, found) => {
    const setup = setupOfWash(begun(use), light, found as never);
    expect(setupSchema.safeParse(setup).success).toBe(true);
    expect(troublesOf(setup, gives(setup))).toEqual([]);
    const backdrop = setup.things.find(({ kind }) => kind === 'backdrop') as BackdropThing;
    expect(backdrop.surface === 'green').toBe(use === 'green');
    const lights = setup.things.filter(({ kind }) => kind === 'light') as LightThing[];
    expect(lights).toHaveLength(found.lights);
    for (const each of lights) {
      expect(Math.abs(each.yM - backdrop.yM)).toBeCloseTo(found.distanceM, 2);
      // Turned in by so much from straight ahead.
      expect(Math.abs(each.panDeg)).toBeCloseTo((found.toeInRad * 180) / Math.PI, 1);
      expect(aimedAt(setup, each)!.at[1]).toBeGreaterThan(each.yM);
    }
    // Turned in: the left one to the right, and the other way round.
    if (found.lights === 2) {
      const [left, right] = lights as [LightThing, LightThing];
      expect(right.xM - left.xM).toBeCloseTo(found.spacingM, 2);
      expect(Math.sign(left.panDeg)).toBe(-1);
      expect(Math.sign(right.panDeg)).toBe(1);
    }
  },
);

test('a long name leaves room for the side of each of two lights', () => {
  const long = { ...light, name: 'x'.repeat(80) };
  const setup = setupOfWash(begun('wash'), long, wash({}));
  expect(setupSchema.safeParse(setup).success).toBe(true);
});

test('left and right of a backdrop are those of who looks at it, however it is turned', () => {
  const turned = newThing('backdrop', 'b', 'B', { panDeg: -90, xM: 1, yM: 2 });
  expect(rightOf({ panDeg: 180 })[0]).toBeCloseTo(1, 9);
  // It looks to + x: who looks at it looks to − x, and has + y at the right hand.
  expect(rightOf(turned)[1]).toBeCloseTo(1, 9);
  const place = washAt(turned, { distanceM: 2, spacingM: 1, toeInRad: 0 }, 1);
  expect(place).toMatchObject({ xM: 3, yM: 2.5, panDeg: 90 });
});

describe('where a light is aimed', () => {
  const lamp = (more: Partial<LightThing>) =>
    newThing('light', 'l', 'L', { xM: 2, yM: 2, zM: 1, ...more });
  const setup = (...things: Setup['things']): Setup => ({ ...blankSetup('s', 'S', null), things });
  test('straight up the ceiling, ahead the wall, through a missing wall nothing', () => {
    expect(aimedAt(setup(), lamp({ tiltDeg: 90 }))).toMatchObject({ on: 'ceiling' });
    const ahead = aimedAt(setup(), lamp({}))!;
    expect(ahead.on).toBe('back');
    expect(ahead.at[1]).toBeCloseTo(4, 9);
    const open = setup();
    const outdoors = { ...open, room: { ...open.room, open: 'outdoors' as const } };
    expect(aimedAt(outdoors, lamp({}))).toBeNull();
  });
  test('a white card before the wall takes it, a black one does not send it on', () => {
    const card = (kind: 'card' | 'black') =>
      newThing('card', 'c', 'C', { card: kind, xM: 2, yM: 3, zM: 1, panDeg: 180 });
    expect(aimedAt(setup(card('card')), lamp({}))).toMatchObject({ on: 'c' });
    expect(aimedAt(setup(card('black')), lamp({}))).toMatchObject({ on: 'back' });
  });
  test('a backdrop before the wall is what is hit, from its front', () => {
    const flat = newThing('backdrop', 'b', 'Flat', { xM: 2, yM: 3 });
    expect(aimedAt(setup(flat), lamp({}))).toMatchObject({ on: 'b' });
    expect(aimedAt(setup(flat), lamp({}))!.at[1]).toBeCloseTo(3, 9);
  });
  test('a light is bounced where less comes straight than by way of surfaces, and it counts', () => {
    const lit = (id: string, front: number, around: number) => ({
      light: {
        id,
        heads: {
          h: {
            direct: { front, left: 0, right: 0 },
            bounced: { front: [around, around, around], left: [0, 0, 0], right: [0, 0, 0] },
          },
        },
      },
      state: { factor: 1 },
    });
    const found = bouncedLights([
      lit('ceiling', 10, 60),
      lit('key', 80, 20),
      lit('edge', 0, 5),
      lit('off', 0, 0),
    ] as never);
    expect(found).toEqual(['ceiling']);
  });
});
