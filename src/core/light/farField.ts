import { plus, scaled, type Vector } from './vector';
import type { LightField } from './lightField';
import { toRadians } from '../angle';

/**
 * Luminous intensity all round a build taken as one point, on half planes through its axis: 0° lies to +x, 90° to +y.
 * Angles in degrees from the axis, candela by plane, then by angle.
 */
export interface Distribution {
  planesDeg: number[];
  anglesDeg: number[];
  cd: number[][];
}

/** What the distribution says in two planes. */
export interface FarField {
  /** degrees from the axis, 0…180 */
  anglesDeg: number[];
  /** candela in the level plane (to +x and −x) and in the upright one (to +y and −y) */
  planesCd: { right: number[]; left: number[]; up: number[]; down: number[] };
  peakCd: number;
  /** full widths at half and at a tenth of the peak, degrees; level and upright */
  beamDeg: readonly [number, number];
  fieldDeg: readonly [number, number];
}

/** So many sizes away a source is a point to a millionth: what is left falls with the square. */
const AWAY = 1000;
const PLANE_STEP_DEG = 15;
const FRONT_STEP_DEG = 2.5;
const BACK_STEP_DEG = 5;
/** A step between two angles of more than this share of the peak is halved, so often at most. */
const STEEP = 0.06;
const HALVINGS = 3;

export const FAR_PLANES_DEG: readonly number[] = Array.from(
  { length: 360 / PLANE_STEP_DEG },
  (_, k) => k * PLANE_STEP_DEG,
);
export const FAR_ANGLES_DEG: readonly number[] = [
  ...Array.from({ length: 90 / FRONT_STEP_DEG }, (_, k) => k * FRONT_STEP_DEG),
  ...Array.from({ length: 90 / BACK_STEP_DEG + 1 }, (_, k) => 90 + k * BACK_STEP_DEG),
];

const farM = (sizeM: number): number => AWAY * Math.max(0.02, sizeM);

function wayOf(planeDeg: number, angleDeg: number): Vector {
  const [c, g] = [toRadians(planeDeg), toRadians(angleDeg)];
  return [Math.sin(g) * Math.cos(c), Math.sin(g) * Math.sin(c), Math.cos(g)];
}

/** Where the intensity of a direction is read. */
export function farPlace(planeDeg: number, angleDeg: number, fromM: Vector, sizeM: number): Vector {
  return plus(fromM, scaled(wayOf(planeDeg, angleDeg), farM(sizeM)));
}

/** Reads a field all round, as a goniometer would, more finely where it changes: at the edges of flags and rims. */
export function distributionOf(field: LightField, fromM: Vector, sizeM: number): Distribution {
  const planesDeg = [...FAR_PLANES_DEG];
  // I = E·d², on a surface that faces the light.
  const read = (angle: number): number[] =>
    planesDeg.map((plane) => {
      const facing = scaled(wayOf(plane, angle), -1);
      return field.illuminance(farPlace(plane, angle, fromM, sizeM), facing) * farM(sizeM) ** 2;
    });
  let angles = [...FAR_ANGLES_DEG];
  const known = new Map(angles.map((angle) => [angle, read(angle)]));
  const peak = Math.max(...[...known.values()].flat());
  for (let round = 0; round < HALVINGS; round++) {
    const between = angles.slice(1).flatMap((angle, k) => {
      const [one, other] = [known.get(angles[k]!)!, known.get(angle)!];
      const steep = one.some((cd, plane) => Math.abs(cd - other[plane]!) > STEEP * peak);
      return steep ? [(angles[k]! + angle) / 2] : [];
    });
    for (const angle of between) known.set(angle, read(angle));
    angles = [...angles, ...between].sort((a, b) => a - b);
  }
  return {
    planesDeg,
    anglesDeg: angles,
    cd: planesDeg.map((_, plane) => angles.map((angle) => known.get(angle)![plane]!)),
  };
}

/** Lumens of a distribution by zonal sums: mean over the planes, Σ I·2π(cos γ1 − cos γ2) [docs/model/light.md]. */
export function fluxOf({ planesDeg, anglesDeg, cd }: Distribution): number {
  const cosine = (degrees: number) => Math.cos(toRadians(degrees));
  let sum = 0;
  for (let k = 0; k + 1 < anglesDeg.length; k++) {
    const zone = 2 * Math.PI * (cosine(anglesDeg[k]!) - cosine(anglesDeg[k + 1]!));
    const mean =
      cd.reduce((total, plane) => total + (plane[k]! + plane[k + 1]!) / 2, 0) / planesDeg.length;
    sum += mean * zone;
  }
  return sum;
}

/** Peak and widths of a distribution. */
export function farField({ planesDeg, anglesDeg, cd }: Distribution): FarField {
  const plane = (degrees: number) => cd[planesDeg.indexOf(degrees)]!;
  const planesCd = { right: plane(0), left: plane(180), up: plane(90), down: plane(270) };
  const peakCd = Math.max(...cd.flat());
  const width = (one: number[], other: number[], share: number) =>
    reach(anglesDeg, one, peakCd * share) + reach(anglesDeg, other, peakCd * share);
  const both = (share: number) =>
    [
      width(planesCd.right, planesCd.left, share),
      width(planesCd.up, planesCd.down, share),
    ] as const;
  return { anglesDeg, planesCd, peakCd, beamDeg: both(0.5), fieldDeg: both(0.1) };
}

/** Last angle at which a falling curve still reaches a level, between its points by proportion. */
function reach(anglesDeg: readonly number[], cd: readonly number[], levelCd: number): number {
  let last = -1;
  for (let k = 0; k < cd.length; k++) if (cd[k]! >= levelCd) last = k;
  if (last < 0) return 0;
  if (last === cd.length - 1) return anglesDeg[last]!;
  const [high, low] = [cd[last]!, cd[last + 1]!];
  return (
    anglesDeg[last]! + ((high - levelCd) / (high - low)) * (anglesDeg[last + 1]! - anglesDeg[last]!)
  );
}
