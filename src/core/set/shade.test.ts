import { sourceField } from '../light/lightField';
import { drumShares, shaded, SHADES } from './shade';

/** Lumens through a ball round it, by lux at places evenly over that. */
function lumensThrough(emitters: Parameters<typeof sourceField>[0], radiusM: number): number {
  const field = sourceField(emitters);
  const count = 4000;
  let sum = 0;
  for (let k = 0; k < count; k++) {
    const z = 1 - (2 * (k + 0.5)) / count;
    const angle = k * Math.PI * (3 - Math.sqrt(5));
    const level = Math.sqrt(1 - z * z);
    const out = [level * Math.cos(angle), level * Math.sin(angle), z] as const;
    sum += field.illuminance(
      [radiusM * out[0], radiusM * out[1], radiusM * out[2]],
      [-out[0], -out[1], -out[2]],
    );
  }
  return (sum / count) * 4 * Math.PI * radiusM ** 2;
}

test('a drum gives off what its cloth does not keep: a straight sum over orders of bounce', () => {
  const { radiusM: r, heightM: h, reflectance, passes } = SHADES.drum;
  // By hand: solid angle of both ends from the middle, then bounce after bounce on the side.
  const straight = 1 - h / 2 / Math.hypot(r, h / 2);
  const x = 2 + (h / r) ** 2;
  const sideToEnds =
    ((1 - (x - Math.sqrt(x * x - 4)) / 2) * Math.PI * r * r * 2) / (2 * Math.PI * r * h);
  let [on, side, ends] = [1 - straight, 0, straight];
  for (let order = 0; order < 60; order++) {
    side += passes * on;
    ends += reflectance * on * sideToEnds;
    on *= reflectance * (1 - sideToEnds);
  }
  expect(drumShares(SHADES.drum).side).toBeCloseTo(side, 9);
  expect(drumShares(SHADES.drum).ends).toBeCloseTo(ends, 9);
  expect(side + ends).toBeLessThan(1);
});

test.each(['drum', 'globe'] as const)('light of a %s adds up far away', (shade) => {
  const { emitters } = shaded(shade, 1000)!;
  const given = emitters.reduce((sum, { luminousFluxLm }) => sum + luminousFluxLm, 0);
  expect(lumensThrough(emitters, 5) / given).toBeCloseTo(1, 1);
  expect(given).toBeLessThan(1000);
  expect(given).toBeGreaterThan(500);
});

test('a globe shines alike all round, a drum brighter up and down than sideways; no shade is none', () => {
  const at = (shade: 'drum' | 'globe', x: number, y: number, z: number) =>
    sourceField(shaded(shade, 1000)!.emitters).illuminance([x, y, z], [-x / 3, -y / 3, -z / 3]);
  expect(at('globe', 3, 0, 0) / at('globe', 0, 3, 0)).toBeCloseTo(1, 1);
  expect(at('drum', 0, 3, 0)).toBeGreaterThan(1.5 * at('drum', 3, 0, 0));
  expect(at('drum', 0, 3, 0) / at('drum', 0, -3, 0)).toBeCloseTo(1, 6);
  expect(shaded('none', 1000)).toBeNull();
});
