import { sourceField } from '../light/lightField';
import { cross, dot, minus, plus, scaled, unit, type Vector } from '../light/vector';
import { normalOf, type Bands, type Face } from './faces';
import { finishBands, luminanceOf, TINTS } from './finish';
import { evenFront, windowLight } from './fronts';
import type { Direct } from './placed';
import { placedLight, sceneOf, type LightSource, type Scene, type SetLight } from './scene';
import { blankSetup, type SetRoom, type Setup } from './setup';
import { aloneOf, geometryOf, straightOf, type LightAlone } from './solve';
import { newThing, type Thing, type WindowThing } from './things';

/** A bare lamp of so many lumens all round, or an even front. */
const source = (luminousFluxLm: number, frontM = 0): LightSource => ({
  field: sourceField(
    frontM > 0
      ? evenFront(frontM, frontM, luminousFluxLm)
      : [{ positionM: [0, 0, 0], axis: [0, 0, 1], luminousFluxLm, spread: { class: 'omni' } }],
  ),
  frontM: 0,
  widthM: Math.max(0.05, frontM),
  heightM: Math.max(0.05, frontM),
  cctK: 4000,
  uv: null,
  mixed: null,
  filament: false,
  wattsW: 10,
  apparentVa: 11,
  share: 0,
  circuitId: null,
  origin: 'test',
  controls: [],
});

const painted = (walls: number, more: Partial<SetRoom> = {}, tint: keyof typeof TINTS = 'none') => {
  const { room } = blankSetup('s', 'S', null);
  const finish = { reflectance: walls, tint };
  const finishes = Object.fromEntries(
    Object.keys(room.finishes).map((wall) => [wall, finish]),
  ) as SetRoom['finishes'];
  return { ...room, finishes, ...more };
};
const setupOf = (room: SetRoom, things: readonly Thing[]): Setup => ({
  ...blankSetup('s', 'S', null),
  room,
  things: [...things],
});

interface Solved {
  scene: Scene;
  light: SetLight;
  direct: Direct;
  alone: LightAlone;
}
/** Works the first light or window of a setup out. */
function solved(setup: Setup, given: LightSource = source(1000)): Solved {
  const lamp = setup.things.find(({ kind }) => kind === 'light');
  const window = setup.things.find((each): each is WindowThing => each.kind === 'window');
  const light =
    lamp?.kind === 'light' ? placedLight(lamp, given) : windowLight(window!, setup.room);
  const scene = sceneOf(setup, new Map());
  const geometry = geometryOf(scene.faces, scene.shell, scene.closed);
  const alone = aloneOf(scene, geometry, light);
  if (!alone.ok) throw new Error(alone.problems[0]!.message);
  return { scene, light, direct: straightOf(scene, light), alone: alone.value };
}

/** A stream of numbers that look random, the same every time. */
function numbers(seed: number) {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return (state + 0.5) / 4294967296;
  };
}

/**
 * The tests' own light in a room, by other means than patches: ways are followed from a place, one by one, off faces and through
 * sheets, until they are swallowed; every stop adds what the lamp gives straight there.
 */
function followed({ scene, direct }: Solved, from: Vector, normal: Vector, ways: number) {
  const random = numbers(7);
  const flat = scene.faces.map((face) => ({ ...face, normal: normalOf(face) }));
  type Flat = (typeof flat)[number];
  const meet = (at: Vector, way: Vector): { face: Flat; place: Vector } | null => {
    let best: { face: Flat; place: Vector } | null = null;
    let nearest = Infinity;
    for (const face of flat) {
      const down = dot(way, face.normal);
      if (down >= 0) continue;
      const t = dot(minus(face.corner, at), face.normal) / down;
      if (t < 1e-7 || t >= nearest) continue;
      const place = plus(at, scaled(way, t));
      const off = minus(place, face.corner);
      const [u, v] = [
        dot(off, face.across) / dot(face.across, face.across),
        dot(off, face.along) / dot(face.along, face.along),
      ];
      if (u < 0 || u > 1 || v < 0 || v > 1) continue;
      nearest = t;
      best = { face, place };
    }
    return best;
  };
  const outOf = (n: Vector): Vector => {
    const x = unit(cross(Math.abs(n[2]) < 0.9 ? [0, 0, 1] : [1, 0, 0], n));
    const y = cross(n, x);
    const [r, angle] = [Math.sqrt(random()), 2 * Math.PI * random()];
    return plus(
      plus(scaled(x, r * Math.cos(angle)), scaled(y, r * Math.sin(angle))),
      scaled(n, Math.sqrt(1 - r * r)),
    );
  };
  let sum = 0;
  for (let k = 0; k < ways; k++) {
    let [at, facing] = [from, normal];
    for (;;) {
      const hit = meet(at, outOf(facing));
      if (!hit) break;
      const chance = random();
      const { reflectance, passes = 0 } = hit.face;
      if (chance >= reflectance[0] + passes) break;
      facing = chance < reflectance[0] ? hit.face.normal : scaled(hit.face.normal, -1);
      at = hit.place;
      sum += direct(at, facing);
    }
  }
  return sum / ways;
}

