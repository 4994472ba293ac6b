import type { ResolvedBuild } from '../build/resolvedBuild';
import type { Step } from '../build/step';
import { step } from '../forms/kit/steps';

/** Minutes to hang a light: to begin with, and for each point [typ]. */
const HOIST_MIN = 20;
const HOIST_MIN_EACH = 5;

const LADDER =
  'From a platform or a footed ladder, somebody holding it, never leaning out. A second person on the floor keeps everybody from underneath.';
const CORDS =
  'Tape the cord down where people walk, and tie it off at the light so that a fall does not end at its terminals.';

const hoist = (points: number): Step =>
  step(
    'rig',
    'hoist',
    'Hoist it',
    'Evenly, a hand a rope',
    'ropes with a stated working load, gloves, helpers',
    HOIST_MIN + HOIST_MIN_EACH * points,
    'level; every rope made off twice by somebody who knows the knot; a closed steel bond at every point before a hand lets go',
    [
      'Rated points and a competent rigger only: who rated them, and when?',
      LADDER,
      'Two people or more; nobody underneath until the bonds are closed.',
    ],
  );

const hangOn = (): Step =>
  step(
    'rig',
    'hang-on',
    'Put it up on its mount',
    'Above people a fixing is never alone',
    'spanner, steel safety bond',
    20,
    'holds twice its weight for a minute at hand height first; bond closed',
    [LADDER, 'Close the bond before you let go.'],
  );

const setUp = (stands: boolean): Step =>
  step(
    'rig',
    'mount-and-tip',
    stands ? 'Set it on its stand, weigh down and try to tip it' : 'Set it up and try to tip it',
    'Stands fall over people',
    'stand, sandbag',
    15,
    'does not tip, slip or creep at a firm push from any side; every lock closed',
    [CORDS, 'With its head above 2 m: a guard round it or somebody beside it.'],
  );

/** How the light is put where it lights: hung by rated points, put up on its mount, or stood on the floor. */
export function settingUp({ supports }: ResolvedBuild): Step[] {
  const hung = supports.filter(({ kind }) => kind === 'hoist' || kind === 'beam');
  if (hung.length > 0) {
    const points = Math.max(2, ...hung.map((each) => (each.kind === 'hoist' ? each.points : 2)));
    return [hoist(points)];
  }
  const fixings = supports.filter((each) => each.kind === 'fixing');
  if (fixings.some(({ overPeople }) => overPeople)) return [hangOn()];
  return [setUp(supports.some(({ kind }) => kind === 'stand'))];
}
