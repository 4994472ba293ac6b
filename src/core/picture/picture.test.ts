import type { Emitter } from '../light/emitter';
import { clusters } from '../light/clusters';
import { bakeHead, gridDistance, headShades } from '../mannequin/grid';
import { bodyDistance, CENTRE, EYE, eyeDistance, headDistance, REACH } from '../mannequin/head';
import { LitPicture, ROOM_SHARE } from './lit';
import { frontLamps, placeLight, type PictureLight, type Pose } from './scene';
import { eyePart, MATERIALS } from '../mannequin/surface';
import { seeRows } from './sight';
import { rolledOff, toByte } from '../colour/tone';

const grid = bakeHead(0.006);
const SIZE = 64;
const sight = seeRows(grid, SIZE);
const ALL = { first: 0, every: 1 };
const DEGREE = Math.PI / 180;
const pose = (azimuth: number, elevation = 0, distanceM = 1.2): Pose => ({
  distanceM,
  azimuthRad: azimuth * DEGREE,
  elevationRad: elevation * DEGREE,
});
const light = (size: number, over: Partial<PictureLight> = {}): PictureLight => ({
  lamps: frontLamps(size, size, 800, 1.2),
  controls: [],
  frontM: 0,
  tint: [1, 1, 1],
  faceLx: 800,
  ...over,
});
const lit = (given: PictureLight, at: Pose, rays = 32) => {
  const picture = new LitPicture(sight, grid, given, at, ALL);
  picture.refineInPlace(rays);
  return picture;
};
/** Pixel that sees a place of the face. */
function pixelOf(x: number, y: number): number {
  let [best, far] = [-1, Infinity];
  for (let k = 0; k < SIZE * SIZE; k++) {
    if (sight.materials[k] !== MATERIALS.skin) continue;
    const away = Math.hypot(sight.places[k * 3]! - x, sight.places[k * 3 + 1]! - y);
    if (away < far) [best, far] = [k, away];
  }
  return best;
}
const FOREHEAD = pixelOf(0, 0.07);
const [LEFT, RIGHT] = [pixelOf(-0.045, -0.01), pixelOf(0.045, -0.01)];

describe('the head', () => {
  test('left and right are alike, and all of it lies in its sphere', () => {
    for (let k = 0; k < 400; k++) {
      const [u, v, w] = [0.618, 0.7549, 0.5698].map((g) => ((k * g) % 1) - 0.5);
      const [x, y, z] = [u! * 0.5, CENTRE[1] + v! * 0.7, CENTRE[2] + w! * 0.6];
      expect(headDistance(-x, y, z)).toBeCloseTo(headDistance(x, y, z), 12);
      if (headDistance(x, y, z) < 0)
        expect(Math.hypot(x - CENTRE[0], y - CENTRE[1], z - CENTRE[2])).toBeLessThan(REACH);
    }
  });
  test('measures like a head: about 15 cm wide, 23 to 26 cm high, nose before brow before socket', () => {
    const front = (x: number, y: number) => {
      for (let z = 0.1; z > -0.2; z -= 0.0005) if (headDistance(x, y, z) < 0) return z;
      return -1;
    };
    const edge = (y: number) => {
      for (let x = 0.15; x > 0; x -= 0.0005) if (headDistance(x, y, -0.07) < 0) return x;
      return 0;
    };
    expect(2 * edge(0.06)).toBeGreaterThan(0.14);
    expect(2 * edge(0.06)).toBeLessThan(0.16);
    expect(front(0, -0.018)).toBeGreaterThan(front(0.03, 0.037));
    expect(front(0.03, 0.037)).toBeGreaterThan(front(0.05, 0.02));
  });
  test('eyes stand in their lids, open in the middle, shut above', () => {
    const ahead = EYE.z + EYE.radius;
    expect(eyeDistance(EYE.x, EYE.y, ahead)).toBeCloseTo(0, 9);
    expect(bodyDistance(EYE.x, EYE.y, ahead)).toBeGreaterThan(0.0005);
    expect(bodyDistance(EYE.x, EYE.y + 0.0085, EYE.z + 0.0085)).toBeLessThan(0.0012);
    expect(eyePart(EYE.x, EYE.y, ahead)).toBe('pupil');
    expect(eyePart(EYE.x + 0.004, EYE.y, ahead)).toBe('iris');
    expect(eyePart(-EYE.x - 0.008, EYE.y, ahead)).toBe('white');
  });
  test('the baked distance is the exact one near the skin, and never beyond it far off', () => {
    for (let k = 0; k < 600; k++) {
      const [u, v, w] = [0.618, 0.7549, 0.5698].map((g) => (k * g) % 1);
      const [x, y, z] = [-0.2 + u! * 0.4, -0.35 + v! * 0.5, -0.2 + w! * 0.26];
      const [baked, exact] = [gridDistance(grid, x, y, z), headDistance(x, y, z)];
      if (Math.abs(exact) < 0.004) expect(Math.abs(baked - exact)).toBeLessThan(0.004);
      if (exact > 0.03) expect(baked).toBeLessThan(exact + 0.006);
    }
  });
  test('shadow rays: through the head no, past it yes', () => {
    expect(headShades(grid, 0, 0.05, -0.3, 0, 0.05, 1, 0)).toBe(true);
    expect(headShades(grid, 0.2, 0.1, -0.3, 0.2, 0.1, 1, 0)).toBe(false);
    expect(headShades(grid, 0, 0.05, 0.3, 0, 0.05, 1, 0)).toBe(false);
  });
});