const head = (more = {}) =>
  newThing('head', 'h', 'Head', { xM: 2.5, yM: 2.4, posture: 'sitting', ...more });
const lamp = (more = {}) =>
  newThing('light', 'l', 'Lamp', { xM: 3.8, yM: 1.2, zM: 2, panDeg: 45, tiltDeg: -25, ...more });

describe('a head in a room, against ways followed one by one', () => {
  test.each([
    ['a white room, a bare lamp', painted(0.8), [lamp(), head()], 0],
    [
      'a front that looks at the ceiling',
      painted(0.7),
      [lamp({ xM: 2.5, zM: 1.2, tiltDeg: 90 }), head()],
      0.4,
    ],
    [
      'a sheet before the lamp lets a part of it through',
      painted(0.5),
      [
        lamp(),
        head(),
        newThing('card', 'c', 'Sheet', {
          card: 'sheet',
          xM: 3.3,
          yM: 1.7,
          zM: 1.7,
          panDeg: 45,
          widthM: 1.2,
          heightM: 1.2,
        }),
      ],
      0.2,
    ],
    [
      'black cloth and a table',
      painted(0.75),
      [
        lamp(),
        head(),
        newThing('card', 'c', 'Black', {
          card: 'black',
          xM: 1.9,
          yM: 2.3,
          panDeg: -90,
          heightM: 1.6,
        }),
        newThing('table', 't', 'Table', { xM: 2.5, yM: 1.8, reflectance: 0.6, tint: 'none' }),
      ],
      0,
    ],
    ['without a ceiling', painted(0.6, { open: 'ceiling' }), [lamp(), head()], 0],
  ] as const)('%s: within 2 %%', (_, room, things, frontM) => {
    const found = solved(setupOf(room, things), source(1000, frontM));
    const [{ at, metered }] = found.scene.heads as [Scene['heads'][number]];
    const bounced = found.alone.heads.h!.bounced.front[0];
    const other = followed(found, at, metered, 60_000);
    expect(bounced).toBeGreaterThan(1);
    expect(Math.abs(bounced / other - 1)).toBeLessThan(0.02);
    expect(found.alone.imbalance).toBeLessThan(1e-6);
  });
  test('a window: what comes in leaves by it, and its wall’s mean leaves it out', () => {
    const window = newThing('window', 'w', 'Window', { outsideLx: 5000, passes: 0.8, alongM: 2 });
    const found = solved(setupOf(painted(0.7), [window, head()]));
    const [{ at, metered }] = found.scene.heads as [Scene['heads'][number]];
    const bounced = found.alone.heads.h!.bounced.front[0];
    expect(Math.abs(bounced / followed(found, at, metered, 60_000) - 1)).toBeLessThan(0.02);
    expect(Object.keys(found.alone.means)).toContain('w');
    expect(found.alone.means.left).toBeLessThan(found.alone.means.right!);
  });
});

