import type { Wash } from '../light/wash';
import type { Shot } from '../location/shot';
import type { Use } from '../location/use';
import { bySchool, type AtHand, type SchoolId } from './schools';
import { blankSetup, type Setup } from './setup';
import { newThing, type Thing } from './things';
import { washAt } from './washAt';

/** The school a use is begun by [common practice]. */
const SCHOOL_FOR: Record<Use, SchoolId> = {
  face: 'reflector',
  wash: 'wash',
  green: 'wash',
  insert: 'overhead',
  edge: 'edge',
  dressing: 'practical',
  overhead: 'overhead',
};
export const schoolFor = ({ use }: Pick<Shot, 'use'>): SchoolId => SCHOOL_FOR[use];

interface Begun {
  id: string;
  name: string;
  shot: Shot;
  /** an id for each thing */
  next: () => string;
}

const blankFor = ({ id, name, shot }: Begun): Setup =>
  blankSetup(id, name, shot.id, { balanceK: shot.cctK });

/** A shot’s first setup: a plain room, somebody, and the lights at hand as its use asks for. */
export const setupOfShot = (begun: Begun, lights: readonly AtHand[]): Setup =>
  bySchool(blankFor(begun), schoolFor(begun.shot), {
    lights,
    distanceM: begun.shot.distanceM,
    id: begun.next,
  });

/** Round what is put up, m: for stands, and to walk about. */
const ROUND_M = 0.8;

/** One or two lights as a search has placed them before the shot’s backdrop, in a room that takes it. */
export function setupOfWash(begun: Begun, light: AtHand, wash: Wash): Setup {
  const { shot, next } = begun;
  const blank = blankFor(begun);
  const wide = Math.max(shot.coverageWidthM, wash.spacingM) + 2 * ROUND_M;
  const deep = wash.distanceM + shot.coverageWidthM + 2 * ROUND_M;
  const room = {
    ...blank.room,
    widthM: Math.min(60, Math.max(blank.room.widthM, Math.ceil(10 * wide) / 10)),
    depthM: Math.min(60, Math.max(blank.room.depthM, Math.ceil(10 * deep) / 10)),
    heightM: Math.min(20, Math.max(blank.room.heightM, shot.coverageHeightM + 0.4)),
  };
  const backdrop = newThing('backdrop', next(), 'Backdrop', {
    surface: shot.use === 'green' ? 'green' : 'flat',
    xM: room.widthM / 2,
    yM: room.depthM - 0.2,
    bottomM: 0.05,
    widthM: shot.coverageWidthM,
    heightM: shot.coverageHeightM,
  });
  const { name: whole, ...source } = light;
  // As much of a name as leaves room for its side.
  const name = whole.slice(0, 70);
  const signs = wash.lights === 1 ? ([0] as const) : ([-1, 1] as const);
  const lights = signs.map((sign): Thing =>
    newThing(
      'light',
      next(),
      wash.lights === 1 ? name : `${name}, ${sign < 0 ? 'left' : 'right'}`,
      {
        ...source,
        role: 'wash',
        ...washAt(backdrop, wash, sign),
      },
    ),
  );
  const camera = { ...blank.camera, xM: room.widthM / 2, yM: 0.4 };
  return { ...blank, room, camera, things: [backdrop, ...lights] };
}
