import type { FrameData } from './frame';
import type { Outline } from './outline';
import { registration, type Registration } from './register';

export interface Comparison {
  registration: Registration;
  /** the second over the first where neither is clipped nor black, stops, exposure taken out; null where nothing is left */
  stops: number | null;
  /** the same by cells of a coarser map; NaN where a cell is clipped or black in either */
  map: { columns: number; rows: number; stops: Float32Array<ArrayBuffer> };
}

/** Darker than this is noise, linear. */
const DARK = 0.0008;

/** Whether two pictures can be laid over each other at all. */
export const sameShape = (
  first: Pick<FrameData, 'width' | 'height'>,
  second: Pick<FrameData, 'width' | 'height'>,
): boolean => Math.abs((first.width * second.height) / (first.height * second.width) - 1) < 0.01;

/** What two pictures differ by. @param exposureStops  the second gathered so much more; 0 where nobody knows */
export function compareFrames(first: Outline, second: Outline, exposureStops: number): Comparison {
  const { columns, rows, light: a } = first.map;
  const b = second.map;
  // Shapes that are all but the same may differ by a cell.
  const over = (at: number) => {
    const row = Math.floor((Math.floor(at / columns) * b.rows) / rows);
    const column = Math.floor(((at % columns) * b.columns) / columns);
    return b.light[row * b.columns + column]!;
  };
  const stops = new Float32Array(columns * rows).fill(NaN);
  let [sumA, sumB] = [0, 0];
  for (let at = 0; at < stops.length; at++) {
    const [one, other] = [a[at]!, over(at)];
    if (!(one > DARK && other > DARK)) continue;
    stops[at] = Math.log2(other / one) - exposureStops;
    sumA += one;
    sumB += other;
  }
  return {
    registration: registration(first, second),
    stops: sumA > 0 ? Math.log2(sumB / sumA) - exposureStops : null,
    map: { columns, rows, stops },
  };
}
