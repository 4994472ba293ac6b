import { layersFor } from './layers';

const sheets = [
  { name: 'parchment', transmittance: 0.5 },
  { name: 'curtain', transmittance: 0.7 },
  { name: 'board', transmittance: 0 },
  { name: 'air', transmittance: 1 },
];

test.each([
  // One alone; the same twice; two unlike ones; what no two reach.
  [0.5, ['parchment'], 0],
  [0.25, ['parchment', 'parchment'], 0],
  [0.35, ['parchment', 'curtain'], 0],
  [0.02, ['parchment', 'parchment'], Math.log2(0.25 / 0.02)],
])('a share of %p is left by %p', (wanted, names, offStops) => {
  const found = layersFor(wanted, sheets)!;
  expect(found.names).toEqual(names);
  expect(found.offStops).toBeCloseTo(offStops, 9);
});

test('one sheet goes before two that are hardly better, and none before one that is worse than none', () => {
  // Two curtains leave 0.49; wanted 0.495 is met by either within a hundredth of a stop.
  expect(layersFor(0.495, sheets)!.names).toEqual(['parchment']);
  expect(layersFor(0.95, sheets)).toBeNull();
  expect(layersFor(0.5, [])).toBeNull();
});
