import { bestWash } from '../../light/wash';
import { lookOf, type SetLight } from '../../set/scene';
import type { SetRoom } from '../../set/setup';
import type { BackdropThing } from '../../set/things';
import { rightOf, washAt, type WashPose } from '../../set/washAt';

/** Where two lights go, by id. */
export interface WashPlaces {
  plusMinusStops: number;
  places: readonly (WashPose & { id: string })[];
}

const CLEAR_M = 0.15;

/** Way from a place along a level direction to the wall of a room, m; far off outdoors. */
function roomBefore(room: SetRoom, [x, y]: readonly number[], [dx, dy]: readonly number[]): number {
  if (room.open === 'outdoors') return Infinity;
  const to = (at: number, way: number, size: number) =>
    way > 1e-9 ? (size - at) / way : way < -1e-9 ? -at / way : Infinity;
  return Math.max(0.1, Math.min(to(x!, dx!, room.widthM), to(y!, dy!, room.depthM)) - CLEAR_M);
}

/** Best places of two lights before a backdrop, level with its middle. */
export function washPlacesOf(
  room: SetRoom,
  backdrop: BackdropThing,
  [one, two]: readonly [SetLight, SetLight],
  allowedStops: number,
): WashPlaces {
  const { widthM, heightM, panDeg, xM, yM } = backdrop;
  const look = lookOf(panDeg);
  const side = rightOf(backdrop);
  const left = roomBefore(room, [xM, yM], [-side[0], -side[1]]);
  const right = roomBefore(room, [xM, yM], side);
  const wash = bestWash(one.field, one.frontM, { widthM, heightM }, 2, allowedStops, {
    distanceM: roomBefore(room, [xM, yM], [look[0], look[1]]),
    spacingM: 2 * Math.min(left, right),
  });
  return {
    plusMinusStops: wash.plusMinusStops,
    places: [
      { id: one.id, ...washAt(backdrop, wash, -1) },
      { id: two.id, ...washAt(backdrop, wash, 1) },
    ],
  };
}