describe('light on it', () => {
  test('the face has the light of the readouts: lux at the forehead within its slope', () => {
    const lux = lit(light(0.6), pose(0)).luxAt(FOREHEAD);
    expect(lux).toBeGreaterThan(0.6 * 800);
    expect(lux).toBeLessThan(1.1 * 800);
  });
  test('from the side the near cheek is bright, the far one dark; turned round, the other way', () => {
    const right = lit(light(0.3), pose(75));
    expect(right.luxAt(RIGHT)).toBeGreaterThan(4 * right.luxAt(LEFT));
    const left = lit(light(0.3), pose(-75));
    expect(left.luxAt(LEFT)).toBeGreaterThan(4 * left.luxAt(RIGHT));
  });
  test('a bigger source fills more: its darkest skin is lighter than a small one’s', () => {
    const darkest = (size: number) => {
      const picture = lit(light(size), pose(60, 25), 48);
      let least = Infinity;
      for (let k = 0; k < SIZE * SIZE; k++)
        if (sight.materials[k] === MATERIALS.skin && sight.places[k * 3 + 1]! > -0.08)
          least = Math.min(least, picture.luxAt(k));
      return least;
    };
    const mean = (size: number) => {
      const picture = lit(light(size), pose(60, 25), 48);
      const skin = [...sight.materials.keys()].filter((k) => sight.materials[k] === MATERIALS.skin);
      const shaded = skin.filter((k) => picture.luxAt(k) < 0.05 * 800).length;
      return shaded / skin.length;
    };
    expect(darkest(1.6)).toBeGreaterThanOrEqual(darkest(0.05));
    expect(mean(1.6)).toBeLessThan(mean(0.05));
  });
  test('behind a flag the face is left with the room’s light', () => {
    const card = [
      [-2, -2, 0.3],
      [2, -2, 0.3],
      [2, 2, 0.3],
      [-2, 2, 0.3],
    ] as const;
    const flagged = light(0.3, { controls: [{ kind: 'plate', name: 'card', points: card }] });
    expect(lit(flagged, pose(0)).luxAt(FOREHEAD)).toBeCloseTo(800 * ROOM_SHARE, 6);
  });
  test('no light, no nonsense', () => {
    const { pixels, lux } = lit(light(0.3, { lamps: [], faceLx: 0 }), pose(0)).develop({
      skin: 'light',
      targetLx: 100,
      matched: true,
    });
    expect([...lux].every((lx) => lx === 0)).toBe(true);
    expect([...pixels].every((byte, k) => byte === (k % 4 === 3 ? 255 : 0))).toBe(true);
  });
  test('48 rays are within 1 % of white of five times as many', () => {
    const settings = { skin: 'light', targetLx: 800, matched: false } as const;
    const [few, many] = [48, 256].map((rays) =>
      lit(light(0.6), pose(40, 20), rays).develop(settings),
    );
    const off = few!.pixels.map((byte, k) => Math.abs(byte - many!.pixels[k]!));
    const rms = Math.sqrt(off.reduce((sum, byte) => sum + byte * byte, 0) / off.length);
    expect(rms / 255).toBeLessThan(0.01);
  });
  test('rows drawn by two hands are the rows of the whole', () => {
    const settings = { skin: 'olive', targetLx: 500, matched: false } as const;
    const whole = lit(light(0.4), pose(30), 4).develop(settings);
    const half = new LitPicture(sight, grid, light(0.4), pose(30), { first: 1, every: 2 });
    half.refineInPlace(4);
    const rows = half.develop(settings);
    expect(rows.pixels.subarray(0, SIZE * 4)).toEqual(whole.pixels.subarray(SIZE * 4, SIZE * 8));
  });
  test('brought to the target, a dim light looks like a bright one; as exposed, it is darker', () => {
    const dim = light(0.5, { lamps: frontLamps(0.5, 0.5, 100, 1.2), faceLx: 100 });
    const at = (given: PictureLight, matched: boolean) =>
      lit(given, pose(20), 8).develop({ skin: 'light', targetLx: 800, matched }).pixels[
        FOREHEAD * 4 + 1
      ]!;
    expect(at(dim, true)).toBeCloseTo(at(light(0.5), true), 0);
    expect(at(dim, false)).toBeLessThan(at(light(0.5), false) - 40);
  });
  test('a tint reddens, skins differ in depth', () => {
    const shade = (over: Partial<PictureLight>, skin: 'pale' | 'dark') => {
      const { pixels } = lit(light(0.5, over), pose(0), 4).develop({
        skin,
        targetLx: 1600,
        matched: false,
      });
      return [pixels[FOREHEAD * 4]!, pixels[FOREHEAD * 4 + 2]!] as const;
    };
    const [warmRed, warmBlue] = shade({ tint: [1.3, 0.98, 0.5] }, 'pale');
    const [red, blue] = shade({}, 'pale');
    expect(warmRed).toBeGreaterThan(red);
    expect(warmBlue).toBeLessThan(blue);
    expect(shade({}, 'dark')[0]).toBeLessThan(red - 60);
  });
});

