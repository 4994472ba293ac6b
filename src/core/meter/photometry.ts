import type { Photometry } from '../formats/photometric';
import { valueAt, type Sweep, type SweepPlane } from './sweep';
import type { Session } from './session';
import { isSimulated } from './working';

/** Just behind the last angle that was read nothing is known, and nothing is written. */
const BEHIND_DEG = 0.1;
/** Half-planes a file is written with, degrees round the axis. */
const HALF_PLANES = [0, 90, 180, 270];

/** Angles of a file: those that were read, to 90 or 180° as the formats want it. */
function anglesOf({ mean, coveredDeg }: Sweep): number[] {
  const angles = mean.map(({ angleDeg }) => angleDeg);
  const end = coveredDeg <= 90 ? 90 : 180;
  if (coveredDeg >= end - 1e-9) return angles;
  const behind = coveredDeg + BEHIND_DEG;
  return behind < end ? [...angles, behind, end] : [...angles, end];
}

/** Candela of one way out from the axis; where that way was not read, the mean of those that were. */
function sideCd(planes: readonly SweepPlane[], half: number, { mean, coveredDeg }: Sweep) {
  const plane = planes.find(({ planeDeg }) => planeDeg === half % 180);
  const sign = half >= 180 ? -1 : 1;
  return (angleDeg: number): number => {
    if (angleDeg > coveredDeg + 1e-9) return 0;
    const own = plane ? valueAt(plane.points, sign * angleDeg) : NaN;
    return Number.isFinite(own) ? own : valueAt(mean, angleDeg);
  };
}

/** What the unit itself says beside its light. */
export interface OfTheUnit {
  wattsW: number;
  cctK: number | null;
  criRa: number | null;
}

/** A sweep as photometric files write it: four half-planes, whatever was read. */
export function photometryOf(
  session: Session,
  planes: readonly SweepPlane[],
  sweep: Sweep,
  unit: OfTheUnit,
): Photometry {
  const anglesDeg = anglesOf(sweep);
  const simulated = isSimulated(session);
  const { instrument, distanceM, stepDeg, by } = session;
  return {
    ...unit,
    name: session.name,
    how: simulated ? 'readings of a simulated meter' : 'metered at home',
    lampLm: sweep.luminousFluxLm,
    widthM: session.sizeM,
    heightM: session.sizeM,
    round: true,
    planesDeg: HALF_PLANES,
    anglesDeg,
    cd: HALF_PLANES.map((half) => anglesDeg.map(sideCd(planes, half, sweep))),
    notes: [
      `${simulated ? 'simulated meter' : instrument.name || 'lux meter'}, ${distanceM} m away, every ${stepDeg} degrees${by ? `, ${by}` : ''}`,
      ...(sweep.coveredDeg < 180 ? [`nothing read beyond ${sweep.coveredDeg} degrees`] : []),
    ],
    date: session.startedAt.slice(0, 10),
  };
}
