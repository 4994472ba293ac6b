import { part } from '../testing/makers';
import { cutterOf, kerfOf } from './cutting';
import { partSchema } from './part';

const sheet = (over: object) => part('sheet', over);

test.each([
  ['foam core', { burns: 'foam', densityKgPerM3: 110, thicknessM: 0.005 }, 'knife', 0],
  ['corrugated plastic', { burns: 'foam', densityKgPerM3: 175, thicknessM: 0.004 }, 'knife', 0],
  ['card', { burns: 'wood', densityKgPerM3: 250, thicknessM: 0.004 }, 'knife', 0],
  ['acrylic', { burns: 'foam', densityKgPerM3: 1190, thicknessM: 0.003 }, 'saw', 0.003],
  ['thick foam', { burns: 'foam', densityKgPerM3: 30, thicknessM: 0.05 }, 'saw', 0.003],
  ['plywood', { burns: 'wood', densityKgPerM3: 550, thicknessM: 0.009 }, 'saw', 0.003],
  ['tin', { burns: 'no', densityKgPerM3: 2700, thicknessM: 0.001 }, 'snips', 0],
  ['plate', { burns: 'no', densityKgPerM3: 2700, thicknessM: 0.003 }, 'saw', 0.003],
])('%s', (_, over, cutter, kerf) => {
  expect([cutterOf(sheet(over)), kerfOf(sheet(over))]).toEqual([cutter, kerf]);
});

test('what its record says goes before what is typical; a jigsaw takes 2 mm', () => {
  expect(kerfOf(sheet({ kerfM: 0.002 }))).toBe(0.002);
  expect(kerfOf(part('stick'))).toBe(0.002);
  expect(kerfOf(part('stick', { kerfM: 0.0005 }))).toBe(0.0005);
});

test('a cut of 20 mm is the most, and a record that says nothing is typical', () => {
  const told = sheet({});
  expect(partSchema.safeParse({ ...told, kerfM: 0.02 }).success).toBe(true);
  expect(partSchema.safeParse({ ...told, kerfM: 0.021 }).success).toBe(false);
  expect(partSchema.safeParse({ ...told, kerfM: -0.001 }).success).toBe(false);
  const { kerfM, ...silent } = told;
  expect(kerfM).toBeNull();
  expect(partSchema.parse(silent)).toMatchObject({ kerfM: null });
});
