import { pointsPerRow } from '../kit/lamps';
import { type PanLayout } from './layout';
import { type StripPan } from './parameters';

/** Tape in the very plane of the mouth would see nothing else. */
const LEAST_M = 0.001;

const POINTS_PER_ROW = 36;

/** Light of a rim crosses the pan; a base row faces the mouth. */
export function points(pan: StripPan, { radiiM, heightsM, rows }: PanLayout) {
  const count = pointsPerRow(rows.rowsM.length, POINTS_PER_ROW);
  return rows.rowsM.flatMap((laid, row) =>
    Array.from({ length: count }, (_, k) => {
      const angle = Math.PI / 2 - ((k + 0.5) * (laid / count)) / radiiM[row]!;
      const [x, y] = [Math.cos(angle), Math.sin(angle)];
      return {
        positionM: [radiiM[row]! * x, radiiM[row]! * y, heightsM[row]!] as const,
        axis: pan.tapeOn === 'rim' ? ([-x, -y, 0] as const) : ([0, 0, 1] as const),
      };
    }),
  );
}

/**
 * Share of a rim tape's Lambertian light that meets the mouth directly: half goes up, and what passes
 * under the far rim's edge is lost to the walls; atan(2R/h)/π of it stays above the horizon to the rim.
 */
export function directShare(pan: StripPan, layout: PanLayout): number {
  const up = Math.max(LEAST_M, pan.depthM - (layout.heightsM[0] ?? 0));
  if (pan.tapeOn === 'base') {
    const ratio = layout.radiusM / pan.depthM;
    // Lambertian centre point to a coaxial disc: R²/(R² + h²).
    return ratio ** 2 / (1 + ratio ** 2);
  }
  return 0.5 * (1 - up / Math.hypot(up, 2 * layout.radiusM));
}
