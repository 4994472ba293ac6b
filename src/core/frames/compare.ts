import { lightAt, type FrameData } from './frame';
import { registration, type Registration } from './register';

export interface Comparison {
  registration: Registration;
  /** the second over the first where neither is clipped nor black, stops, exposure taken out; null where nothing is left */
  stops: number | null;
  /** the same by cells of a coarser map; NaN where a cell is clipped or black in either */
  map: { columns: number; rows: number; stops: Float32Array<ArrayBuffer> };
}

/** Cells of the map along the longer edge. */
const MAP_EDGE = 160;
/** Darker than this is noise, linear. */
const DARK = 0.0008;

/** Whether two pictures can be laid over each other at all. */
export const sameShape = (
  first: Pick<FrameData, 'width' | 'height'>,
  second: Pick<FrameData, 'width' | 'height'>,
): boolean => Math.abs((first.width * second.height) / (first.height * second.width) - 1) < 0.01;

/** What two pictures differ by. @param exposureStops  the second gathered so much more; 0 where nobody knows */
export function compareFrames(
  first: FrameData,
  second: FrameData,
  exposureStops: number,
): Comparison {
  const scale = MAP_EDGE / Math.max(first.columns, first.rows);
  const [columns, rows] = [first.columns, first.rows].map((cells) =>
    Math.max(1, Math.min(cells, Math.round(cells * scale))),
  ) as [number, number];
  const a = mapped(first, columns, rows);
  const b = mapped(second, columns, rows);
  const stops = new Float32Array(columns * rows).fill(NaN);
  let [sumA, sumB] = [0, 0];
  for (let at = 0; at < stops.length; at++) {
    if (!(a[at]! > DARK && b[at]! > DARK)) continue;
    stops[at] = Math.log2(b[at]! / a[at]!) - exposureStops;
    sumA += a[at]!;
    sumB += b[at]!;
  }
  return {
    registration: registration(first, second),
    stops: sumA > 0 ? Math.log2(sumB / sumA) - exposureStops : null,
    map: { columns, rows, stops },
  };
}

/** Mean light of coarser cells; NaN where any of it is clipped. */
function mapped(frame: FrameData, columns: number, rows: number): Float32Array {
  const sums = new Float32Array(columns * rows);
  const counts = new Uint32Array(columns * rows);
  const across = Uint32Array.from({ length: frame.columns }, (_, column) =>
    Math.floor((column * columns) / frame.columns),
  );
  for (let row = 0; row < frame.rows; row++)
    for (let column = 0; column < frame.columns; column++) {
      const from = row * frame.columns + column;
      const to = Math.floor((row * rows) / frame.rows) * columns + across[column]!;
      sums[to]! += frame.clipped[from]! > 0 ? NaN : lightAt(frame, from);
      counts[to]!++;
    }
  return sums.map((sum, at) => sum / counts[at]!);
}
