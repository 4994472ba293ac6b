import type { Setup } from './setup';
import {
  CARDS,
  newThing,
  type CardThing,
  type HeadThing,
  type LightThing,
  type Role,
  type Thing,
} from './things';

/** What gives light in a place of a school: a build, fixture or unit at hand. */
export type AtHand = Pick<LightThing, 'buildId' | 'fixtureId' | 'unitId'> & { name: string };

interface Ground {
  /** of who or what is lit */
  x: number;
  y: number;
  /** middle of the face */
  faceM: number;
  /** of the key, m */
  distanceM: number;
  room: Setup['room'];
  /** strongest first; places beyond the last take the last again */
  lights: readonly AtHand[];
  id: () => string;
}

interface School {
  name: string;
  goodFor: string;
  costs: string;
  disagrees: string;
  /** without lights of its own: a window is the key */
  things: (ground: Ground) => Thing[];
}

const DEG = 180 / Math.PI;
const round = (value: number, step: number) => Math.round(value / step) * step;

/** A light on a circle round the face: azimuth from the camera’s side, + to the camera’s right; aimed at the face. */
function lightAt(
  { x, y, faceM, lights, id }: Ground,
  role: Role,
  which: number,
  azimuthDeg: number,
  distanceM: number,
  aboveM: number,
  more: Partial<LightThing> = {},
): Thing {
  const { name, ...source } = lights[Math.min(which, lights.length - 1)] ?? NOBODY;
  const [sin, cos] = [Math.sin(azimuthDeg / DEG), Math.cos(azimuthDeg / DEG)];
  return newThing('light', id(), `${name}, ${role}`.slice(0, 80), {
    ...source,
    role,
    xM: round(x + distanceM * sin, 0.05),
    yM: round(y - distanceM * cos, 0.05),
    zM: round(faceM + aboveM, 0.05),
    // From the light back to the face.
    panDeg: round(azimuthDeg, 1),
    tiltDeg: round(Math.atan2(-aboveM, distanceM) * DEG, 1),
    ...more,
  });
}
const NOBODY: AtHand = { name: 'Light', buildId: null, fixtureId: null, unitId: null };

/** A card beside the face that looks at it. */
function cardAt(
  { x, y, faceM, id }: Ground,
  card: CardThing['card'],
  azimuthDeg: number,
  distanceM: number,
  more: Partial<CardThing> = {},
): Thing {
  const [sin, cos] = [Math.sin(azimuthDeg / DEG), Math.cos(azimuthDeg / DEG)];
  return newThing('card', id(), CARDS[card].name.split(',')[0]!, {
    card,
    xM: round(x + distanceM * sin, 0.05),
    yM: round(y - distanceM * cos, 0.05),
    zM: faceM,
    panDeg: round(azimuthDeg, 1),
    widthM: 1,
    heightM: 1.2,
    ...more,
  });
}

const backdrop = ({ x, y, room, id }: Ground, surface: 'flat' | 'green', more = {}): Thing =>
  newThing('backdrop', id(), surface === 'green' ? 'Green screen' : 'Backdrop', {
    surface,
    xM: x,
    yM: Math.min(y + 1.8, room.depthM - 0.1),
    widthM: Math.min(3, room.widthM - 0.4),
    heightM: Math.min(2.2, room.heightM - 0.2),
    ...more,
  });

