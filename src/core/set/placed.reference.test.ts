import fc from 'fast-check';
import { sourceField } from '../light/lightField';
import type { Vector } from '../light/vector';
import { cardFaces, patchesOf } from './faces';
import { ballInTheWay, directFrom, directOn, type Placed } from './placed';
import { axesOf, placeInto, placeOutOf, type Pose } from './pose';
import { cheekNormals, fillLevelFor, keyToFill, type AtFace } from './ratios';

const degrees = (deg: number) => (deg * Math.PI) / 180;
/** A small Lambertian lamp of 100π lm: 100 cd on its axis. */
const lamp = (pose: Partial<Pose>, positions: readonly Vector[] = [[0, 0, 0]]): Placed => ({
  field: sourceField(
    positions.map((positionM) => ({
      positionM,
      axis: [0, 0, 1],
      luminousFluxLm: (100 * Math.PI) / positions.length,
      spread: { class: 'lambert' },
    })),
  ),
  frontM: 0,
  pose: { at: [0, 0, 0], pan: 0, tilt: 0, roll: 0, ...pose },
});

describe('where a light stands and looks', () => {
  test.each<[string, Partial<Pose>, Vector]>([
    ['straight in', {}, [0, 1, 0]],
    ['to the left (counterclockwise from above)', { pan: degrees(90) }, [-1, 0, 0]],
    ['to the right', { pan: degrees(-90) }, [1, 0, 0]],
    ['at the ceiling', { tilt: degrees(90) }, [0, 0, 1]],
    ['half down', { tilt: degrees(-45) }, [0, Math.SQRT1_2, -Math.SQRT1_2]],
  ])('%s', (_, pose, z) => {
    const found = axesOf({ at: [1, 2, 3], pan: 0, tilt: 0, roll: 0, ...pose });
    z.forEach((each, k) => expect(found.z[k]).toBeCloseTo(each, 12));
  });
  test('its axes stand square, right-handed, and a place goes in and out again', () =>
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 9, maxLength: 9 }),
        ([pan, tilt, roll, ax, ay, az, px, py, pz]) => {
          const axes = axesOf({ at: [ax!, ay!, az!], pan: pan!, tilt: tilt!, roll: roll! });
          const rows = [axes.x, axes.y, axes.z];
          const det =
            rows[0]![0] * (rows[1]![1] * rows[2]![2] - rows[1]![2] * rows[2]![1]) -
            rows[0]![1] * (rows[1]![0] * rows[2]![2] - rows[1]![2] * rows[2]![0]) +
            rows[0]![2] * (rows[1]![0] * rows[2]![1] - rows[1]![1] * rows[2]![0]);
          expect(det).toBeCloseTo(1, 9);
          const there = placeOutOf(axes, placeInto(axes, [px!, py!, pz!], 0.3), 0.3);
          [px, py, pz].forEach((each, k) => expect(there[k]).toBeCloseTo(each!, 9));
        },
      ),
    ));
});