describe('straight light', () => {
  test('a window is an even front: E = M·C(polygon) at a face before it [std: Lambert’s polygon]', () => {
    const window = newThing('window', 'w', 'Window', {
      outsideLx: 5000,
      passes: 0.8,
      alongM: 2,
      sillM: 0.5,
      widthM: 1,
      heightM: 1,
    });
    const { direct } = solved(setupOf(painted(0), [window, head()]));
    // A square of 1 m seen from 1 m before its middle, facing it: four quarters of Howell's C-11 corner form.
    const [x, y] = [0.5, 0.5];
    const part = (a: number, b: number) => (a / Math.hypot(1, a)) * Math.atan(b / Math.hypot(1, a));
    const factor = (4 / (2 * Math.PI)) * (part(x, y) + part(y, x));
    const lx = direct([1, 2, 1], [-1, 0, 0]);
    expect(Math.abs(lx / (4000 * factor) - 1)).toBeLessThan(0.01);
  });
  test('a flag between lamp and face takes all of it, and none beside it', () => {
    const flag = (xM: number) =>
      newThing('card', 'c', 'Flag', { card: 'flag', xM, yM: 1.8, zM: 1.6, panDeg: 45 });
    const lit = (things: Thing[]) =>
      solved(setupOf(painted(0), [lamp(), head(), ...things])).alone.heads.h!.direct.front;
    expect(lit([flag(3.15)])).toBe(0);
    expect(lit([flag(0.5)])).toBeCloseTo(lit([]), 9);
  });
  test('one head stands in another’s light', () => {
    const other = head({ id: 'o', xM: 3.15, yM: 1.8, posture: 'standing' });
    const lit = (things: Thing[]) =>
      solved(setupOf(painted(0), [lamp({ zM: 1.6 }), head({ posture: 'standing' }), ...things]))
        .alone.heads.h!.direct.front;
    expect(lit([])).toBeGreaterThan(10);
    expect(lit([{ ...other, id: 'o' } as Thing])).toBe(0);
  });
});

describe('paint', () => {
  test.each(Object.keys(TINTS) as (keyof typeof TINTS)[])('%s keeps its reflectance', (tint) => {
    for (const rho of [0, 0.1, 0.3]) {
      const bands = finishBands(rho, tint);
      expect(luminanceOf(bands)).toBeCloseTo(rho, 2);
      for (const band of bands) expect(band).toBeLessThanOrEqual(1);
    }
  });
  test('coloured walls colour what they send back, and no more energy comes of it', () => {
    const found = solved(setupOf(painted(0.5, {}, 'wood'), [lamp(), head()]));
    const [r, , b] = found.alone.heads.h!.bounced.front as Bands;
    expect(r).toBeGreaterThan(2 * b);
    expect(found.alone.imbalance).toBeLessThan(1e-6);
  });
  test('all white without end is refused with a word; all black has no bounce', () => {
    const white = setupOf(painted(1), [lamp()]);
    const scene = sceneOf(white, new Map());
    const geometry = geometryOf(scene.faces, scene.shell, scene.closed);
    const [thing] = white.things;
    const refused = aloneOf(scene, geometry, placedLight(thing as never, source(1000)));
    expect(!refused.ok && refused.problems[0]!.message).toMatch(/never ends/);
    const black = solved(setupOf(painted(0), [lamp(), head()]));
    expect(black.alone.heads.h!.bounced.front[0]).toBe(0);
  });
});

test('over a backdrop, point for point, within 3 % of ways followed; where floor and backdrop meet within 5 %', () => {
  const backdrop = newThing('backdrop', 'b', 'Flat', {
    surface: 'paper',
    xM: 2.5,
    yM: 3.8,
    widthM: 3,
    heightM: 2,
    bottomM: 0.1,
  });
  const found = solved(setupOf(painted(0.6), [lamp({ yM: 1.5 }), backdrop]), source(1000));
  const cells = found.alone.backdrops.b!;
  const face = found.scene.faces.find(({ id }) => id === 'b front') as Face;
  // The lowest row lies a hand over the floor, whose patches are half before and half behind it.
  for (const [k, most] of [
    [8, 0.05],
    [61, 0.03],
    [100, 0.03],
    [112, 0.03],
    [150, 0.03],
    [215, 0.03],
  ] as const) {
    const [u, v] = [((k % 18) + 0.5) / 18, (Math.floor(k / 18) + 0.5) / 12];
    const place = plus(face.corner, plus(scaled(face.across, u), scaled(face.along, v)));
    const normal = normalOf(face);
    const other = found.direct(place, normal) + followed(found, place, normal, 60_000);
    expect(Math.abs(cells[k]! / other - 1)).toBeLessThan(most);
  }
});
