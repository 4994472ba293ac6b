import { minus, dot, type Vector } from '../light/vector';
import { axesOf } from './pose';
import { fitsWall, standingWalls } from './roomFaces';
import { faceOf, poseOf } from './scene';
import type { Setup } from './setup';
import type { HeadThing, LightThing, Thing, WindowThing } from './things';

/** What is wrong with how something stands, told at the thing. */
export interface Trouble {
  thingId: string | null;
  message: string;
  /** it gives no light as it stands */
  dark: boolean;
}

const told = (is: boolean, message: string, dark: boolean): Told[] => (is ? [[message, dark]] : []);

/** Nearer to a face than this nobody puts a light, m [common practice]. */
const ON_SUBJECT_M = 0.2;

function outside({ room }: Setup, [x, y, z]: Vector): string | null {
  if (z < 0) return 'It stands below the floor: raise it.';
  if (room.open === 'outdoors') return null;
  const walls = standingWalls(room);
  const past: [boolean, string, string][] = [
    [x < 0, 'left', 'left wall'],
    [x > room.widthM, 'right', 'right wall'],
    [y < 0, 'front', 'wall behind the camera'],
    [y > room.depthM, 'back', 'wall before the camera'],
    [z > room.heightM, 'ceiling', 'ceiling'],
  ];
  const [found] = past.filter(([is, wall]) => is && walls.some((each) => each === wall));
  return found
    ? `It stands in or behind the ${found[2]}: its light does not come into the room. Move it in.`
    : null;
}

/** Told, and whether nothing comes of it. */
type Told = readonly [message: string, dark: boolean];

function lightTroubles(setup: Setup, light: LightThing, gives: boolean): Told[] {
  const at: Vector = [light.xM, light.yM, light.zM];
  const named = light.buildId ?? light.fixtureId ?? light.unitId;
  const out = outside(setup, at);
  const heads = setup.things.filter((each): each is HeadThing => each.kind === 'head');
  const on = heads.find((head) => Math.hypot(...minus(faceOf(head), at)) < ON_SUBJECT_M);
  return [
    ...told(
      named === null,
      'What gave its light was deleted: choose another, or take it out.',
      true,
    ),
    ...told(
      named !== null && !gives,
      'It gives no light yet: finish its build, or choose another.',
      true,
    ),
    ...told(out !== null, out ?? '', true),
    ...told(
      on !== undefined,
      `It stands on ${on?.name}: heat and glare. Move it at least 20 cm away.`,
      false,
    ),
  ];
}

function windowTroubles({ room }: Setup, window: WindowThing): Told[] {
  if (!standingWalls(room).includes(window.wall))
    return [['There is no such wall here, so no light comes in by it.', true]];
  return told(
    !fitsWall(room, window),
    'It is larger than its wall there: move it, or make it smaller. No light comes in until then.',
    true,
  );
}

/** What stands in the room for nobody: nothing lies before it. */
function facesNothing(setup: Setup, thing: Extract<Thing, { kind: 'glass' }>): Told[] {
  const { z } = axesOf(poseOf(thing));
  const { xM, yM, zM } = setup.camera;
  return told(
    dot(z, minus([xM, yM, zM], [thing.xM, thing.yM, thing.zM])) <= 0,
    'The camera is behind it, so nothing is seen in it: turn it round.',
    false,
  );
}

/** @param gives  ids of the lights that give light */
export function troublesOf(setup: Setup, gives: ReadonlySet<string>): Trouble[] {
  const of = (thing: Thing): Told[] => {
    switch (thing.kind) {
      case 'light':
        return lightTroubles(setup, thing, gives.has(thing.id));
      case 'window':
        return windowTroubles(setup, thing);
      case 'glass':
        return facesNothing(setup, thing);
      case 'head':
        return told(outside(setup, faceOf(thing)) !== null, 'They stand outside the room.', false);
      default:
        return [];
    }
  };
  const lights = setup.things.filter(({ kind }) => kind === 'light' || kind === 'window');
  const out = outside(setup, [setup.camera.xM, setup.camera.yM, setup.camera.zM]);
  return [
    ...told(lights.length === 0, 'Nothing is lit: bring in a light or a window.', false).map(whole),
    ...told(
      out !== null,
      'The camera stands outside the room: walls may hide everything.',
      false,
    ).map(whole),
    ...setup.things.flatMap((thing) =>
      of(thing).map(([message, dark]) => ({ thingId: thing.id, message, dark })),
    ),
  ];
}

const whole = ([message, dark]: Told): Trouble => ({ thingId: null, message, dark });