describe('straight from a light', () => {
  test('in a black room by inverse square and both cosines', () => {
    const light = lamp({ at: [1, 0, 2], pan: degrees(20), tilt: degrees(-30) });
    // 100 cd · cos θ · cos β / d² [std: law of distance; Lambert].
    const place: Vector = [0.4, 1.8, 0.9];
    const way = [-0.6, 1.8, -1.1] as const;
    const d2 = way.reduce((all, x) => all + x * x, 0);
    const { z } = axesOf(light.pose);
    const along = (way[0] * z[0] + way[1] * z[1] + way[2] * z[2]) / Math.sqrt(d2);
    const facing = 1.8 / Math.sqrt(d2);
    expect(directFrom(light)(place, [0, -1, 0])).toBeCloseTo((100 * along * facing) / d2, 9);
    expect(directFrom(light)(place, [0, 1, 0])).toBe(0);
  });
  test('a mirrored light on a mirrored place gives the same', () => {
    const [one, other] = [20, -20].map((deg) =>
      lamp({ at: [deg > 0 ? 1 : -1, 0, 2], pan: degrees(deg), tilt: -0.4 }, [
        [0.2, 0.1, 0],
        [-0.2, 0.1, 0],
      ]),
    );
    expect(directFrom(one!)([0.3, 2, 1], [0, -1, 0])).toBeCloseTo(
      directFrom(other!)([-0.3, 2, 1], [0, -1, 0]),
      9,
    );
  });
  test('a flag takes it, and takes half of two lamps where it hides one', () => {
    const light = lamp({ at: [0, 0, 1] }, [
      [-0.5, 0, 0],
      [0.5, 0, 0],
    ]);
    const open = directFrom(light)([0, 2, 1], [0, -1, 0]);
    const flag = (from: number, to: number) =>
      cardFaces(
        'flag',
        { corner: [from, 1, 0.5], across: [to - from, 0, 0], along: [0, 0, 1] },
        [0, 0, 0],
        [0, 0, 0],
      );
    const behind = (faces: ReturnType<typeof flag>) =>
      directFrom(light, { faces, balls: [] })([0, 2, 1], [0, -1, 0]);
    expect(behind(flag(-1, 1))).toBe(0);
    expect(behind(flag(-1, 0))).toBeCloseTo(open / 2, 9);
    expect(behind(flag(1, 2))).toBeCloseTo(open, 9);
  });
  test('on patches as on the places of their middles', () => {
    const direct = directFrom(lamp({ at: [2, 0.2, 1.5] }));
    const faces = cardFaces(
      'wall',
      { corner: [0, 3, 0], across: [4, 0, 0], along: [0, 0, 3] },
      [0, 0, 0],
      [0, 0, 0],
    );
    const patches = patchesOf(faces, 1);
    directOn(direct, patches).forEach((lx, k) =>
      expect(lx).toBe(direct(patches[k]!.centre, patches[k]!.normal)),
    );
    expect(directOn(direct, patches).some((lx) => lx > 1)).toBe(true);
  });
  test('a head throws a shadow where it lies across, and is no shadow on itself', () => {
    const ball = ballInTheWay({ centre: [0, 1, 1], radiusM: 0.1 });
    expect(ball(...([0, 0, 1] as const), ...([0, 2, 1] as const))).toBe(0);
    expect(ball(...([0, 0, 1] as const), ...([0.5, 2, 1] as const))).toBe(1);
    expect(ball(...([0, 0, 1] as const), ...([0, 0.95, 1] as const))).toBe(1);
    expect(ball(...([0, 1.5, 1] as const), ...([0, 2, 1] as const))).toBe(1);
  });
});

describe('key to fill', () => {
  const at = (id: string, leftLx: number, rightLx: number): AtFace => ({
    id,
    frontLx: (leftLx + rightLx) / 2,
    leftLx,
    rightLx,
  });
  test('both schools: 300 + 100 over 100 is 4 : 1 together and 3 : 1 alone', () => {
    const found = keyToFill(at('key', 300, 0), [at('fill', 100, 100)]);
    expect(found.together).toEqual({ ratio: 4, stops: 2 });
    expect(found.alone!.ratio).toBeCloseTo(3, 12);
    expect(keyToFill(at('key', 300, 0), []).together).toBeNull();
  });
  test('a fill that is solved for gives what was wanted, whatever the lights', () =>
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 1, max: 500, noNaN: true }), { minLength: 6, maxLength: 6 }),
        fc.double({ min: 1.2, max: 16, noNaN: true }),
        (lx, wanted) => {
          const [key, fill, rest] = [0, 2, 4].map((k) => at(String(k), lx[k]!, lx[k + 1]!));
          const level = fillLevelFor(wanted, key!, fill!, [rest!]);
          if (level === null) return;
          const dimmed = at('fill', level * fill!.leftLx, level * fill!.rightLx);
          const { together } = keyToFill(key!, [dimmed, rest!]);
          // The key's own cheek over the other: less than one where the rest lights that more.
          const [lit, shadow] =
            key!.leftLx >= key!.rightLx
              ? (['leftLx', 'rightLx'] as const)
              : (['rightLx', 'leftLx'] as const);
          const sum = (of: 'leftLx' | 'rightLx') => key![of] + dimmed[of] + rest![of];
          expect(sum(lit) / sum(shadow)).toBeCloseTo(wanted, 6);
          expect(together!.ratio).toBeCloseTo(wanted, 6);
        },
      ),
    ));
  test('cheeks look 45° aside, left and right of the face', () => {
    const { left, right } = cheekNormals([0, -1, 0]);
    expect(left[0]).toBeCloseTo(Math.SQRT1_2, 12);
    expect(right[0]).toBeCloseTo(-Math.SQRT1_2, 12);
    expect(left[1]).toBeCloseTo(-Math.SQRT1_2, 12);
  });
});
