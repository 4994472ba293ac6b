import type { Vector } from './vector';
import type { EmitterField } from './emitter';
import { illuminanceLx } from './illuminance';
import { toRadians } from '../angle';

/** Luminous intensity of a build taken as one point, from far away. */
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

/** So many sizes away a source is a point to 0.01 % [five-times rule, ten times over]. */
const AWAY = 50;
const STEP_DEG = 2.5;

/** Intensity in a direction: I = E·d², read far away on a surface that faces the light. */
export function intensityCd(field: EmitterField, direction: Vector, sizeM: number): number {
  const d = AWAY * Math.max(0.02, sizeM);
  const [x, y, z] = direction;
  return illuminanceLx(field, [x * d, y * d, z * d], [-x, -y, -z]) * d * d;
}

/**
 * Far-field distribution in two planes.
 * @param sizeM largest dimension of the build
 */
export function farField(field: EmitterField, sizeM: number): FarField {
  const anglesDeg = Array.from({ length: 180 / STEP_DEG + 1 }, (_, k) => k * STEP_DEG);
  const along = (x: number, y: number) =>
    anglesDeg.map((angle) => {
      const [sine, cosine] = [Math.sin(toRadians(angle)), Math.cos(toRadians(angle))];
      return intensityCd(field, [x * sine, y * sine, cosine], sizeM);
    });
  const planesCd = { right: along(1, 0), left: along(-1, 0), up: along(0, 1), down: along(0, -1) };
  const peakCd = Math.max(...Object.values(planesCd).flat());
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

/**
 * Lumens a field sends out, by zonal sums over the sphere: Σ I·2π(cos θ1 − cos θ2)
 * [docs/model/light.md, “Polar sums”], so that what doors and grids take is not in it.
 * @param zones, planes  steps from pole to pole and round
 */
export function totalLumens(field: EmitterField, sizeM: number, zones = 36, planes = 12): number {
  let sum = 0;
  for (let zone = 0; zone < zones; zone++) {
    const [from, to] = [(zone / zones) * Math.PI, ((zone + 1) / zones) * Math.PI];
    const middle = (from + to) / 2;
    let mean = 0;
    for (let plane = 0; plane < planes; plane++) {
      const round = ((plane + 0.5) / planes) * 2 * Math.PI;
      mean += intensityCd(
        field,
        [Math.sin(middle) * Math.cos(round), Math.sin(middle) * Math.sin(round), Math.cos(middle)],
        sizeM,
      );
    }
    sum += (mean / planes) * 2 * Math.PI * (Math.cos(from) - Math.cos(to));
  }
  return sum;
}