describe('places', () => {
  test('the light faces the face from its distance, wherever it stands', () => {
    for (const at of [pose(0), pose(90), pose(-135, 40), pose(20, 85, 3)]) {
      const { axes, origin } = placeLight(light(0.3, { frontM: 0.1 }), at);
      const away = Math.hypot(...origin);
      expect(away).toBeCloseTo(at.distanceM + 0.1, 12);
      for (let i = 0; i < 3; i++) expect(axes[6 + i]).toBeCloseTo(-origin[i]! / away, 12);
      const dot = (a: number, b: number) =>
        [0, 1, 2].reduce((sum, i) => sum + axes[a + i]! * axes[b + i]!, 0);
      for (const [a, b] of [
        [0, 3],
        [0, 6],
        [3, 6],
      ] as const)
        expect(dot(a, b)).toBeCloseTo(0, 12);
    }
  });
});

describe('sources merged', () => {
  const many = Array.from({ length: 300 }, (_, k): Emitter => ({
    positionM: [Math.cos(k), Math.sin(k), 0.01 * (k % 3)],
    axis: [0, 0, 1],
    luminousFluxLm: 1 + (k % 5),
    spread: { class: 'lambert' },
  }));
  test('few stand for many, flux is kept, none is left out', () => {
    const few = clusters(many, 64, 0.01);
    expect(few).toHaveLength(64);
    const flux = (list: readonly { luminousFluxLm: number }[]) =>
      list.reduce((sum, { luminousFluxLm }) => sum + luminousFluxLm, 0);
    expect(flux(few.map(({ source }) => source))).toBeCloseTo(flux(many), 9);
    for (const { source } of few) expect(Math.hypot(...source.axis)).toBeCloseTo(1, 12);
  });
  test('fewer than wanted stay as they are; dark ones go', () => {
    expect(clusters(many.slice(0, 3), 64, 0.02).map(({ half }) => half)).toEqual(
      Array(3).fill([0.02, 0.02, 0.02]),
    );
    expect(clusters([{ ...many[0]!, luminousFluxLm: 0 }], 64, 0.01)).toEqual([]);
    expect(clusters(Array<Emitter>(5).fill(many[0]!), 64, 0)).not.toHaveLength(0);
  });
});

