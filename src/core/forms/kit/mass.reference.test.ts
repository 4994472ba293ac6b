import type { FormContext } from '../form';
import { CLOTH_KG_PER_M2, LAYER_KG_PER_M2, piecesMassKg } from './mass';
import { clothPiece, stickPiece } from './pieces';

const parts: Record<string, object> = {
  pipe: { role: 'stick', massKgPerM: 0.4 },
  molleton: { role: 'cloth', massKgPerM2: 0.3 },
  muslin: { role: 'diffusion' },
};
const context = { part: (id: string | null) => (id ? parts[id] : null) } as unknown as FormContext;
const cloth = (id: string | null, widthM: number, heightM: number, more = {}) =>
  piecesMassKg([clothPiece('c', 'Cloth', id as never, widthM, heightM, more)], context);

test('a bar by its length, every copy of it', () => {
  expect(piecesMassKg([stickPiece('s', 'Bar', 'pipe' as never, 1.5, 4)], context)).toBeCloseTo(
    2.4,
    12,
  );
});
test('cloth by its own weight, hems and copies with it', () => {
  expect(cloth('molleton', 3, 2)).toBeCloseTo(3 * 2 * 0.3, 12);
  expect(cloth('molleton', 3, 2, { hemM: 0.05, count: 2 })).toBeCloseTo(2 * 3.1 * 2.1 * 0.3, 12);
});
test('film and cloth nobody has weighed are taken as typical, never as nothing', () => {
  expect(cloth('muslin', 1, 1)).toBe(LAYER_KG_PER_M2);
  expect(cloth(null, 1, 1)).toBe(CLOTH_KG_PER_M2);
  expect(CLOTH_KG_PER_M2).toBeGreaterThan(0);
});
test('a bar nobody has chosen weighs nothing yet', () => {
  expect(piecesMassKg([stickPiece('s', 'Bar', null, 2)], context)).toBe(0);
});
