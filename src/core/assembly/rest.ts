import { plus, scaled, type Vector } from '../light/vector';
import { fromBox, measure, type Measure } from './distance';
import type { Body } from './body';

/** Nearer than this a ray has met what it goes towards; farther than that it has missed. */
const MET_M = 1e-5;
const MISSED_M = 30;
const MOST_STEPS = 400;

export const measures = (bodies: readonly Body[]): Measure[] => bodies.map(measure);

/** How far a ray goes until it meets something; null where it meets nothing. */
export function firstMet(
  among: readonly Measure[],
  from: Vector,
  direction: Vector,
): number | null {
  let gone = 0;
  for (let step = 0; step < MOST_STEPS && gone < MISSED_M; step++) {
    const at = plus(from, scaled(direction, gone));
    let free = Infinity;
    for (const each of among) {
      const apart = fromBox(at, each.box);
      if (apart < free)
        free = Math.min(free, apart > 0.05 ? apart : Math.max(each.distance(at), 0));
    }
    if (free < MET_M) return gone;
    gone += free;
  }
  return null;
}

/** How far a thing can be moved before one of its places meets something; null where none of them does. */
export function nearestMet(
  among: readonly Measure[],
  places: readonly Vector[],
  direction: Vector,
): number | null {
  const met = places.flatMap((place) => firstMet(among, place, direction) ?? []);
  return met.length ? Math.min(...met) : null;
}

/** Places over a rectangle about a middle, edges included, in the plane z. */
export const gridPlaces = (
  [x, y]: readonly [number, number],
  [widthM, heightM]: readonly [number, number],
  z: number,
  aSide = 7,
): Vector[] =>
  Array.from({ length: aSide * aSide }, (_, k): Vector => [
    x + ((k % aSide) / (aSide - 1) - 0.5) * widthM,
    y + (Math.floor(k / aSide) / (aSide - 1) - 0.5) * heightM,
    z,
  ]);
