import { combined } from './uncertainty';

/** A reading at an angle off the axis; to the left, or downwards, below zero. */
export interface SweepPoint {
  angleDeg: number;
  /** of the source: lux with the room's taken off, times the distance squared */
  cd: number;
  /** standard uncertainty it has for itself, as a share: not what all readings of a sweep have in common */
  share: number;
}

/** One way round the lamp: level, or upright. */
export interface SweepPlane {
  /** round the axis, degrees: 0 level, 90 upright */
  planeDeg: number;
  points: readonly SweepPoint[];
}

export interface BeamWidth {
  /** full angle, degrees */
  deg: number;
  /** from where to where, degrees off the axis */
  fromDeg: number;
  toDeg: number;
  /** false where the readings end before the light has fallen so far */
  closed: boolean;
}

export interface Sweep {
  /** leaves the source within the angles that were read, lm */
  luminousFluxLm: number;
  /** standard uncertainty of it by what each reading has for itself, lm */
  fluxDeviationLm: number;
  /** what straight lines between the readings may be wrong by, lm */
  stepErrorLm: number;
  /** where a finer step would help most, degrees off the axis */
  finerDeg: readonly [number, number];
  /** farthest angle off the axis that was read on any side */
  coveredDeg: number;
  peakCd: number;
  peakDeg: number;
  /** of each plane, about its own maximum */
  beams: { planeDeg: number; beam: BeamWidth; field: BeamWidth }[];
  /** share of the light that one side has more than the other */
  asymmetry: number;
  shape: { offAxis: boolean; hollow: boolean; lopsided: boolean };
  /** candela from 0 to `coveredDeg`, averaged over the sides that were read so far, at every angle read on any */
  mean: { angleDeg: number; cd: number }[];
}

const DEG = Math.PI / 180;

/** Value between readings, straight lines; NaN outside of them. Points in order. */
export function valueAt(
  points: readonly Pick<SweepPoint, 'angleDeg' | 'cd'>[],
  angleDeg: number,
): number {
  if (angleDeg < points[0]!.angleDeg - 1e-9 || angleDeg > points.at(-1)!.angleDeg + 1e-9)
    return NaN;
  let k = 1;
  while (k < points.length - 1 && points[k]!.angleDeg < angleDeg) k++;
  const [a, b] = [points[k - 1]!, points[k]!];
  const part = Math.min(1, Math.max(0, (angleDeg - a.angleDeg) / (b.angleDeg - a.angleDeg)));
  return a.cd + (b.cd - a.cd) * part;
}

/** ∫ I(θ)·sin θ dθ over a zone where I runs straight from one value to the other; radians. */
export function zoneIntegral(from: number, to: number, atFrom: number, atTo: number): number {
  const slope = (atTo - atFrom) / (to - from);
  const whole = (theta: number) =>
    -(atFrom + slope * (theta - from)) * Math.cos(theta) + slope * Math.sin(theta);
  return whole(to) - whole(from);
}

/** Light within so many degrees of the axis, lm, of a curve taken straight from zone to zone: Σ 2π ∫ I sin θ dθ. */
export function zonalLumens(
  cdAt: (angleDeg: number) => number,
  toDeg: number,
  zones: number,
): number {
  const cd = Array.from({ length: zones + 1 }, (_, k) => cdAt((toDeg * k) / zones));
  const zone = (toDeg / zones) * DEG;
  return cd
    .slice(1)
    .reduce(
      (sum, next, k) => sum + 2 * Math.PI * zoneIntegral(k * zone, (k + 1) * zone, cd[k]!, next),
      0,
    );
}

/** Candela of a curve one way round the axis, at an angle off it. */
export type SweptCd = (planeDeg: number, angleDeg: number) => number;

/** Level and upright; and how far apart the angles of a curve lie that is worked out. */
export const BOTH_PLANES_DEG = [0, 90];
export const SWEPT_STEP_DEG = 2.5;

