import { part } from '../testing/makers';
import { FINISHES, type FinishId } from './finish';
import { HARDWARE, HARDWARE_IDS } from './hardware';
import { partSchema, ROLES } from './part';

const parts = ROLES.map((role) => part(role));
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

describe('a part of every role', () => {
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
  const sheet = part('sheet');
  const stick = part('stick');
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
});
