import { layerGrid, leavingOf, leavingTwin, layerLength } from '../light/field/layerGrid';
import { fieldOf } from '../light/field/prepare';
import { MEAN } from '../light/field/backward';
import { toldOf } from '../light/field/gather';
import { toldLx } from '../light/field/told';
import { simulateQuickly } from '../light/transport/run';
import { sheet, standardBox } from '../light/transport/testing';
import type { Vector } from '../light/vector';
import { bakeHead } from '../mannequin/grid';
import { frontLamps, placeLight } from '../picture/scene';
import { seeRows } from '../picture/sight';
import { unshaded } from '../picture/unshaded';
import { desk } from './native';

// Each kernel against its twin in plain numbers, which is checked against theory elsewhere: they differ by the rounding of 32-bit
// sums only.
const on = desk()!;

test('there is a kernel to test', () => expect(on).not.toBeNull());

/** Numbers that repeat. */
function numbers(count: number, seed: number): Float32Array {
  let state = seed;
  return Float32Array.from({ length: count }, () => {
    state = (Math.imul(state, 1664525) + 1013904223) | 0;
    return (state >>> 0) / 2 ** 32;
  });
}

const worst = (a: Float32Array, b: Float32Array) =>
  a.reduce((most, value, k) => Math.max(most, Math.abs(value - b[k]!)), 0);

test.each([2, 14, 30, 90])('what leaves a layer of exponent %d', (exponent) => {
  const grid = layerGrid(exponent)!;
  const passing = numbers(layerLength(grid), exponent).map((one) => (one < 0.6 ? 0 : one));
  const own = leavingOf(passing, grid, on);
  const twin = leavingTwin(passing, grid);
  const most = twin.reduce((a, b) => Math.max(a, b), 0);
  expect(most).toBeGreaterThan(0);
  expect(worst(own, twin)).toBeLessThan(1e-5 * most);
});

test('a desk grows with what is laid on it, and is laid anew', () => {
  const many = numbers(400_000, 3);
  const small = desk()!;
  const first = small.lay(many);
  expect(small.floats(first, many.length)).toEqual(many);
  small.clear();
  expect(small.lay(Float64Array.of(1, 2))).toBe(first);
  expect(small.room(4) % 16).toBe(0);
});

test('light at the pixels of a picture', () => {
  const sight = seeRows(bakeHead(0.02), 48);
  const light = frontLamps(0.6, 0.4, 500, 1.2);
  const placed = placeLight(
    { lamps: light, controls: [], frontM: 0, tint: [1, 1, 1], faceLx: 500 },
    { distanceM: 1.2, azimuthRad: 0.6, elevationRad: 0.3 },
  );
  const rows = { first: 1, every: 3 };
  const own = unshaded(sight, placed, rows, on);
  const twin = unshaded(sight, placed, rows, null);
  expect(Math.max(...twin)).toBeGreaterThan(400);
  expect(worst(own, twin)).toBeLessThan(0.05);
});

test('a mouth whose cells tell their light', () => {
  const room = standardBox(sheet(0.62, 0.3, 60));
  const { survey } = simulateQuickly(room, 5);
  const { field } = fieldOf(room, survey);
  const [exit] = toldOf(field);
  // Something that lets everything pass makes the twin read it.
  const open = [() => 1];
  for (const [x, y, z] of [
    [0, 0, 1500],
    [900, -400, 800],
    [2000, 100, 380],
    [10, 20, 360],
  ] as const) {
    const at: Vector = [x, y, z];
    for (const normal of [[0, 0, -1] as const, [-0.6, 0, -0.8] as const]) {
      const own = toldLx(field, exit!, MEAN, [], at, normal);
      const twin = toldLx(field, exit!, MEAN, open, at, normal);
      expect(own).toBeGreaterThan(0);
      expect(Math.abs(own / twin - 1)).toBeLessThan(1e-5);
    }
  }
  expect(toldLx(field, exit!, MEAN, [], [0, 0, 1500], [0, 0, 1])).toBe(0);
});
