import { HARDWARE } from '@/core/materials/hardware';
import type { PartOf, Role } from '@/core/materials/part';
import { nightFerry } from './nightFerry';

const { parts } = nightFerry().shelf;
const ofRole = <R extends Role>(role: R) =>
  parts.filter((part): part is PartOf<R> => part.role === role);

describe('layers on the demo’s shelf (table of docs/model/units.md)', () => {
  test.each([
    ['parchment', 0.62, 0.3, 70, 6, 200],
    ['tracing', 0.45, 0.47, 110, 5, 180],
    ['curtain', 0.72, 0.22, 50, 3, 65],
    ['silk', 0.7, 0.25, 40, 4, 150],
    ['muslin-bleached', 0.4, 0.5, 120, 8, 150],
    ['opal-front', 0.55, 0.38, 130, 1, 85],
  ])('%s', (id, transmittance, backReflectance, spreadDeg, shiftMired, limitC) => {
    expect(ofRole('diffusion').find((layer) => layer.id === id)).toMatchObject({
      transmittance,
      backReflectance,
      spreadDeg,
      shiftMired,
      limitC,
    });
  });
  test('none gives back more light than falls on it (conservation of energy)', () => {
    for (const { transmittance, backReflectance } of ofRole('diffusion'))
      expect(transmittance + backReflectance).toBeLessThanOrEqual(1);
  });
});

describe('stock weighs what its material does', () => {
  // kg/m³: rigid PVC, aluminium, pine, acrylic; common tables, from memory.
  test.each([
    ['pipe-20', 1400],
    ['pipe-alu-25', 2700],
    ['batten-20', 450],
    ['clear-tube-40', 1190],
  ])('%s: section × density, within 5 %%', (id, density) => {
    const stick = ofRole('stick').find((each) => each.id === id)!;
    const area = (across: number) =>
      stick.profile === 'round' ? (Math.PI / 4) * across ** 2 : across ** 2;
    const hollow = stick.wallM > 0 ? area(stick.diameterM - 2 * stick.wallM) : 0;
    const expected = (area(stick.diameterM) - hollow) * density;
    expect(Math.abs(stick.massKgPerM / expected - 1)).toBeLessThan(0.05);
  });
  test('a cord weighs more than the copper in it (8960 kg/m³)', () => {
    const copperM2: Record<string, number> = {
      'cord-075': 2 * 0.75e-6,
      'cord-15-3': 3 * 1.5e-6,
      'cord-awg18': 2 * 0.823e-6,
      'cord-awg14': 2 * 2.08e-6,
    };
    for (const { id, massKgPerM } of ofRole('cord'))
      expect([id, massKgPerM > copperM2[id]! * 8960]).toEqual([id, true]);
  });
});

describe('small things', () => {
  test('on the shelf are counted in the measure builds ask in', () => {
    const wrong = ofRole('hardware').filter(
      ({ kind, measure }) => kind !== 'other' && HARDWARE[kind].measure !== measure,
    );
    expect(wrong.map(({ id }) => id)).toEqual([]);
  });
});
