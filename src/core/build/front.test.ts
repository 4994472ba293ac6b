import { sample } from '../testing/sample';
import { findBuild, resolveScene, sceneOf } from '../evaluate/context';
import { applyVariantInPlace } from '../evaluate/glow/variants';
import { produce } from 'immer';
import { frontSize, leavesM, subjectM } from './front';

const demo = sample();
const carrying = (id: string, kind: string | null, parameters: Record<string, unknown> = {}) => {
  const document = produce(demo, (draft) => {
    const build = draft.builds.find((each) => each.id === id)!;
    build.accessories = [];
    if (!kind) return;
    applyVariantInPlace(draft, id, { kind: 'add', accessory: kind }, 'extra');
    Object.assign(build.accessories[0]!.parameters, parameters);
  });
  return resolveScene(sceneOf(document, findBuild(document, id)!))!.resolved;
};

describe('light leaves', () => {
  test('by the front of a bare light', () => {
    const bare = carrying('cabin-box', null);
    expect(leavesM(bare)).toBe(bare.frontM);
    expect(frontSize(bare)).toEqual(bare.apparent);
  });
  test('by the mouth of a hood, round or folded, a hood’s length before the front', () => {
    for (const id of ['clerk-pan', 'cabin-box']) {
      const hooded = carrying(id, 'hood', { lengthM: 0.25 });
      expect(leavesM(hooded)).toBeCloseTo(hooded.frontM + 0.25, 6);
    }
    const round = carrying('clerk-pan', 'hood', { lengthM: 0.25 });
    expect(frontSize(round)).toEqual({
      widthM: round.mouth!.widthM,
      heightM: round.mouth!.heightM,
      round: true,
    });
  });
  test('past the tips of doors and the face of a grid', () => {
    const doors = carrying('cabin-box', 'barn-doors', { openedRad: 0.5 });
    expect(leavesM(doors)).toBeGreaterThan(doors.frontM + 0.02);
    const grid = carrying('cabin-box', 'grid', { depthM: 0.04 });
    expect(leavesM(grid)).toBeGreaterThanOrEqual(grid.frontM + 0.04 - 1e-9);
  });
  test('and the subject stands the shot’s distance from there', () => {
    const hooded = carrying('clerk-pan', 'hood');
    expect(subjectM(hooded, { distanceM: 1.2 })).toBeCloseTo(leavesM(hooded) + 1.2, 12);
  });
});
