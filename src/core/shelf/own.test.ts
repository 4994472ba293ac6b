import { part, unit } from '../testing/makers';
import { bringing, countOf, ownedOf, withOwn } from './own';
import type { Shelf } from './shelf';

const shelf = (): Shelf => ({
  units: [unit('bulb', { id: 'globe', name: 'Globe 9 W', onHand: 2, priceMinor: 300 })],
  parts: [part('sheet', { id: 'ply', name: 'Plywood 6 mm', onHand: 0 })],
});
const own = (): { currency: string; shelf: Shelf } => ({
  currency: 'EUR',
  shelf: {
    units: [
      unit('bulb', { id: 'x', name: ' globe  9 w', onHand: 6 }),
      unit('strip', { id: 'globe', name: 'Reel', onHand: 5, priceMinor: 1900 }),
      unit('bulb', { id: 'none', name: 'Not mine', onHand: 0 }),
    ],
    parts: [part('hardware', { id: 'tin', name: 'Cake tin', onHand: 1 })],
  },
});
let n = 0;
const newId = () => `new-${n++}`;

describe('what somebody owns comes onto a shelf', () => {
  test('known things by name and kind, whatever their ids; the larger amount stays', () => {
    const { onHand, added } = bringing(shelf(), 'EUR', own(), newId);
    expect(onHand).toEqual([{ kind: 'unit', id: 'globe', onHand: 6 }]);
    expect(added.units.map(({ name }) => name)).toEqual(['Reel']);
    expect(added.parts.map(({ name }) => name)).toEqual(['Cake tin']);
  });
  test('an id that is taken there is exchanged', () => {
    const { added } = bringing(shelf(), 'EUR', own(), newId);
    expect(added.units[0]!.id).toMatch(/^new-/);
  });
  test('prices of another money are left out, those of the same stay', () => {
    expect(bringing(shelf(), 'EUR', own(), newId).added.units[0]!.priceMinor).toBe(1900);
    expect(bringing(shelf(), 'GBP', own(), newId).added.units[0]!.priceMinor).toBeNull();
  });
  test('twice is as once', () => {
    const once = withOwn(shelf(), bringing(shelf(), 'EUR', own(), newId));
    const again = bringing(once, 'EUR', own(), newId);
    expect(countOf(again.added) + again.onHand.length).toBe(0);
    expect(countOf(ownedOf(once))).toBe(3);
  });
  test('less at home than on the shelf changes nothing', () => {
    const few = own();
    few.shelf.units[0]!.onHand = 1;
    expect(bringing(shelf(), 'EUR', few, newId).onHand).toEqual([]);
  });
});
