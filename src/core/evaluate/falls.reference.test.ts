import { produce } from 'immer';
import { ACCESSORIES } from '../accessories';
import { frontSize, leavesM } from '../build/front';
import type { Build, Production } from '../document/production';
import { countedLx } from '../light/field/testing';
import { simulateQuickly } from '../light/transport/run';
import { sample } from '../testing/sample';
import { findBuild, resolveScene, sceneOf } from './context';
import { buildField } from './field';
import { layerParameters } from './glow/layerParameters';
import { applyVariantInPlace } from './glow/variants';

const demo = sample();

/** Photons are counted on a disc, of a metre, of the distance, or of the light's size: so large that enough come. */
const RADIUS = 0.2;
const PHOTONS = 20_000;
/** Places on it, a golden turn apart. */
const PLACES = 40;

function resolvedOf(document: Production, id: string) {
  const scene = sceneOf(document, findBuild(document, id)!);
  return { shot: scene.shot, resolved: resolveScene(scene)!.resolved };
}

/** The field over the disc, and what a tracer counts there. */
function both(document: Production, id: string, distanceM: number) {
  const { resolved } = resolvedOf(document, id);
  const room = resolved.mouth!.room!;
  const { own: field } = buildField(resolved, simulateQuickly(room, 1));
  const zM = leavesM(resolved) + distanceM;
  const { widthM, heightM } = frontSize(resolved);
  const radiusM = RADIUS * Math.max(1, distanceM, widthM, heightM);
  let sum = 0;
  for (let k = 0; k < PLACES; k++) {
    const [r, turn] = [radiusM * Math.sqrt((k + 0.5) / PLACES), k * 2.399963];
    sum += field.illuminance([r * Math.cos(turn), r * Math.sin(turn), zM], [0, 0, -1]);
  }
  const counted = countedLx(room, field.passages, zM, radiusM, PHOTONS);
  return { lx: sum / PLACES, counted };
}

/** Apart by no more than chance allows, and never by much. */
function expectAlike({ lx, counted }: ReturnType<typeof both>) {
  const apart = Math.abs(lx - counted.value);
  expect(counted.standardError / counted.value).toBeLessThan(0.08);
  expect(apart).toBeLessThan(3.3 * counted.standardError + 0.01 * counted.value);
}

const changed = (id: string, change: (build: Build, document: Production) => void) =>
  produce(demo, (draft) => {
    change(draft.builds.find((build) => build.id === id)! as Build, draft as Production);
  });

const boxed = demo.builds.filter(({ id }) => resolvedOf(demo, id).resolved.mouth?.room);

describe.each(boxed.map(({ id }) => id))('%s, against photons counted at a disc', (id) => {
  test('as it stands, near', () => expectAlike(both(demo, id, 0.7)));
  test('bare: nothing in front, nothing carried', () => {
    const bare = changed(id, (build) => {
      for (const name of layerParameters(build)) build.parameters[name] = null;
      build.accessories = [];
    });
    if (!resolvedOf(bare, id).resolved.mouth?.room) return;
    expectAlike(both(bare, id, 1));
  });
});

test.each(['clerk-pan', 'corridor-line'])('%s, from far away', (id) =>
  expectAlike(both(demo, id, 4)),
);

const optical = [...ACCESSORIES.values()].filter((kind) => kind.optical).map((kind) => kind.id);

test.each(optical)('every boxed form with %s', (kind) => {
  for (const id of ['clerk-pan', 'cabin-box']) {
    const carrying = changed(id, (build, document) => {
      build.accessories = [];
      applyVariantInPlace(document, id, { kind: 'add', accessory: kind }, 'extra');
    });
    expectAlike(both(carrying, id, 0.8));
  }
});