/** Ways to begin: pressed once, then drawn about. All [common practice]. */
export const SCHOOLS = {
  lens: {
    name: 'One soft key by the lens',
    goodFor: 'a kind, even face: interviews, beauty, a piece to camera',
    costs: 'no modelling: light and dark cheek are within half a stop',
    disagrees: 'those who want a face to have a shadow side',
    things: (g) => [lightAt(g, 'key', 0, 12, g.distanceM, 0.4)],
  },
  reflector: {
    name: 'Key at 45°, a card fills',
    goodFor: 'a face with shape, one light and a board',
    costs: 'a white card gives back two stops less than the key',
    disagrees: 'those who would rather let the shadow go',
    things: (g) => [lightAt(g, 'key', 0, 45, g.distanceM, 0.6), cardAt(g, 'card', -70, 0.7)],
  },
  negative: {
    name: 'Side key, black on the other side',
    goodFor: 'drama in a white room: the shadow stays dark',
    costs: 'what the walls gave is taken away, up to two stops on the shadow side',
    disagrees: 'those who light for phones in daylight',
    things: (g) => [
      lightAt(g, 'key', 0, 80, g.distanceM, 0.3),
      cardAt(g, 'black', -80, 0.6, { heightM: 1.6 }),
    ],
  },
  bounced: {
    name: 'Room by the ceiling, a sheet for the eyes',
    goodFor: 'a whole room in one press, from a work light',
    costs: 'two to four stops; from above alone eyes lie in the dark, so a sheet stands lower down',
    disagrees: 'those who hold that light from everywhere is light from nowhere',
    things: (g) => [
      lightAt(g, 'key', 0, 25, g.distanceM + 0.4, 0.1, {
        tiltDeg: 75,
        zM: 1.4,
        name: 'Bounced from the ceiling',
      }),
      cardAt(g, 'card', 0, 1.1, {
        zM: Math.max(0.4, g.faceM - 0.45),
        tiltDeg: 25,
        heightM: 0.8,
        name: 'Sheet before the knees',
      }),
    ],
  },
  window: {
    name: 'A window is the key',
    goodFor: 'soft and free, as long as the weather holds',
    costs: 'it changes by stops within minutes; lamps must be daylight or gelled blue',
    disagrees: 'those who have lost a day to a cloud',
    things: (g) => [
      newThing('window', g.id(), 'Window', {
        wall: 'left',
        alongM: Math.min(g.room.depthM - 0.7, Math.max(0.7, g.y - 0.2)),
      }),
      cardAt(g, 'card', 75, 0.8),
    ],
  },
  wash: {
    name: 'Two washes on the backdrop',
    goodFor: 'an even backdrop or green screen, apart from who stands before it',
    costs: 'two lights more, a third of their light past the edges',
    disagrees: 'those who light the wall with what the key spills',
    things: (g) => {
      const flat = backdrop(g, 'green');
      const { yM, widthM } = flat as Extract<Thing, { kind: 'backdrop' }>;
      const side = (sign: 1 | -1): Thing =>
        lightAt(g, 'wash', 1, 0, 0, 0, {
          name: `Wash, ${sign > 0 ? 'right' : 'left'}`,
          xM: round(
            Math.min(g.room.widthM - 0.2, Math.max(0.2, g.x + sign * (widthM / 2 + 0.3))),
            0.05,
          ),
          yM: round(yM - 1.2, 0.05),
          zM: 1.3,
          panDeg: sign * 48,
          tiltDeg: 0,
        });
      return [flat, side(-1), side(1), lightAt(g, 'key', 0, 30, g.distanceM, 0.4)];
    },
  },
  overhead: {
    name: 'Soft from above',
    goodFor: 'a table with several people, hands at work',
    costs: 'eyes in the dark under brows: something light on the table gives a little back',
    disagrees: 'nearly everyone, for a face alone',
    things: (g) => [
      lightAt(g, 'key', 0, 0, 0, 0, {
        name: 'Above the table',
        xM: g.x,
        yM: round(g.y - 0.35, 0.05),
        zM: round(Math.min(g.room.heightM - 0.2, g.faceM + 1), 0.05),
        tiltDeg: -90,
      }),
      newThing('table', g.id(), 'Table', {
        xM: g.x,
        yM: g.y - 0.6,
        reflectance: 0.6,
        tint: 'cream',
      }),
    ],
  },
  practical: {
    name: 'A warm lamp in the picture, a dimmed ring to match',
    goodFor: 'night indoors: the lamp is believed, the ring lights the face',
    costs: 'a ring dimmed until it is as warm gives a few lux',
    disagrees: 'those who hide every source',
    things: (g) => [
      lightAt(g, 'practical', 1, 150, 0.9, -0.1, { name: 'Lamp on the table', level: 0.5 }),
      lightAt(g, 'key', 0, 40, g.distanceM, 0.3, { level: 0.4 }),
    ],
  },
  edge: {
    name: 'An edge in a corridor',
    goodFor: 'who walks through the dark: a line of light, a door behind',
    costs: 'the face itself gets only what comes back from the walls',
    disagrees: 'those who must see the eyes',
    things: (g) => [
      lightAt(g, 'edge', 0, 155, g.distanceM + 0.5, 0.6),
      lightAt(g, 'fill', 1, 20, g.distanceM + 1, 0.2, { level: 0.15 }),
    ],
  },
} as const satisfies Record<string, School>;
export type SchoolId = keyof typeof SCHOOLS;
export const SCHOOL_IDS = Object.keys(SCHOOLS) as SchoolId[];

/**
 * A setup as a school begins it: whoever is there stays where they stand, with their room and camera; lights and cards come anew.
 * @param lights  at hand, strongest first
 */
export function bySchool(
  setup: Setup,
  school: SchoolId,
  { lights, distanceM, id }: Pick<Ground, 'lights' | 'distanceM' | 'id'>,
): Setup {
  const { room } = setup;
  const there = setup.things.find((thing): thing is HeadThing => thing.kind === 'head');
  const head =
    there ??
    newThing('head', id(), 'Subject', {
      xM: round(room.widthM / 2, 0.05),
      yM: round(Math.min(room.depthM - 1, setup.camera.yM + 1.8), 0.05),
    });
  const keeps: readonly Thing['kind'][] = [
    'head',
    'table',
    'object',
    'glass',
    'backdrop',
    'window',
    'socket',
  ];
  const stays = setup.things.filter(
    (thing) =>
      thing !== there &&
      keeps.includes(thing.kind) &&
      !(school === 'wash' && thing.kind === 'backdrop'),
  );
  const ground: Ground = {
    x: head.xM,
    y: head.yM,
    faceM: head.posture === 'sitting' ? 1.2 : 1.6,
    distanceM: Math.min(distanceM, Math.max(0.5, head.yM - 0.3)),
    room,
    lights,
    id,
  };
  return { ...setup, things: [head, ...stays, ...SCHOOLS[school].things(ground)] };
}
