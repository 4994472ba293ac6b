import { toDegrees } from '../angle';

/** Edge to surface distance of a nose, 25 mm: where softness is judged on a face [docs/model/light.md]. */
export const NOSE_M = 0.025;

/** Full angle a source of the given width fills, seen face-on from a distance; degrees. */
export const angularSizeDeg = (widthM: number, distanceM: number): number =>
  toDegrees(2 * Math.atan2(widthM / 2, distanceM));

/**
 * Half-shadow width w = D·b/a of an edge: source width D, source to edge a, edge to surface b;
 * all metres (similar triangles).
 */
export const halfShadowM = (widthM: number, toEdgeM: number, edgeToSurfaceM: number): number =>
  (widthM * edgeToSurfaceM) / toEdgeM;

/** Known sights to judge an angle by [docs/model/light.md]. */
const MARKS: readonly (readonly [angleDeg: number, name: string])[] = [
  [0.53, 'the sun'],
  [3.4, 'a bare globe at 1 m'],
  [41, 'a 90 cm dome at 1.2 m'],
  [180, 'an overcast sky'],
];

/** The reference mark nearest to an angle, by ratio. */
export function nearestMark(angleDeg: number): string {
  const far = (mark: number) => Math.abs(Math.log(Math.max(angleDeg, 0.01) / mark));
  return MARKS.reduce((best, mark) => (far(mark[0]) < far(best[0]) ? mark : best))[1];
}

/** Shadow edges closer than this run into one on skin [common practice]. */
const LEAST_STEP_M = 0.001;

export interface SeparateShadows {
  /** clear space between neighbouring emitters divided by one emitter's width */
  gapInGlobes: number;
  /** sideways step from one shadow edge to the next on the surface, metres */
  stepM: number;
  separate: boolean;
}

/**
 * An open array throws one shadow edge per emitter; they are told apart when the gap between
 * emitters is wider than about one emitter [common practice].
 * @param spacingM centre to centre of neighbours; Infinity for a lone emitter
 */
export function separateShadows(
  spacingM: number,
  emitterWidthM: number,
  toEdgeM: number,
  edgeToSurfaceM: number,
): SeparateShadows {
  const gapInGlobes = (spacingM - emitterWidthM) / emitterWidthM;
  const alone = !Number.isFinite(spacingM);
  return {
    gapInGlobes,
    stepM: alone ? 0 : halfShadowM(spacingM, toEdgeM, edgeToSurfaceM),
    separate:
      !alone && gapInGlobes > 1 && halfShadowM(spacingM, toEdgeM, edgeToSurfaceM) > LEAST_STEP_M,
  };
}
