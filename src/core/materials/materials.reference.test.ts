import { nightFerry } from '@/demo/nightFerry';
import { FINISHES, type FinishId } from './finish';
import { HARDWARE, HARDWARE_IDS } from './hardware';
import { partSchema, type PartOf, type Role } from './part';

const { parts } = nightFerry().shelf;
const ofRole = <R extends Role>(role: R) =>
  parts.filter((part): part is PartOf<R> => part.role === role);
const takes = (part: object) => partSchema.safeParse(part).success;

describe('surface finishes (table of docs/model/units.md)', () => {
  const table: [FinishId, number, number][] = [
    ['white-emulsion', 0.85, 0],
    ['foam-core', 0.88, 0.02],
    ['bare-mdf', 0.35, 0],
    ['bare-plywood', 0.45, 0],
    ['black-paint', 0.05, 0],
    ['foil', 0.85, 0.8],
    ['foil-crumpled', 0.82, 0.3],
    ['foil-tape', 0.85, 0.6],
    ['mirror-acrylic', 0.85, 0.95],
    ['tinned-steel', 0.55, 0.6],
    ['muslin', 0.7, 0],
    ['white-corrugated', 0.65, 0.1],
    ['white-ceiling', 0.8, 0],
  ];
  test('reflectance and mirror-like share', () => {
    expect(
      Object.entries(FINISHES).map(([id, finish]) => [id, finish.reflectance, finish.mirrorShare]),
    ).toEqual(expect.arrayContaining(table));
    expect(Object.keys(FINISHES)).toHaveLength(table.length);
  });
});

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
      origin: 'typical',
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

describe('every part of the demo', () => {
  test('comes back from the schema unchanged', () => {
    for (const part of parts) expect(partSchema.parse(part)).toEqual(part);
  });
  test.each([
    ['priceMinor', -1],
    ['priceMinor', 0.5],
    ['packSize', 0],
    ['onHand', -1],
    ['onHand', Number.NaN],
    ['onHandCounts', 'yes'],
    ['name', '   '],
    ['id', 'no spaces'],
    ['role', 'banana'],
    ['measure', 'furlong'],
  ])('is refused with %s %s', (field, value) => {
    for (const part of parts)
      expect([part.id, takes({ ...part, [field]: value })]).toEqual([part.id, false]);
  });
  test('is refused when a figure of its own is missing or endless', () => {
    for (const part of parts) {
      const figures = Object.entries(part).filter(([, value]) => typeof value === 'number');
      for (const [field] of figures) {
        const without = Object.fromEntries(Object.entries(part).filter(([name]) => name !== field));
        expect([part.id, field, takes(without)]).toEqual([part.id, field, false]);
        expect([part.id, field, takes({ ...part, [field]: Infinity })]).toEqual([
          part.id,
          field,
          false,
        ]);
      }
    }
  });
});

describe('off-cuts', () => {
  const sheet = ofRole('sheet')[0]!;
  const stick = ofRole('stick')[0]!;
  test('have a size and a whole count', () => {
    expect(takes({ ...sheet, offCuts: [{ widthM: 0.3, heightM: 0.2, count: 2 }] })).toBe(true);
    for (const odd of [
      { widthM: 0, heightM: 0.2, count: 1 },
      { widthM: 0.3, heightM: 0.2, count: 1.5 },
      { widthM: 0.3, count: 1 },
    ])
      expect(takes({ ...sheet, offCuts: [odd] })).toBe(false);
    expect(takes({ ...stick, offCuts: [{ lengthM: 1.1, count: 1 }] })).toBe(true);
    expect(takes({ ...stick, offCuts: [{ lengthM: 13, count: 1 }] })).toBe(false);
  });
  test('fifty kinds at most', () => {
    const many = (count: number) => Array.from({ length: count }, () => ({ lengthM: 1, count: 1 }));
    expect(takes({ ...stick, offCuts: many(50) })).toBe(true);
    expect(takes({ ...stick, offCuts: many(51) })).toBe(false);
  });
});

describe('small things', () => {
  test('have names of their own, and a measure', () => {
    const names = HARDWARE_IDS.map((id) => HARDWARE[id].name);
    expect(new Set(names).size).toBe(names.length);
  });
  test('on the shelf are counted in the measure builds ask in', () => {
    const wrong = ofRole('hardware').filter(
      ({ kind, measure }) => kind !== 'other' && HARDWARE[kind].measure !== measure,
    );
    expect(wrong.map(({ id }) => id)).toEqual([]);
  });
});
