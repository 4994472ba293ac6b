import { toRadians } from '../angle';
import type { EmitterField } from '../light/emitter';
import { intensityCd } from '../light/farField';

/**
 * A luminaire's far-field distribution on type C planes: the polar axis is the light's own, C0 lies to
 * +x, C90 to +y. Angles in degrees, intensities in candela by plane, then by angle.
 */
export interface Photometry {
  name: string;
  planesDeg: number[];
  anglesDeg: number[];
  cd: number[][];
  /** luminous flux of the bare lamps */
  lampLm: number;
  wattsW: number;
  cctK: number | null;
  criRa: number | null;
  /** luminous opening, metres */
  widthM: number;
  heightM: number;
  round: boolean;
  /** how it came about, one keyword line each */
  notes: string[];
  /** yyyy-mm-dd */
  date: string;
}

const PLANE_STEP = 15;
const ANGLE_STEP = 5;

/** Reads a field all round, as a goniometer would. */
export function sampleField(
  field: EmitterField,
  sizeM: number,
): Pick<Photometry, 'planesDeg' | 'anglesDeg' | 'cd'> {
  const planesDeg = Array.from({ length: 360 / PLANE_STEP }, (_, k) => k * PLANE_STEP);
  const anglesDeg = Array.from({ length: 180 / ANGLE_STEP + 1 }, (_, k) => k * ANGLE_STEP);
  const cd = planesDeg.map((plane) =>
    anglesDeg.map((angle) => {
      const [c, g] = [toRadians(plane), toRadians(angle)];
      return intensityCd(
        field,
        [Math.sin(g) * Math.cos(c), Math.sin(g) * Math.sin(c), Math.cos(g)],
        sizeM,
      );
    }),
  );
  return { planesDeg, anglesDeg, cd };
}

/** Lumens of a distribution by zonal sums: mean over the planes, Σ I·2π(cos γ1 − cos γ2). */
export function fluxOf({
  planesDeg,
  anglesDeg,
  cd,
}: Pick<Photometry, 'planesDeg' | 'anglesDeg' | 'cd'>): number {
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
