import { subjectM } from '../build/front';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { uprightAt, type Thing } from '../build/things';
import type { Shot } from '../location/shot';
import type { Use } from '../location/use';

/** Who or what stands in the light: people, or scenery and props. */
const WHO: Record<Use, Pick<Thing, 'name' | 'burns'>> = {
  face: { name: 'person', burns: 'skin' },
  edge: { name: 'person', burns: 'skin' },
  overhead: { name: 'person', burns: 'skin' },
  wash: { name: 'backdrop', burns: 'cloth' },
  green: { name: 'green screen', burns: 'cloth' },
  insert: { name: 'subject', burns: 'wood' },
  dressing: { name: 'set', burns: 'cloth' },
};

/** What the beam falls on at the shot's distance, unless a layer or a bounce stands between. */
export function subjectThings(resolved: ResolvedBuild, shot: Shot): Thing[] {
  const { mouth } = resolved;
  if (mouth && (mouth.bounce || mouth.layers.length > 0)) return [];
  return [
    {
      ...WHO[shot.use],
      id: 'subject',
      limitC: null,
      place: uprightAt(shot.coverageWidthM, shot.coverageHeightM, subjectM(resolved, shot)),
      ref: 'seat-0',
      field: 'shot.distanceM',
    },
  ];
}