/** Light within so many degrees of the axis, lm: of the mean of both sides of both planes. */
export const sweptLumens = (cd: SweptCd, toDeg: number): number =>
  zonalLumens(
    (angleDeg) => {
      const sides = BOTH_PLANES_DEG.flatMap((plane) => [cd(plane, angleDeg), cd(plane, -angleDeg)]);
      return sides.reduce((sum, each) => sum + each, 0) / sides.length;
    },
    toDeg,
    Math.max(1, Math.ceil(toDeg / SWEPT_STEP_DEG)),
  );

/** The halves of the planes: each a way out from the axis. */
interface Side {
  points: SweepPoint[];
}

function sidesOf(planes: readonly SweepPlane[]): Side[] {
  return planes.flatMap(({ points }) => {
    const onAxis = valueAt(points, 0);
    return [1, -1].flatMap((sign) => {
      const own = points
        .filter(({ angleDeg }) => sign * angleDeg > 1e-9)
        .map((point) => ({ ...point, angleDeg: sign * point.angleDeg }))
        .toSorted((a, b) => a.angleDeg - b.angleDeg);
      if (own.length === 0) return [];
      const first = points.find(({ angleDeg }) => Math.abs(angleDeg) < 1e-9);
      const axis: SweepPoint = { angleDeg: 0, cd: onAxis, share: first?.share ?? own[0]!.share };
      return Number.isFinite(onAxis) ? [{ points: [axis, ...own] }] : [];
    });
  });
}

/** How much of each reading's candela the flux is made of, sr: weights of Φ = Σ w·I for straight lines. */
function weightsOf(angles: readonly number[]): number[] {
  const weights = angles.map(() => 0);
  for (let k = 1; k < angles.length; k++) {
    const [from, to] = [angles[k - 1]! * DEG, angles[k]! * DEG];
    weights[k - 1]! += 2 * Math.PI * zoneIntegral(from, to, 1, 0);
    weights[k]! += 2 * Math.PI * zoneIntegral(from, to, 0, 1);
  }
  return weights;
}

/**
 * What straight lines may miss in each zone: h²/12 times the bend, over the zone's solid angle; the bend from the readings
 * on both sides, across the axis by the mirror image [common practice: error of the trapezium rule].
 */
function stepErrors(points: Sweep['mean']): number[] {
  const bend = (k: number): number => {
    const [a, b, c] = [points[k - 1] ?? points[1], points[k], points[k + 1] ?? points[k - 1]];
    if (!a || !b || !c) return 0;
    const left = Math.abs(b.angleDeg - a.angleDeg) || 1;
    const right = Math.abs(c.angleDeg - b.angleDeg) || 1;
    return Math.abs(((c.cd - b.cd) / right - (b.cd - a.cd) / left) / ((left + right) / 2));
  };
  return points.slice(1).map((_, k) => {
    const [from, to] = [points[k]!.angleDeg, points[k + 1]!.angleDeg];
    const h = to - from;
    const solid = 2 * Math.PI * (Math.cos(from * DEG) - Math.cos(to * DEG));
    return (((bend(k) + bend(k + 1)) / 2) * h * h * solid) / 12;
  });
}

/** The unbroken run around the maximum where it is at least a share of it. */
function widthAbout(points: readonly SweepPoint[], share: number): BeamWidth {
  const top = points.reduce((best, { cd }, k) => (cd > points[best]!.cd ? k : best), 0);
  const level = points[top]!.cd * share;
  const crossing = (way: 1 | -1) => {
    for (let k = top; ; k += way) {
      const next = points[k + way];
      if (!next) return { at: points[k]!.angleDeg, closed: false };
      if (next.cd <= level) {
        const { angleDeg, cd } = points[k]!;
        const part = cd === next.cd ? 1 : (cd - level) / (cd - next.cd);
        return { at: angleDeg + (next.angleDeg - angleDeg) * part, closed: true };
      }
    }
  };
  const [from, to] = [crossing(-1), crossing(1)];
  return {
    deg: to.at - from.at,
    fromDeg: from.at,
    toDeg: to.at,
    closed: from.closed && to.closed,
  };
}

/** On the axis less than this share of the maximum is a hole; a maximum this many steps off is off the axis. */
const HOLE = 0.9;
const LOPSIDED = 0.15;

