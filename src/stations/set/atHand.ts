import type { Build, Production } from '@/core/document/production';
import type { AtHand } from '@/core/set/schools';
import type { Setup } from '@/core/set/setup';

const NONE = { buildId: null, fixtureId: null, unitId: null };

/** A build as a light of a setup. */
export const atHand = ({ id, name }: Pick<Build, 'id' | 'name'>): AtHand => ({
  ...NONE,
  name,
  buildId: id,
});

/** What gives light for a setup: the builds of its shot, then the others, then fixtures, then lamps. */
export function lightsAtHand(
  { builds, fixtures, shelf }: Production,
  shotId: Setup['shotId'],
): AtHand[] {
  const own = builds.filter((build) => build.shotId === shotId && build.standing === 'in use');
  const others = builds.filter((build) => !own.includes(build));
  return [
    ...[...own, ...others].map(atHand),
    ...fixtures.map(({ id, name }): AtHand => ({ ...NONE, name, fixtureId: id })),
    ...shelf.units.map(({ id, name }): AtHand => ({ ...NONE, name, unitId: id })),
  ];
}
