import { nightFerry } from '@/demo/nightFerry';
import { coverOf } from './cover';

const demo = nightFerry();
const clerk = (over: object = {}) => ({
  ...demo,
  builds: demo.builds.filter(({ id }) => id === 'clerk-ring').map((each) => ({ ...each, ...over })),
});

describe('the picture of a production', () => {
  test('shows a light of a person’s shot that no stop shuts, and is lit', () => {
    const cover = coverOf(demo, 32, 2)!;
    const build = demo.builds.find(({ name }) => name === cover.buildName)!;
    const shot = demo.shots.find(({ id }) => id === build.shotId)!;
    expect(['face', 'edge', 'overhead']).toContain(shot.use);
    expect(cover.pixels).toHaveLength(32 * 32 * 4);
    expect(Math.max(...cover.pixels.filter((_, k) => k % 4 === 1))).toBeGreaterThan(100);
  });
  test('there is none without a light, nor for an idea', () => {
    expect(coverOf({ ...demo, builds: [] }, 16, 1)).toBeNull();
    expect(coverOf(clerk({ standing: 'an idea' }), 16, 1)).toBeNull();
    expect(coverOf(clerk(), 16, 1)?.buildName).toBe('Clerk ring');
  });
});
