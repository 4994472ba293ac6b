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

/** Share of a source's light that its middle spread holds. */
const MIDDLE = 0.8;

/**
 * Width that holds the middle 80 % of a source's light: half-shadows go from a tenth to nine tenths across it.
 * @param spread places and what comes from each
 * @returns metres; null without light
 */
export function middleSpread(
  spread: readonly (readonly [placeM: number, lx: number])[],
): number | null {
  const sorted = spread.filter(([, lx]) => lx > 0).toSorted(([a], [b]) => a - b);
  const whole = sorted.reduce((sum, [, lx]) => sum + lx, 0);
  if (whole === 0) return null;
  const at = (share: number) => {
    let before = 0;
    for (const [k, [place, lx]] of sorted.entries()) {
      const middle = before + lx / 2;
      if (middle >= share * whole) {
        const last = k > 0 ? sorted[k - 1]! : null;
        const lastMiddle = last ? before - last[1] / 2 : 0;
        return last
          ? last[0] + ((share * whole - lastMiddle) / (middle - lastMiddle)) * (place - last[0])
          : place;
      }
      before += lx;
    }
    return sorted.at(-1)![0];
  };
  return at((1 + MIDDLE) / 2) - at((1 - MIDDLE) / 2);
}

/** Real things, and how wide they show from where they usually stand [docs/model/light.md]. */
const THINGS: readonly (readonly [name: string, widthM: number, distanceM: number])[] = [
  ['a bare globe at 1 m', 0.06, 1],
  ['a clamp lamp at 1 m', 0.14, 1],
  ['a sheet of A4 at 1 m', 0.21, 1],
  ['a 40 cm pan at 1.2 m', 0.4, 1.2],
  ['a 60 cm dome at 1.2 m', 0.6, 1.2],
  ['a 90 cm dome at 1.2 m', 0.9, 1.2],
  ['a sheet of 2 m at 2 m', 2, 2],
  ['a window of 1.2 m at 0.8 m', 1.2, 0.8],
  ['a sheet of 2 m at 0.8 m', 2, 0.8],
];

const SUN_DEG = 0.53;
const MARKS: readonly (readonly [angleDeg: number, name: string])[] = [
  [SUN_DEG, 'the sun'],
  ...THINGS.map(([name, widthM, distanceM]) => [angularSizeDeg(widthM, distanceM), name] as const),
  [180, 'an overcast sky'],
];

/** The thing nearest to an angle, by ratio. */
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
