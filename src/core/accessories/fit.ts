import type { Body, Matter } from '../assembly/body';
import type { Measure } from '../assembly/distance';
import { firstMet, gridPlaces, nearestMet } from '../assembly/rest';
import { cordBody } from '../forms/kit/bodies';
import type { XY } from '../drawing/shapes';
import type { Vector } from '../light/vector';

/** Things are brought up from so far away. */
const FAR_M = 5;
/** A hair that keeps what rests on something from being in it. */
const HAIR_M = 2e-5;
const BACKWARDS: Vector = [0, 0, -1];
const FORWARDS: Vector = [0, 0, 1];

/**
 * Plane in which a thing sits that is set on a front: the front itself, or farther out where something stands in its way.
 * @param places  of its back, with how far each lies before that plane
 */
export function seatPlane(
  on: readonly Measure[],
  places: readonly (XY | Vector)[],
  frontM: number,
): number {
  const met = nearestMet(
    on,
    places.map(([x, y, beforeM = 0]): Vector => [x, y, frontM + FAR_M + beforeM]),
    BACKWARDS,
  );
  return met === null ? frontM : Math.max(frontM, frontM + FAR_M - met + HAIR_M);
}

/** Clips from places in a plane straight back to what stands behind them. */
export const hangers = (
  on: readonly Measure[],
  places: readonly XY[],
  zM: number,
  step: string,
): Body[] =>
  places.flatMap(([x, y], k) => {
    const met = firstMet(on, [x, y, zM], BACKWARDS);
    return met === null || met < 1e-3
      ? []
      : [
          cordBody(`clip-${k + 1}`, 'Clip', step, [
            [x, y, zM - met],
            [x, y, zM],
          ]),
        ];
  });

/** What bears a screw or a bolt. */
const BEARS: readonly Matter[] = ['board', 'metal', 'pipe', 'part'];
export const bearing = (on: readonly Measure[]): Measure[] =>
  on.filter(({ body }) => BEARS.includes(body.matter) && !body.fastens);

/** Plane on which a rectangle rests that is laid on the back of a light; null where nothing lies behind it. */
export function backPlane(
  on: readonly Measure[],
  middle: XY,
  size: readonly [number, number],
  aSide?: number,
): number | null {
  const met = nearestMet(on, gridPlaces(middle, size, -FAR_M, aSide), FORWARDS);
  return met === null ? null : -FAR_M + met - HAIR_M;
}

/** The same for something round. */
export function backUnder(on: readonly Measure[], [x, y]: XY, radiusM: number): number | null {
  const round = Array.from({ length: 48 }, (_, k): Vector => {
    const angle = (Math.PI * k) / 24;
    return [x + radiusM * Math.cos(angle), y + radiusM * Math.sin(angle), -FAR_M];
  });
  const met = nearestMet(on, [[x, y, -FAR_M], ...round], FORWARDS);
  return met === null ? null : -FAR_M + met - HAIR_M;
}

/** Whether all of a rectangle lies on the back in one plane. */
export function liesFlat(
  on: readonly Measure[],
  middle: XY,
  size: readonly [number, number],
): boolean {
  const gone = gridPlaces(middle, size, -FAR_M, 3).map((place) => firstMet(on, place, FORWARDS));
  const known = gone.filter((each) => each !== null);
  return known.length === gone.length && Math.max(...known) - Math.min(...known) < 1e-3;
}