test('tone: straight to half, rolled off above, never past white; mid-grey is 18 % as sRGB has it', () => {
  expect(rolledOff(0.18)).toBe(0.18);
  expect(rolledOff(0.5)).toBe(0.5);
  expect(rolledOff(4)).toBeLessThan(1);
  // sRGB of 18 %: 118 of 255 [std: IEC 61966-2-1].
  expect(toByte(0.18)).toBe(118);
  expect([toByte(0), toByte(-1), toByte(1e6)]).toEqual([0, 0, 255]);
  for (let v = 0; v < 6; v += 0.05) expect(toByte(v + 0.05)).toBeGreaterThanOrEqual(toByte(v));
});

describe('outline and eyes', () => {
  const area = ({ coverage, size }: typeof sight) =>
    coverage.reduce((sum, share) => sum + share, 0) / size ** 2;
  test('along the outline pixels are shared: the head is as large in a coarse picture as in a fine one', () => {
    const shared = sight.coverage.filter((share) => share > 0 && share < 1).length;
    expect(shared).toBeGreaterThan(SIZE);
    const fine = seeRows(grid, 3 * SIZE);
    expect(Math.abs(area(sight) / area(fine) - 1)).toBeLessThan(0.006);
    const hard = sight.materials.filter((each) => each !== MATERIALS.wall).length / SIZE ** 2;
    expect(Math.abs(area(sight) / area(fine) - 1)).toBeLessThan(Math.abs(hard / area(fine) - 1));
  });
  test('a shared pixel lies between its two sides in brightness', () => {
    const { pixels } = lit(light(0.6), pose(35, 20)).develop({
      skin: 'light',
      targetLx: 800,
      matched: true,
    });
    const at = sight.coverage.findIndex(
      (share, k) =>
        share > 0.3 &&
        share < 0.7 &&
        sight.materials[k] === MATERIALS.wall &&
        sight.coverage[k + 1] === 1 &&
        sight.coverage[k - 1] === 0,
    );
    expect(at).toBeGreaterThan(0);
    const [wall, shared, skin] = [at - 1, at, at + 1].map((k) => pixels[k * 4]!);
    expect(shared).toBeGreaterThanOrEqual(Math.min(wall!, skin!));
    expect(shared).toBeLessThanOrEqual(Math.max(wall!, skin!));
  });
  test('the eyes fill their own frame, and the light stands in them', () => {
    const eyes = seeRows(grid, 160, 0, 1, 'eyes');
    const share = (of: typeof sight) =>
      of.materials.filter((each) => each === MATERIALS.eye).length / of.materials.length;
    expect(share(eyes)).toBeGreaterThan(4 * share(sight));
    // Nothing is drawn above and below their band.
    expect(eyes.materials.slice(0, 160 * 10).every((each) => each === MATERIALS.none)).toBe(true);
    const picture = new LitPicture(eyes, grid, light(0.4), pose(20, 15), ALL);
    picture.refineInPlace(4);
    const { pixels } = picture.develop({ skin: 'light', targetLx: 800, matched: true });
    // In the dark of iris and pupil nothing is bright but the light itself.
    const dark = [...eyes.materials].flatMap((each, k) => {
      const at = [...eyes.places.slice(3 * k, 3 * k + 3)] as [number, number, number];
      return each === MATERIALS.eye && eyePart(...at) !== 'white' ? [pixels[4 * k]!] : [];
    });
    expect(dark.filter((red) => red > 150).length).toBeGreaterThan(6);
    expect(dark.filter((red) => red < 90).length).toBeGreaterThan(dark.length / 2);
  });
});
