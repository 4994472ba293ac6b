import { toRadians } from '@/core/angle';
import { simulatedLux } from '@/core/meter/simulated';
import { blankSession, type MeterReading, type Place, type Session } from '@/core/meter/session';
import { plannedAngles } from '@/core/meter/working';
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

/** Five globes whose boxes say much the same, and parchment; the light that is really there is invented. */
export const SESSIONS: readonly Session[] = [
  layer('parchment', 'Baking parchment', 0.55),
  sweep('globe-a60-9-4000', 'A60 globe, as its box says', 790, { class: 'forward' }),
  sweep('globe-a60-9-2700', 'Warm A60 globe', 745, { class: 'forward' }),
  sweep('filament-a60-7', 'Filament globe, all round', 770, { class: 'omni' }),
  sweep('incandescent-60-120', 'Old 60 W bulb', 700, { class: 'omni' }),
  sweep('market-9', 'Market-stall globe', 310, { class: 'forward' }),
];
