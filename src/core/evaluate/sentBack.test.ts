import type { Plate } from '../light/controls';
import { simulateQuickly } from '../light/transport/run';
import { sample } from '../testing/sample';
import { findBuild, resolveScene, sceneOf } from './context';
import { evaluateLight } from './light';
import { lightRung } from './lightRungs';

const document = sample();
const scene = sceneOf(document, findBuild(document, 'cabin-box')!);
const { resolved } = resolveScene(scene)!;
const transported = simulateQuickly(resolved.mouth!.room!, 3);
/** The same light, its leaves of so much reflectance. */
const withLeaves = (reflectance: number) => ({
  ...resolved,
  controls: resolved.controls.map((control) => ({ ...(control as Plate), reflectance })),
});
const simulated = (reflectance: number) =>
  evaluateLight(withLeaves(reflectance), scene.shot, { gridCells: 4, transported });

test('what leaves send back is told apart, and adds to the rest', () => {
  const [black, metal] = [simulated(0), simulated(0.55)];
  expect(black.sentBackLx).toBe(0);
  expect(metal.sentBackLx).toBeGreaterThan(0);
  expect(metal.totalLx).toBeCloseTo(black.totalLx + metal.sentBackLx, 9);
  expect(metal.totalLx).toBeCloseTo(metal.directLx + metal.returnedLx + metal.sentBackLx, 9);
  const words = (light: typeof metal) => lightRung(light, resolved, scene.shot).working.substituted;
  expect(words(metal)).toContain('by way of leaves, flags or hood');
  expect(words(black)).not.toContain('by way of leaves');
});

test('the estimate that stands while a knob moves counts it once', () => {
  const [black, metal] = [simulated(0), simulated(0.55)];
  expect(metal.overEstimate).toBe(black.overEstimate);
  const held = evaluateLight(withLeaves(0.55), scene.shot, {
    gridCells: 4,
    estimateScale: { out: 1, light: metal.overEstimate },
  });
  expect(held.totalLx - held.sentBackLx).toBeCloseTo(metal.totalLx - metal.sentBackLx, 6);
});
