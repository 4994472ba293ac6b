import { clamp } from '../tolerance';
import { lightAt, type FrameData } from './frame';

interface Segment {
  x1: number;
  y1: number;
  x2: number;
  y2: number;
}

export interface ShadowEdge {
  /** from nine tenths of the light to one tenth, as a share of the picture's width */
  width: number;
  /** the whole half-shadow of an even source's straight edge: 1.25 of it [worked: a ramp] */
  halfShadow: number;
  /** light side over shadow side, stops */
  contrastStops: number;
}

const STEPS = 400;
/** Beside the line, cells either way: what is averaged there takes noise out. */
const BESIDE = 2;
/** Ends of the line that are taken as all lit and all shaded. */
const ENDS = 0.12;
/** A step smaller than this is no shadow, stops. */
const LEAST_CONTRAST = 0.15;

function profile(frame: FrameData, { x1, y1, x2, y2 }: Segment): number[] {
  const { columns, rows } = frame;
  const [ax, ay, bx, by] = [x1 * columns, y1 * rows, x2 * columns, y2 * rows];
  const length = Math.hypot(bx - ax, by - ay) || 1;
  const [nx, ny] = [-(by - ay) / length, (bx - ax) / length];
  return Array.from({ length: STEPS + 1 }, (_, k) => {
    const t = k / STEPS;
    let sum = 0;
    for (let beside = -BESIDE; beside <= BESIDE; beside++)
      sum += between(
        frame,
        ax + (bx - ax) * t + nx * beside - 0.5,
        ay + (by - ay) * t + ny * beside - 0.5,
      );
    return sum / (2 * BESIDE + 1);
  });
}

/** Light between four cells. */
function between(frame: FrameData, x: number, y: number): number {
  const { columns, rows } = frame;
  const [cx, cy] = [clamp(x, 0, columns - 1), clamp(y, 0, rows - 1)];
  const [left, up] = [Math.floor(cx), Math.floor(cy)];
  const [right, low] = [Math.min(columns - 1, left + 1), Math.min(rows - 1, up + 1)];
  const [fx, fy] = [cx - left, cy - up];
  const at = (column: number, row: number) => lightAt(frame, row * columns + column);
  return (
    (at(left, up) * (1 - fx) + at(right, up) * fx) * (1 - fy) +
    (at(left, low) * (1 - fx) + at(right, low) * fx) * fy
  );
}

const median = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** Where a profile that goes from 1 to 0 first falls to a share, and last was above it: the middle of both. */
function crossing(values: readonly number[], share: number): number {
  const first = values.findIndex((value) => value <= share);
  const last = values.findLastIndex((value) => value > share);
  const at = (k: number) => {
    const [a, b] = [values[k - 1]!, values[k]!];
    return k - 1 + (a === b ? 0.5 : (a - share) / (a - b));
  };
  if (first <= 0) return last + 0.5;
  return (at(first) + (last + 1 < values.length ? at(last + 1) : first)) / 2;
}

/** How wide the edge of a shadow is along a line from light to shade; null where the line crosses none. */
export function shadowEdge(frame: FrameData, line: Segment): ShadowEdge | null {
  const raw = profile(frame, line);
  const ends = Math.round(ENDS * STEPS);
  const [start, end] = [median(raw.slice(0, ends)), median(raw.slice(-ends))];
  const [lit, shade] = [Math.max(start, end), Math.max(1e-9, Math.min(start, end))];
  const contrastStops = Math.log2(lit / shade);
  if (contrastStops < LEAST_CONTRAST) return null;
  const falling = (start >= end ? raw : raw.toReversed()).map(
    (light) => (light - shade) / (lit - shade),
  );
  const aspect = frame.height / frame.width;
  const length = Math.hypot(line.x2 - line.x1, (line.y2 - line.y1) * aspect);
  const width = ((crossing(falling, 0.1) - crossing(falling, 0.9)) / STEPS) * length;
  return { width, halfShadow: width / 0.8, contrastStops };
}
