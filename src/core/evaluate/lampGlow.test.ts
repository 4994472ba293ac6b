import { glowAt, type LampGlow } from './lampGlow';

/** Every other lamp warm and half dimmed; the last group is off. */
const GLOWS: LampGlow[] = [
  { cctK: 4000, level: 1, emitters: [0, 3] },
  { cctK: 2700, level: 0.5, emitters: [1, 4] },
  { cctK: 5600, level: 0, emitters: [2, 5] },
];

test('a seat glows as its own group does, and not at all when that is off', () => {
  expect(glowAt(GLOWS, 3400, 'seat-3')).toMatchObject({ cctK: 4000, level: 1 });
  expect(glowAt(GLOWS, 3400, 'seat-4')).toMatchObject({ cctK: 2700, level: 0.5 });
  expect(glowAt(GLOWS, 3400, 'seat-5')).toBeNull();
  expect(glowAt(GLOWS, 3400, 'seat-9')).toBeNull();
});

test('what shows the light of all has their common colour at the level of the brightest', () => {
  expect(glowAt(GLOWS, 3400, 'layer')).toEqual({ cctK: 3400, level: 1 });
  expect(glowAt([GLOWS[1]!], 2700, 'seat-7')).toEqual({ cctK: 2700, level: 0.5 });
});

test('nothing glows in a light that gives none', () => {
  expect(glowAt(GLOWS, null, 'seat-0')).toBeNull();
  expect(glowAt([], 3400, 'layer')).toBeNull();
  expect(glowAt([GLOWS[2]!], 5600, 'seat-2')).toBeNull();
});
