import type { Build } from '@/core/document/production';
import { bySchool, SCHOOLS, type AtHand, type SchoolId } from '@/core/set/schools';
import { blankRoom, blankSetup, type SetCamera, type SetRoom, type Setup } from '@/core/set/setup';
import { newThing, type HeadThing, type SocketThing, type Thing } from '@/core/set/things';

/** The disused ticket hall: larger than a living room, its paint no longer white. */
const HALL: Partial<SetRoom> = { widthM: 7, depthM: 6, heightM: 3.4 };
const CABIN: Partial<SetRoom> = { widthM: 3.2, depthM: 3, heightM: 2.1 };
const CORRIDOR: Partial<SetRoom> = { widthM: 2.2, depthM: 7, heightM: 2.5 };
const DECK: Partial<SetRoom> = { open: 'outdoors', widthM: 7, depthM: 6, heightM: 4 };

function roomOf(over: Partial<SetRoom>, walls: number, tint: 'none' | 'cream' | 'wood'): SetRoom {
  const room = blankRoom();
  const painted = { reflectance: walls, tint };
  return {
    ...room,
    ...over,
    finishes: {
      ...room.finishes,
      front: painted,
      back: painted,
      left: painted,
      right: painted,
      ceiling: { reflectance: 0.7, tint: 'none' },
    },
  };
}

const build = (id: string, name: string): AtHand => ({
  buildId: id as Build['id'],
  fixtureId: null,
  unitId: null,
  name,
});
const lamp = (id: string, name: string): AtHand => ({
  buildId: null,
  fixtureId: null,
  unitId: id as AtHand['unitId'],
  name,
});

type Outlet = readonly [name: string, circuitId: string, xM: number, yM: number];
/** Found on the recce, one on each ring. */
const HALL_OUTLETS: readonly Outlet[] = [
  ['Socket by the door', 'hall-a', 0.1, 1.2],
  ['Socket under the clock', 'hall-b', 6.9, 4],
];

interface Said {
  id: string;
  name: string;
  shotId: string;
  school: SchoolId;
  room: SetRoom;
  camera: Partial<SetCamera>;
  head: Partial<HeadThing>;
  lights: readonly AtHand[];
  distanceM: number;
  more?: readonly Thing[];
  /** the hall’s own where nothing is said */
  outlets?: readonly Outlet[];
  /** what was drawn about after the school had begun */
  then?: (things: readonly Thing[]) => readonly Thing[];
}

function setupOf({ id, shotId, school, room, camera, head, lights, ...said }: Said): Setup {
  let count = 0;
  const next = () => `${id}-${++count}`;
  const blank = blankSetup(id, said.name, shotId as Setup['shotId'], camera);
  const begun = bySchool(
    {
      ...blank,
      room,
      note: SCHOOLS[school].name,
      things: [newThing('head', next(), 'Subject', head), ...(said.more ?? [])],
    },
    school,
    { lights, distanceM: said.distanceM, id: next },
  );
  const sockets = said.outlets ?? (room === hall ? HALL_OUTLETS : []);
  return {
    ...begun,
    things: [
      ...(said.then?.(begun.things) ?? begun.things),
      ...sockets.map(([name, circuitId, xM, yM]) =>
        newThing('socket', next(), name, {
          circuitId: circuitId as SocketThing['circuitId'],
          xM,
          yM,
        }),
      ),
    ],
  };
}

const CLERK = { name: 'Ticket clerk', xM: 3.5, yM: 3.1, skin: 'olive' } as const;
const CLERK_CAMERA = { xM: 3.3, yM: 0.9, zM: 1.25, focalMm: 45, panDeg: -5, balanceK: 4000 };
const hall = roomOf(HALL, 0.45, 'cream');
const timetable = (id: string, panDeg: number): Thing =>
  newThing('glass', id, 'Timetable', {
    xM: 4.35,
    yM: 4.9,
    zM: 1.45,
    widthM: 0.6,
    heightM: 0.8,
    panDeg,
  });
const counter = (id: string): Thing =>
  newThing('table', id, 'Counter', { xM: 3.5, yM: 2.45, widthM: 1.8, depthM: 0.5, heightM: 0.85 });
