import type { Control, Plate, RoundWall } from './controls';
import type { Emitter } from './emitter';
import { sourceField, type LightField } from './lightField';
import type { Vector } from './vector';
import { areaVector, cross, dot, minus, plus, scaled, unit } from './vector';

/** Patches along each side of a plate, and round a wall of revolution. */
const ACROSS = 4;
const ROUND = 12;
const ALONG = 2;
/** So far before the plate its patches lie: it is not in its own way. */
const BEFORE_M = 0.0005;

interface Patch {
  positionM: Vector;
  normal: Vector;
  areaM2: number;
}

/** Patches of everything in the light's way that sends light back, each by its reflectance. */
const patchesOf = (controls: readonly Control[]): (Patch & { reflectance: number })[] =>
  controls.flatMap((control) => {
    if (control.kind !== 'plate' && control.kind !== 'round') return [];
    const { reflectance = 0 } = control;
    if (reflectance <= 0) return [];
    const patches = control.kind === 'plate' ? platePatches(control) : roundPatches(control);
    return patches.map((patch) => ({ ...patch, reflectance }));
  });

/** Where light on such things is read. */
export const sentBackPlaces = (controls: readonly Control[]): Vector[] =>
  patchesOf(controls).map(({ positionM }) => positionM);

/**
 * A light together with what leaves, flags and hoods in its way send back of it, once and by Lambert's law. Without those
 * things in its way it is the light alone.
 */
export function withSentBack(light: LightField, controls: readonly Control[]): LightField {
  const sources = patchesOf(controls).flatMap(({ positionM, normal, areaM2, reflectance }) =>
    [1, -1].flatMap((side): Emitter[] => {
      const axis = scaled(normal, side);
      const before = plus(positionM, scaled(axis, BEFORE_M));
      const arrivingLm = light.illuminance(before, axis) * areaM2;
      if (!(arrivingLm > 0)) return [];
      const luminousFluxLm = arrivingLm * reflectance;
      return [{ positionM: before, axis, luminousFluxLm, spread: { class: 'lambert' } }];
    }),
  );
  return sources.length ? joined(light, sourceField(sources, light.passages)) : light;
}

/** Two lights as one; the second comes of what stands in the first one's way. */
const joined = (light: LightField, back: LightField): LightField => ({
  passages: light.passages,
  illuminance: (pointM, normal) =>
    light.illuminance(pointM, normal) + back.illuminance(pointM, normal),
  sourcesFrom: (pointM) => [...light.sourcesFrom(pointM), ...back.sourcesFrom(pointM)],
  passing: (others) =>
    light.passages.every((passage) => others.includes(passage))
      ? joined(light.passing(others), back.passing(others))
      : light.passing(others),
});

/** Cells of the rectangle along its first edge whose middles lie in the plate, all of one size. */
function platePatches({ points }: Plate): Patch[] {
  const across = unit(minus(points[1]!, points[0]!));
  const area = areaVector(points);
  const normal = unit(area);
  const up = cross(normal, across);
  const spans = [across, up].map((axis) => {
    const along = points.map((point) => dot(axis, minus(point, points[0]!)));
    return [Math.min(...along), Math.max(...along)] as const;
  });
  const [[u0, u1], [v0, v1]] = spans as [(typeof spans)[0], (typeof spans)[0]];
  const places = Array.from({ length: ACROSS * ACROSS }, (_, k): Vector => {
    const u = u0 + (((k % ACROSS) + 0.5) / ACROSS) * (u1 - u0);
    const v = v0 + ((Math.floor(k / ACROSS) + 0.5) / ACROSS) * (v1 - v0);
    return plus(points[0]!, plus(scaled(across, u), scaled(up, v)));
  }).filter((place) => within(place, points, normal));
  // The vector is twice the area long.
  const areaM2 = Math.hypot(...area) / 2 / Math.max(1, places.length);
  return places.map((positionM) => ({ positionM, normal, areaM2 }));
}

const within = (place: Vector, points: readonly Vector[], normal: Vector): boolean =>
  points.every((from, k) => {
    const along = minus(points[(k + 1) % points.length]!, from);
    return dot(cross(normal, along), minus(place, from)) >= 0;
  });

function roundPatches({ fromM, toM, fromRadiusM, toRadiusM }: RoundWall): Patch[] {
  const slope = (toRadiusM - fromRadiusM) / (toM - fromM);
  const lean = Math.hypot(1, slope);
  const step = (toM - fromM) / ALONG;
  return Array.from({ length: ROUND * ALONG }, (_, k): Patch => {
    const turn = (2 * Math.PI * ((k % ROUND) + 0.5)) / ROUND;
    const z = fromM + (Math.floor(k / ROUND) + 0.5) * step;
    const r = fromRadiusM + slope * (z - fromM);
    const [c, s] = [Math.cos(turn), Math.sin(turn)];
    // A patch is flat: its middle lies a little inside the wall.
    const inner = r * Math.cos(Math.PI / ROUND);
    return {
      positionM: [inner * c, inner * s, z],
      normal: [-c / lean, -s / lean, slope / lean],
      areaM2: ((2 * Math.PI * r) / ROUND) * step * lean,
    };
  });
}
