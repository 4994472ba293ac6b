import { toRadians } from '@/core/angle';
import { blankFrames } from '@/core/meter/framesRecord';
import { gridPoints } from '@/core/meter/points';
import { simulatedLux } from '@/core/meter/simulated';
import { blankSession, type MeterReading, type Place, type Session } from '@/core/meter/session';
import { plannedAngles } from '@/core/meter/working';
import { DEMO_FRAMES, FRAME_EXPOSURE } from './photographs';
import { intensityPerLm, prepareSpread, type Spread } from '@/core/units/spread';

/** What was metered of the sample's bulbs and layers: by the simulated meter, and marked so. */
const AT = '2026-03-10T19:00:00Z';
const ROOM_LX = 1.5;

const blank = (given: Pick<Session, 'id' | 'name' | 'kind'> & Partial<Session>): Session =>
  blankSession({
    startedAt: AT,
    by: 'Ines',
    instrument: { name: 'Pocket lux meter', classShare: 0.04, grainLx: 0.1, cosineShare: 0.03 },
    warmMin: 25,
    closedAt: AT,
    ...given,
  });

/** Reads it all the way through. */
function metered(
  session: Session,
  places: readonly Place[],
  trueLx: (place: Place) => number,
): Session {
  const readings = places.map((place, order): [string, MeterReading] => [
    `${session.id}-${order}`,
    {
      place,
      value: simulatedLux(session, { place, trueLx: trueLx(place), roomLx: ROOM_LX, order }),
      at: AT,
      by: session.by,
      order,
      struck: null,
      simulated: true,
    },
  ]);
  return { ...session, readings: Object.fromEntries(readings) };
}

const ROOM: Place = { kind: 'room' };

/** @param lumens  what it really gives, and how: what no box says */
function sweep(unitId: string, name: string, lumens: number, spread: Spread): Session {
  const session = blank({
    id: `sweep-${unitId}`,
    name,
    kind: 'sweep',
    unitId: unitId as Session['unitId'],
  });
  const prepared = prepareSpread(spread);
  const angles = plannedAngles(session).map((angle): Place => ({ kind: 'angle', ...angle }));
  return metered(session, [ROOM, ...angles], (place) =>
    place.kind === 'angle'
      ? lumens * intensityPerLm(prepared, Math.cos(toRadians(place.angleDeg)))
      : 0,
  );
}

/** @param tau  what really comes through */
const layer = (partId: string, name: string, tau: number): Session =>
  metered(
    blank({
      id: `layer-${partId}`,
      name,
      kind: 'layer',
      partId: partId as Session['partId'],
      warmMin: 5,
    }),
    [ROOM, ...Array.from({ length: 6 }, (_, k): Place => ({ kind: 'layer', with: k % 2 === 1 }))],
    (place) => (place.kind === 'layer' && place.with ? 380 * tau : 380),
  );

/** @param trueLx  what really lies at each place of a grid: worked out by the model with lamps and layers other than their labels */
function plane(
  id: string,
  name: string,
  given: Partial<Session>,
  points: Session['points'],
  trueLx: readonly number[],
): Session {
  const session = blank({ id: `plane-${id}`, name, kind: 'points', points, ...given });
  const places = points.map((point): Place => ({ kind: 'point', ...point }));
  return metered(session, [ROOM, ...places], (place) =>
    place.kind === 'point' ? trueLx[points.findIndex((point) => point.name === place.name)]! : 0,
  );
}

const build = (id: string) => ({ buildId: id as Session['buildId'] });
const MIDDLE = gridPoints(1, 1, 1, 1);
/** A globe alone in the clamp lamp, without its layer. */
const clamped = (id: string, name: string, lx: number): Session =>
  plane(`clamp-${id}`, `${name} in the clamp lamp`, { distanceM: 1 }, MIDDLE, [lx]);

/** Frames of the clerk's face, as our own engines draw them (`scripts/demoFrames.ts`): steady, and on a mains dimmer. */
const FRAMES: Session = blank({
  id: 'frames-clerk',
  name: 'Clerk ring, steady and on a dimmer',
  kind: 'frames',
  ...build('clerk-ring'),
  instrument: { name: 'Simulated camera', classShare: 0.05, grainLx: 1, cosineShare: 0.03 },
  frames: {
    ...blankFrames(),
    shots: Object.fromEntries(
      DEMO_FRAMES.map(({ id, name, role }, order) => [
        id,
        {
          pictureId: id,
          name,
          role,
          ...FRAME_EXPOSURE,
          focalM: null,
          camera: 'Simulated camera',
          order,
          struck: null,
          simulated: true,
        },
      ]),
    ),
    boxes: {
      card: { what: 'grey', x: 0.08, y: 0.74, w: 0.16, h: 0.16 },
      cheek: { what: 'skin', x: 0.59, y: 0.42, w: 0.06, h: 0.08 },
      shade: { what: 'shadow', x: 0.35, y: 0.42, w: 0.06, h: 0.08 },
      wall: { what: 'background', x: 0.04, y: 0.05, w: 0.24, h: 0.5 },
    },
    camera: { ...blankFrames().camera, balanceK: 4000, readOutS: 0.02 },
  },
});

/**
 * Five globes whose boxes say much the same, bare and in a clamp lamp; seven layers; four lights on a plane; frames of a face. The
 * light that is really there is invented.
 */
export const SESSIONS: readonly Session[] = [
  layer('silk', 'Thin white nylon', 0.66),
  layer('curtain', 'Shower curtain', 0.78),
  layer('opal-front', 'Opal acrylic', 0.52),
  layer('tracing', 'Tracing paper', 0.47),
  layer('muslin-bleached', 'Bleached muslin', 0.34),
  { ...layer('parchment', 'Parchment, two layers', 0.36), id: 'layer-parchment-2', partId: null },
  layer('parchment', 'Baking parchment', 0.55),
  clamped('globe-a60-9-4000', 'A60 globe', 265.9),
  clamped('globe-a60-9-2700', 'Warm A60 globe', 250.8),
  clamped('filament-a60-7', 'Filament globe', 236.3),
  clamped('incandescent-60-120', 'Old 60 W bulb', 214.8),
  clamped('market-9', 'Market-stall globe', 104.4),
  plane(
    'booth-stack',
    'Booth stack through nylon',
    { ...build('booth-stack'), distanceM: 1.2 },
    gridPoints(3, 3, 1, 1),
    [304, 401, 308, 402, 549, 407, 304, 402, 306],
  ),
  plane(
    'clerk-pan',
    'Clerk pan at the face',
    { ...build('clerk-pan'), distanceM: 1.2 },
    gridPoints(3, 3, 0.8, 0.8),
    [400, 441, 392, 432, 404, 433, 387, 433, 380],
  ),
  plane(
    'counter-lamp',
    'Counter lamp on the stamps',
    { ...build('counter-lamp'), distanceM: 0.7 },
    gridPoints(3, 3, 0.6, 0.6),
    [28, 62.2, 28.2, 61.9, 143, 62.5, 28, 62.1, 28.2],
  ),
  FRAMES,
  sweep('globe-a60-9-4000', 'A60 globe, as its box says', 790, { class: 'forward' }),
  sweep('globe-a60-9-2700', 'Warm A60 globe', 745, { class: 'forward' }),
  sweep('filament-a60-7', 'Filament globe, all round', 770, { class: 'omni' }),
  sweep('incandescent-60-120', 'Old 60 W bulb', 700, { class: 'omni' }),
  sweep('market-9', 'Market-stall globe', 310, { class: 'forward' }),
];
