import { lightAt, type FrameData } from './frame';

// Bound by name: where globals are guarded a look-up of `Math` costs more than what it does.
const { floor, log, max, min } = Math;

/** What two pictures are compared by: small enough to be handed about. */
export interface Outline {
  /** of the picture, pixels */
  width: number;
  height: number;
  /** light of coarse cells; NaN where any of it is clipped */
  map: { columns: number; rows: number; light: Float32Array<ArrayBuffer> };
  /** light on a square of `EDGE`, in logarithms */
  square: Float64Array<ArrayBuffer>;
}

/** Edge of the square pictures are laid on. */
export const EDGE = 256;
/** Cells of the map along the longer edge. */
const MAP_EDGE = 160;

export const outlineOf = (frame: FrameData): Outline => ({
  width: frame.width,
  height: frame.height,
  map: mapOf(frame),
  square: squareOf(frame),
});

/** Light on a square, in logarithms, so that another exposure changes nothing but their mean. */
function squareOf(frame: FrameData): Float64Array<ArrayBuffer> {
  const { columns, rows } = frame;
  const light = new Float64Array(columns * rows);
  for (let at = 0; at < light.length; at++) light[at] = lightAt(frame, at);
  const values = new Float64Array(EDGE * EDGE);
  for (let y = 0; y < EDGE; y++) {
    const cy = max(0, ((y + 0.5) * rows) / EDGE - 0.5);
    const up = floor(cy) * columns;
    const low = min(rows - 1, floor(cy) + 1) * columns;
    const fy = cy - floor(cy);
    for (let x = 0; x < EDGE; x++) {
      const cx = max(0, ((x + 0.5) * columns) / EDGE - 0.5);
      const left = floor(cx);
      const right = min(columns - 1, left + 1);
      const fx = cx - left;
      const upper = light[up + left]! * (1 - fx) + light[up + right]! * fx;
      const lower = light[low + left]! * (1 - fx) + light[low + right]! * fx;
      values[y * EDGE + x] = log(max(upper * (1 - fy) + lower * fy, 1e-4));
    }
  }
  return values;
}

/** Mean light of coarser cells; NaN where any of it is clipped. */
function mapOf(frame: FrameData): Outline['map'] {
  const scale = MAP_EDGE / Math.max(frame.columns, frame.rows);
  const [columns, rows] = [frame.columns, frame.rows].map((cells) =>
    Math.max(1, Math.min(cells, Math.round(cells * scale))),
  ) as [number, number];
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
  return { columns, rows, light: sums.map((sum, at) => sum / counts[at]!) };
}
