import type { FormContext } from '../form';
import { mm } from '../../quantity';
import { continuousRows, cutMarkOf, stripOf, tapeWidthOf, type TapeRows } from '../kit/tape';
import type { Problem } from '../../result';
import type { StripRing } from './parameters';
import { LEDS_PER_M } from '../kit/typical';

/** More rows than this are no ring. */
const MOST_ROWS = 500;

export interface StripRingLayout {
  outerRadiusM: number;
  innerRadiusM: number;
  /** radius of the middle of the tape, in laying order */
  radiiM: number[];
  rows: TapeRows;
  /** where the tape ends, clockwise from the top */
  endRad: number;
  endRadiusM: number;
  dotPitchM: number;
}

/** Rows that fit between the edges, the tape's whole width on the board. */
export function rowRadii(ring: StripRing, tapeWidthM: number): number[] {
  const [r, R] = [ring.innerDiameterM / 2, ring.outerDiameterM / 2];
  const room = R - r - tapeWidthM;
  if (room < -1e-9) return [];
  const count = Math.min(MOST_ROWS, Math.floor(room / ring.rowPitchM + 1e-9) + 1);
  const radii = Array.from({ length: count }, (_, k) => r + tapeWidthM / 2 + k * ring.rowPitchM);
  return ring.startAt === 'inside' ? radii : radii.reverse();
}

export function layoutStripRing(ring: StripRing, context: FormContext): StripRingLayout {
  const strip = stripOf(ring, context);
  const radiiM = rowRadii(ring, tapeWidthOf(strip));
  const rows = continuousRows(
    radiiM.map((radius) => 2 * Math.PI * radius),
    ring.tapeLengthM,
    cutMarkOf(strip),
    ring.rowPitchM,
  );
  const last = Math.max(0, rows.rowsM.length - 1);
  const endRadiusM = radiiM[last] ?? ring.innerDiameterM / 2;
  return {
    outerRadiusM: ring.outerDiameterM / 2,
    innerRadiusM: ring.innerDiameterM / 2,
    radiiM,
    rows,
    endRad: (rows.rowsM[last] ?? 0) / endRadiusM,
    endRadiusM,
    dotPitchM: 1 / (strip?.ledsPerM ?? LEDS_PER_M),
  };
}

export function stripRingProblems(ring: StripRing, context: FormContext): Problem[] {
  const width = tapeWidthOf(stripOf(ring, context));
  const problems: Problem[] = [];
  if (ring.innerDiameterM > ring.outerDiameterM - 2 * width + 1e-9)
    problems.push({
      code: 'no_room',
      path: 'innerDiameterM',
      message: `No row of ${mm(width)} tape fits between Ø ${mm(ring.innerDiameterM)} and Ø ${mm(ring.outerDiameterM)}: make the inner Ø at most ${mm(Math.max(0, ring.outerDiameterM - 2 * width))}.`,
    });
  if (ring.rowPitchM < width - 1e-9)
    problems.push({
      code: 'rows_overlap',
      path: 'rowPitchM',
      message: `Rows ${mm(ring.rowPitchM)} apart overlap: the tape is ${mm(width)} wide.`,
    });
  return problems;
}