/**
 * A sweep round a source, worked out. Candela run straight between the readings, zone by zone
 * Φ = Σ 2π ∫ I sin θ dθ, every side alike [docs/model/meter.md].
 * @param planes  each with at least three points, in order, and one on either side of the axis or on it
 */
export function sweepOf(planes: readonly SweepPlane[]): Sweep {
  const sides = sidesOf(planes);
  const coveredDeg = Math.max(...sides.map(({ points }) => points.at(-1)!.angleDeg));
  const angles = [
    ...new Set(sides.flatMap(({ points }) => points.map(({ angleDeg }) => angleDeg))),
  ].toSorted((a, b) => a - b);
  // A side that was not read so far says nothing there.
  const mean = angles.map((angleDeg) => {
    const there = sides
      .map(({ points }) => valueAt(points, angleDeg))
      .filter((cd) => Number.isFinite(cd));
    return { angleDeg, cd: there.reduce((sum, cd) => sum + cd, 0) / there.length };
  });
  const weights = weightsOf(angles);
  const flux = mean.reduce((sum, { cd }, k) => sum + cd * weights[k]!, 0);
  const deviations = sides.flatMap(({ points }) => {
    const own = weightsOf(points.map(({ angleDeg }) => angleDeg));
    return points.map(({ angleDeg, cd, share }, k) => {
      const reach = sides.filter((side) => side.points.at(-1)!.angleDeg >= angleDeg - 1e-9).length;
      return (own[k]! * cd * share) / reach;
    });
  });
  const steps = stepErrors(mean);
  const worst = steps.reduce((at, error, k) => (error > steps[at]! ? k : at), 0);
  return {
    luminousFluxLm: flux,
    fluxDeviationLm: combined(deviations),
    stepErrorLm: steps.reduce((sum, error) => sum + error, 0),
    finerDeg: [angles[worst]!, angles[worst + 1]!],
    coveredDeg,
    ...peakOf(planes),
    beams: planes.map(({ planeDeg, points }) => ({
      planeDeg,
      beam: widthAbout(points, 0.5),
      field: widthAbout(points, 0.1),
    })),
    mean,
    ...shapeOf(planes, mean),
  };
}

function peakOf(planes: readonly SweepPlane[]) {
  const all = planes.flatMap(({ points }) => points);
  const top = all.reduce((best, point) => (point.cd > best.cd ? point : best));
  return { peakCd: top.cd, peakDeg: top.angleDeg };
}

function shapeOf(planes: readonly SweepPlane[], mean: Sweep['mean']) {
  let [more, all] = [0, 0];
  for (const { points } of planes)
    for (const { angleDeg } of points) {
      const [here, there] = [valueAt(points, angleDeg), valueAt(points, -angleDeg)];
      if (angleDeg <= 0 || !Number.isFinite(there)) continue;
      more += Math.abs(here - there) * Math.sin(angleDeg * DEG);
      all += (here + there) * Math.sin(angleDeg * DEG);
    }
  const asymmetry = all > 0 ? more / all : 0;
  const { peakCd, peakDeg } = peakOf(planes);
  const hollow = mean[0]!.cd < HOLE * Math.max(...mean.map(({ cd }) => cd));
  return {
    asymmetry,
    shape: {
      offAxis: !hollow && Math.abs(peakDeg) > stepOf(planes) && mean[0]!.cd < HOLE * peakCd,
      hollow,
      lopsided: asymmetry > LOPSIDED,
    },
  };
}

/** Widest step round the axis, degrees. */
const stepOf = (planes: readonly SweepPlane[]): number =>
  Math.max(
    ...planes.map(({ points }) => {
      const after = points.findIndex(({ angleDeg }) => angleDeg > 0);
      return after > 0 ? points[after]!.angleDeg - points[after - 1]!.angleDeg : 0;
    }),
  );

/** As a table of equal steps from 0 to 180°, dark where nothing was read; for the unit's own spread. */
export function tableOf({ mean, coveredDeg }: Sweep, steps: number): number[] {
  return Array.from({ length: steps + 1 }, (_, k) => {
    const angle = (180 * k) / steps;
    return angle <= coveredDeg + 1e-9 ? valueAt(mean, angle) : 0;
  });
}
