import { bestWash } from '../../light/wash';
import { turnDeg } from '../../set/pose';
import { lookOf, type SetLight } from '../../set/scene';
import type { SetRoom } from '../../set/setup';
import type { BackdropThing } from '../../set/things';

/** Where two lights go, by id. */
export interface WashPlaces {
  plusMinusStops: number;
  places: readonly {
    id: string;
    xM: number;
    yM: number;
    zM: number;
    panDeg: number;
    tiltDeg: number;
  }[];
}

const CLEAR_M = 0.15;
const rounded = (value: number) => Number(value.toFixed(2));

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
  const { widthM, heightM, panDeg, xM, yM, bottomM } = backdrop;
  const look = lookOf(panDeg);
  // To the right of who looks at it: a backdrop that looks at the camera has it at + x.
  const side = [-look[1]!, look[0]!] as const;
  const left = roomBefore(room, [xM, yM], [-side[0], -side[1]]);
  const right = roomBefore(room, [xM, yM], side);
  const wash = bestWash(one.field, one.frontM, { widthM, heightM }, 2, allowedStops, {
    distanceM: roomBefore(room, [xM, yM], [look[0], look[1]]),
    spacingM: 2 * Math.min(left, right),
  });
  const place = (light: SetLight, sign: 1 | -1) => {
    const off = (sign * wash.spacingM) / 2;
    return {
      id: light.id,
      xM: rounded(xM + look[0] * wash.distanceM + side[0] * off),
      yM: rounded(yM + look[1] * wash.distanceM + side[1] * off),
      zM: rounded(bottomM + heightM / 2),
      panDeg: rounded(turnDeg(panDeg + 180 + sign * ((wash.toeInRad * 180) / Math.PI))),
      tiltDeg: 0,
    };
  };
  return { plusMinusStops: wash.plusMinusStops, places: [place(one, -1), place(two, 1)] };
}
