import { lightAt, type FrameData } from './frame';
import { luminanceOf, MID_LINEAR } from './tone';

/** In shares of a picture's width and height, from its upper left. */
export interface Area {
  x: number;
  y: number;
  w: number;
  h: number;
}

export interface BoxFigures {
  /** mean linear light; 1 is white */
  light: number;
  /** over an 18 % card that is exposed as a meter wants it, stops */
  stops: number;
  rgb: readonly [number, number, number];
  clippedShare: number;
  /** standard deviation of single pixels, as a share of the light; null where pixels were not counted one by one */
  noise: number | null;
}

/** Cells a box lies over, at least one: from, and to before. */
function cellsOf({ columns, rows }: FrameData, { x, y, w, h }: Area) {
  const span = (from: number, length: number, cells: number): [number, number] => {
    const first = Math.min(cells - 1, Math.max(0, Math.round(from * cells)));
    return [first, Math.max(first + 1, Math.min(cells, Math.round((from + length) * cells)))];
  };
  return { across: span(x, w, columns), down: span(y, h, rows) };
}

/** What a box holds. */
export function boxFigures(frame: FrameData, area: Area): BoxFigures {
  const { across, down } = cellsOf(frame, area);
  const { rgb, variance, clipped, columns } = frame;
  const sum = [0, 0, 0];
  let [clippedSum, within, count] = [0, 0, 0];
  for (let row = down[0]; row < down[1]; row++)
    for (let column = across[0]; column < across[1]; column++) {
      const at = row * columns + column;
      for (let c = 0; c < 3; c++) sum[c]! += rgb[3 * at + c]!;
      clippedSum += clipped[at]!;
      within += variance[at]!;
      count++;
    }
  const [r, g, b] = sum.map((each) => each / count) as [number, number, number];
  const light = Math.max(1e-9, luminanceOf(r, g, b));
  return {
    light,
    stops: Math.log2(light / MID_LINEAR),
    rgb: [r, g, b],
    clippedShare: clippedSum / count / 255,
    // One pixel to a cell has nothing to vary against.
    noise: frame.columns === frame.width ? null : Math.sqrt(within / count) / light,
  };
}

export interface AreaEvenness {
  /** half of log2(brightest/darkest) of the parts */
  plusMinusStops: number;
  columns: number;
  rows: number;
  /** stops about the mean, row by row */
  stops: number[];
}

/** Parts a box is told in, across and down; fewer where it is small. */
const PARTS = { across: 16, down: 12 } as const;

/** How even a box is: parts of it large enough that noise averages out. */
export function evennessIn(frame: FrameData, area: Area): AreaEvenness {
  const { across, down } = cellsOf(frame, area);
  const columns = Math.min(PARTS.across, across[1] - across[0]);
  const rows = Math.min(PARTS.down, down[1] - down[0]);
  const edge = ([from, to]: [number, number], k: number, parts: number) =>
    from + Math.round((k * (to - from)) / parts);
  const lights = Array.from({ length: columns * rows }, (_, part) => {
    const [column, row] = [part % columns, Math.floor(part / columns)];
    let [sum, count] = [0, 0];
    for (let r = edge(down, row, rows); r < edge(down, row + 1, rows); r++)
      for (let c = edge(across, column, columns); c < edge(across, column + 1, columns); c++) {
        sum += lightAt(frame, r * frame.columns + c);
        count++;
      }
    return Math.max(1e-9, sum / count);
  });
  const mean = lights.reduce((sum, light) => sum + light, 0) / lights.length;
  return {
    plusMinusStops: Math.log2(Math.max(...lights) / Math.min(...lights)) / 2,
    columns,
    rows,
    stops: lights.map((light) => Math.log2(light / mean)),
  };
}