/** What stands on the counter, and beside it. */
const counterThings = (id: string): Thing[] => [
  newThing('object', `${id}-lamp`, 'Till', {
    xM: 3.78,
    yM: 2.5,
    bottomM: 0.85,
    widthM: 0.2,
    depthM: 0.18,
    heightM: 0.24,
    reflectance: 0.2,
    tint: 'none',
  }),
  newThing('object', `${id}-rack`, 'Ticket rack', {
    xM: 0.25,
    yM: 4.6,
    panDeg: -90,
    widthM: 1.2,
    depthM: 0.35,
    heightM: 1.7,
    reflectance: 0.25,
  }),
];
const flat = (id: string): Thing =>
  newThing('backdrop', id, 'Hall flat', { xM: 3.5, yM: 5, widthM: 4, heightM: 2.6 });

const clerk = (id: string, name: string, school: SchoolId, more: Partial<Said> = {}): Said => ({
  id,
  name,
  shotId: 'clerk',
  school,
  room: hall,
  camera: CLERK_CAMERA,
  head: CLERK,
  lights: [build('clerk-pan', 'Clerk pan'), lamp('globe-a60-9-2700', 'Warm globe')],
  distanceM: 1.3,
  more: [counter(`${id}-counter`), flat(`${id}-flat`)],
  ...more,
});

/** The key stands where the timetable shows it to the camera; turned by what the mirror check says, it does not. */
const GLASS_SEEN_DEG = 176;
const GLASS_HIDDEN_DEG = -174;

