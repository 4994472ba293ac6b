import { dot, minus } from '../light/vector';
import { cornersOf, normalOf } from './faces';
import { largeOnly, sceneOf } from './scene';
import { blankSetup, type Setup } from './setup';
import { newThing, type ObjectThing, type WindowThing } from './things';

const box = (more: Partial<ObjectThing> = {}) =>
  newThing('object', 'o', 'Chest', { xM: 2, yM: 3, panDeg: 30, widthM: 1, depthM: 0.4, ...more });
const setupOf = (...things: Setup['things']): Setup => ({ ...blankSetup('s', 'S', null), things });
const facesOf = (setup: Setup) => sceneOf(setup, new Map()).faces.filter(({ of }) => of === 'o');

test('a box has five sides that look away from its middle, as large as it is', () => {
  const faces = facesOf(setupOf(box({ heightM: 0.8, bottomM: 0.1 })));
  expect(faces).toHaveLength(5);
  const areas = faces.map(({ across, along }) => Math.hypot(...across) * Math.hypot(...along));
  // Two of 1 × 0.8, two of 0.4 × 0.8, a top of 1 × 0.4.
  expect(areas.toSorted((a, b) => a - b).map((area) => Number(area.toFixed(9)))).toEqual([
    0.32, 0.32, 0.4, 0.8, 0.8,
  ]);
  for (const face of faces) {
    const [a, , c] = cornersOf(face);
    const middle = [(a![0] + c![0]) / 2, (a![1] + c![1]) / 2, (a![2] + c![2]) / 2] as const;
    expect(dot(normalOf(face), minus(middle, [2, 3, 0.5]))).toBeGreaterThan(0.1);
  }
});

test('a small thing changes no figure of the room, a large one does', () => {
  const of = (more: Partial<ObjectThing>) => {
    const faces = facesOf(setupOf(box(more)));
    return largeOnly(faces, (id) => id === 'o').length;
  };
  expect(of({ widthM: 0.3, depthM: 0.3, heightM: 0.3 })).toBe(0);
  // Large in one side alone, it counts with all of them.
  expect(of({ widthM: 1.5, depthM: 0.05, heightM: 0.5 })).toBe(5);
});

test('a window larger than its wall cuts nothing out of it', () => {
  const window = (more: Partial<WindowThing>) => newThing('window', 'w', 'Window', more);
  const bare = sceneOf(setupOf(), new Map()).faces.length;
  expect(sceneOf(setupOf(window({})), new Map()).faces.length).toBeGreaterThan(bare);
  expect(sceneOf(setupOf(window({ widthM: 9 })), new Map()).faces).toHaveLength(bare);
});
