import { prepareControls, type Control, type Plate } from './controls';
import { fluxOf, distributionOf } from './farField';
import { sourceField } from './lightField';
import { sentBackPlaces, withSentBack } from './sentBack';
import type { Emitter } from './emitter';

const DOWN = [0, 0, -1] as const;
const lamp: Emitter = {
  positionM: [0, 0, 0],
  axis: [0, 0, 1],
  luminousFluxLm: 1000,
  spread: { class: 'lambert' },
};
/** A square leaf beside the light, its face towards the axis. */
const leaf = (reflectance?: number, sideM = 0.2, offM = 0.5): Plate => ({
  kind: 'plate',
  name: 'leaf',
  reflectance,
  points: [
    [offM, -sideM / 2, 0.2],
    [offM, sideM / 2, 0.2],
    [offM, sideM / 2, 0.2 + sideM],
    [offM, -sideM / 2, 0.2 + sideM],
  ],
});
const lit = (controls: readonly Control[]) =>
  withSentBack(sourceField([lamp], prepareControls(controls)), controls);

test('a small leaf: two laws of distance, one after the other', () => {
  const field = lit([leaf(0.5)]);
  const at = [0, 0, 2] as const;
  const bare = lit([]).illuminance(at, DOWN);
  // E on the leaf = Φ/π · cos θ · cos β / d², its exitance ρE, its own light by Lambert’s law [std].
  const [d1, z1] = [Math.hypot(0.5, 0.3), 0.3];
  const onLeaf = ((1000 / Math.PI) * (z1 / d1) * (0.5 / d1)) / d1 ** 2;
  const d2 = Math.hypot(0.5, 1.7);
  const back = ((0.5 * onLeaf * 0.04) / Math.PI) * (0.5 / d2) * (1.7 / d2) * (1 / d2 ** 2);
  expect((field.illuminance(at, DOWN) - bare) / back).toBeGreaterThan(0.95);
  expect((field.illuminance(at, DOWN) - bare) / back).toBeLessThan(1.05);
});

test('what leaves is never more than was sent, and more the better the leaf reflects', () => {
  const out = (reflectance: number) => {
    const leaves = [leaf(reflectance, 0.6, 0.2)];
    return fluxOf(distributionOf(lit(leaves), [0, 0, 0], 0.5));
  };
  const [black, grey, white] = [0, 0.4, 0.9].map(out) as [number, number, number];
  expect(black).toBeLessThan(grey);
  expect(grey).toBeLessThan(white);
  expect(white).toBeLessThan(1000);
});

test('a leaf of no known finish sends nothing back, and is read nowhere', () => {
  expect(sentBackPlaces([leaf()])).toEqual([]);
  const at = [0.2, 0.1, 2] as const;
  expect(lit([leaf()]).illuminance(at, DOWN)).toBe(lit([leaf(0)]).illuminance(at, DOWN));
});

test('behind it the leaf is dark; without it in the way its light is gone too', () => {
  const field = lit([leaf(0.8, 0.6)]);
  const behind = [1.5, 0, 1.2] as const;
  expect(field.illuminance(behind, [-1, 0, 0])).toBe(0);
  const at = [0, 0, 2] as const;
  expect(field.passing([]).illuminance(at, DOWN)).toBe(lit([]).illuminance(at, DOWN));
  expect(field.sourcesFrom(at).length).toBeGreaterThan(field.passing([]).sourcesFrom(at).length);
});

test('a white hood round a lamp: its patches cover it, and it adds light beyond its own edge', () => {
  const hood: Control = {
    kind: 'round',
    name: 'hood',
    fromM: 0.05,
    toM: 0.25,
    fromRadiusM: 0.1,
    toRadiusM: 0.15,
    reflectance: 0.85,
  };
  const black: Control = { ...hood, reflectance: 0 };
  const places = sentBackPlaces([hood]);
  for (const [x, y, z] of places) {
    const r = 0.1 + 0.25 * (z - 0.05);
    expect(Math.hypot(x, y)).toBeLessThan(r);
    expect(Math.hypot(x, y)).toBeGreaterThan(0.94 * r);
  }
  // Just out of the lamp’s own sight the hood’s lining still shows.
  const aside = [0.9, 0, 1] as const;
  expect(lit([black]).illuminance(aside, DOWN)).toBe(0);
  expect(lit([hood]).illuminance(aside, DOWN)).toBeGreaterThan(1);
});
