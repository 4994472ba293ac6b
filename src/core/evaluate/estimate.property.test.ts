import { produce } from 'immer';
import type { Build, Production } from '../document/production';
import { estimateWithin } from '../light/mouth';
import { cannotRun, simulateQuickly } from '../light/transport/run';
import { sample } from '../testing/sample';
import { findBuild, resolveScene, sceneOf } from './context';
import { layerParameters } from './glow/layerParameters';
import { evaluateLight } from './light';

const demo = sample();
/** The cloth that spreads least, and the one that spreads most. */
const cloths = demo.shelf.parts
  .flatMap((part) => (part.role === 'diffusion' ? [part] : []))
  .toSorted((a, b) => a.spreadDeg - b.spreadDeg)
  .flatMap(({ id }, k, all) => (k === 0 || k === all.length - 1 ? [id] : []));

/** A demo build with another front, with or without what it carries. */
function changed(id: string, layer: string | null | undefined, bare: boolean): Production {
  return produce(demo, (draft) => {
    const build = draft.builds.find((each) => each.id === id)!;
    const own = layerParameters(build as Build);
    if (layer !== undefined)
      own.forEach((name, k) => (build.parameters[name] = k === 0 ? layer : null));
    if (bare) build.accessories = [];
  });
}

/** Estimate of the light at the subject over what is simulated; null where nothing is. */
function ratio(document: Production, id: string) {
  const scene = sceneOf(document, findBuild(document, id)!);
  const { resolved } = resolveScene(scene)!;
  const room = resolved.mouth?.room;
  if (!room || cannotRun(room, { photons: 1, seed: 1 }) !== null) return null;
  const estimate = evaluateLight(resolved, scene.shot, { gridCells: 2 });
  const transported = simulateQuickly(room, 1);
  const light = evaluateLight(resolved, scene.shot, { gridCells: 2, transported });
  return { within: estimateWithin(resolved.mouth!), ratio: estimate.totalLx / light.totalLx };
}

const covered = demo.builds.filter(({ id }) => ratio(demo, id) !== null);

test('there is something to measure: eight forms with a mouth', () => {
  expect(new Set(covered.map(({ form }) => form)).size).toBeGreaterThanOrEqual(8);
});

test.each(covered.map(({ id }) => id))(
  '%s: the instant estimate is as near as it says, with the finest cloth, the thickest and none, bare and dressed',
  (id) => {
    const { accessories } = findBuild(demo, id)!;
    const fronts = layerParameters(findBuild(demo, id)!).length ? [null, ...cloths] : [undefined];
    for (const front of fronts)
      for (const bare of accessories.length ? [false, true] : [false]) {
        const found = ratio(changed(id, front, bare), id);
        if (!found) continue;
        expect(found.ratio).toBeLessThan(found.within);
        expect(found.ratio).toBeGreaterThan(1 / found.within);
      }
  },
);