const SAID: readonly Said[] = [
  clerk('clerk-key', 'Clerk, key and card', 'reflector', {
    more: [counter('key-counter'), flat('key-flat'), ...counterThings('key')],
  }),
  clerk('clerk-lens', 'Clerk, one key by the lens', 'lens'),
  clerk('clerk-dark', 'Clerk, black on one side', 'negative'),
  clerk('clerk-glass', 'Clerk, key seen in the timetable', 'reflector', {
    more: [counter('glass-counter'), flat('glass-flat'), timetable('glass-1', GLASS_SEEN_DEG)],
  }),
  clerk('clerk-mended', 'Clerk, the timetable turned', 'reflector', {
    more: [counter('mended-counter'), flat('mended-flat'), timetable('mended-1', GLASS_HIDDEN_DEG)],
  }),
  {
    id: 'sky-wash',
    name: 'Night sky, washed from both sides',
    shotId: 'sky',
    school: 'wash',
    room: roomOf({ ...HALL, heightM: 3.4 }, 0.45, 'cream'),
    camera: { xM: 3.5, yM: 0.4, zM: 1.5, focalMm: 24, balanceK: 5600 },
    head: { name: 'Passenger', xM: 3.5, yM: 2.6, posture: 'standing', skin: 'brown' },
    lights: [build('clerk-pan', 'Clerk pan'), build('sky-bank', 'Sky bank')],
    distanceM: 1.4,
    then: (things) =>
      things.map((thing) =>
        thing.kind === 'backdrop'
          ? { ...thing, name: 'Painted night sky', surface: 'night', widthM: 3.4, heightM: 2.4 }
          : thing.kind === 'light'
            ? { ...thing, level: thing.role === 'key' ? 0.15 : 0.08 }
            : thing,
      ),
  },
  {
    id: 'stamps-above',
    name: 'Stamps, soft from above',
    shotId: 'stamps',
    school: 'overhead',
    room: hall,
    camera: { xM: 3.5, yM: 1, zM: 2, tiltDeg: -38, focalMm: 32, balanceK: 4000 },
    head: { ...CLERK, yM: 3 },
    lights: [build('stamp-panel', 'Stamp panel')],
    distanceM: 0.9,
  },
  {
    id: 'corridor-edge',
    name: 'Corridor, an edge',
    shotId: 'corridor',
    school: 'edge',
    room: roomOf(CORRIDOR, 0.18, 'cream'),
    camera: { xM: 1.1, yM: 0.5, zM: 1.5, focalMm: 32, balanceK: 4000 },
    head: { name: 'Deckhand', xM: 1.1, yM: 3.4, posture: 'standing', skin: 'dark', panDeg: 160 },
    lights: [build('corridor-line', 'Corridor line'), build('lens-ring', 'Lens ring')],
    distanceM: 1.2,
    outlets: [['Socket in the corridor', 'hall-b', 0.1, 2]],
    then: (things) =>
      things.map((thing) =>
        thing.kind === 'light' && thing.role === 'edge'
          ? { ...thing, xM: 1.7, yM: 4.9, panDeg: 158, tiltDeg: -15 }
          : thing,
      ),
  },
  {
    id: 'machine-night',
    name: 'Drinks machine at night',
    shotId: 'machine',
    school: 'practical',
    room: hall,
    camera: { xM: 3.2, yM: 0.8, zM: 1.4, focalMm: 28, balanceK: 4500 },
    head: { name: 'Passenger', xM: 3.2, yM: 3, posture: 'standing', skin: 'light' },
    lights: [build('lens-ring', 'Lens ring'), build('drinks-glow', 'Drinks machine')],
    distanceM: 1.2,
    then: (things) => [
      ...things.map((thing) =>
        thing.kind === 'light' && thing.role === 'practical'
          ? { ...thing, name: 'Drinks machine', xM: 4.3, yM: 4.4, zM: 1.3, panDeg: 170, level: 0.3 }
          : thing.kind === 'light' && thing.role === 'key'
            ? { ...thing, level: 0.06 }
            : thing,
      ),
      // The machine's buttons, played by a metre of colour tape out of the picture.
      newThing('light', 'machine-sea', 'Sea-green edge', {
        unitId: 'tape-rgb-12' as AtHand['unitId'],
        role: 'edge',
        xM: 1.8,
        yM: 3.6,
        zM: 1.5,
        panDeg: -114,
        rollDeg: 90,
        mix: 'colours',
        mixRed: 0,
        mixGreen: 0.5,
        mixBlue: 1,
        mixWhite: 0,
      }),
    ],
  },
  {
    id: 'crossing-sky',
    name: 'The crossing under its sky',
    shotId: 'crossing',
    school: 'overhead',
    room: roomOf(DECK, 0.3, 'wood'),
    camera: { xM: 3.5, yM: 0.3, zM: 1.5, focalMm: 24, balanceK: 5000 },
    head: { name: 'Deckhand', xM: 3.5, yM: 3, posture: 'standing', skin: 'dark' },
    lights: [build('deck-sky', 'Deck sky')],
    distanceM: 3,
    then: (things) =>
      things
        .filter(({ kind }) => kind !== 'table')
        .map((thing) =>
          thing.kind === 'light'
            ? { ...thing, name: 'Deck sky', yM: 3.2, zM: 4, level: 0.4 }
            : thing,
        ),
  },
  {
    id: 'hall-ceiling',
    name: 'Hall by its ceiling',
    shotId: 'corridor',
    school: 'bounced',
    room: roomOf({ widthM: 5, depthM: 4.6, heightM: 2.6 }, 0.6, 'cream'),
    camera: { xM: 2.5, yM: 0.5, zM: 1.3, focalMm: 28, balanceK: 4500 },
    head: { name: 'Passenger', xM: 2.5, yM: 2.8, skin: 'pale' },
    lights: [build('corridor-work', 'Work light')],
    distanceM: 1.4,
  },
  {
    id: 'cabin-window',
    name: 'Cabin by its window',
    shotId: 'cabin',
    school: 'window',
    room: roomOf(CABIN, 0.35, 'wood'),
    camera: { xM: 1.7, yM: 0.3, zM: 1.25, focalMm: 28, balanceK: 3200 },
    head: { name: 'Captain', xM: 1.7, yM: 1.9, skin: 'light' },
    lights: [],
    distanceM: 1.2,
    outlets: [['Cabin socket', 'generator', 3.1, 0.4]],
    then: (things) => [
      ...things.map((thing): Thing =>
        thing.kind === 'window'
          ? {
              ...thing,
              name: 'Porthole at dusk',
              sillM: 1.1,
              widthM: 0.6,
              heightM: 0.6,
              alongM: 1.6,
              outsideLx: 4000,
              cctK: 9000,
            }
          : thing,
      ),
      newThing('light', 'cabin-lamp', 'Chart lamp', {
        unitId: 'filament-a60-7' as AtHand['unitId'],
        role: 'practical',
        xM: 2.6,
        yM: 1.7,
        zM: 1.15,
        panDeg: 80,
        level: 0.6,
        shade: 'drum',
      }),
      newThing('object', 'cabin-chest', 'Chart chest', {
        xM: 2.6,
        yM: 1.7,
        widthM: 0.7,
        depthM: 0.45,
        heightM: 0.98,
        reflectance: 0.25,
      }),
    ],
  },
];

/** A setup for each shot, and one by each school. */
export const SETUPS: Setup[] = SAID.map(setupOf);
