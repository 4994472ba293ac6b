import type { FormContext } from '../form';
import { partOf } from '../kit/lookup';
import { cutMarkOf, cutRows, stripOf } from '../kit/tape';
import type { Overhead } from './parameters';

/** A row of tape ends so far from the pipe. */
const ROW_END_M = 0.05;

const STICK_M = 6;

export interface FrameLayout {
  /** cross bars between the two long sides, ends not counted */
  bars: number;
  /** x of every bar, from the frame's middle */
  barsX: number[];
  rowsY: number[];
  rowM: number;
  rows: ReturnType<typeof cutRows>;
  /** lengths of pipe by name, longer than a stick already split */
  pipes: { id: string; name: string; lengthM: number; count: number }[];
  joints: { elbow: number; tee: number; cross: number; couplers: number };
  pipeM: number;
}

/** Lengths that make up one straight run from sticks, as even as can be. */
function runPieces(lengthM: number, stockM: number): { lengthM: number; count: number } {
  const count = Math.max(1, Math.ceil(lengthM / stockM - 1e-9));
  return { lengthM: lengthM / count, count };
}

export function layoutFrame(frame: Overhead, context: FormContext): FrameLayout {
  const { widthM, heightM, barSpacingM } = frame;
  const strip = stripOf(frame, context);
  const stock = partOf(context, frame.pipePartId, 'stick')?.stockLengthM ?? STICK_M;
  const bars = Math.max(0, Math.ceil(widthM / barSpacingM - 1e-9) - 1);
  const barsX = Array.from(
    { length: bars },
    (_, k) => -widthM / 2 + (widthM * (k + 1)) / (bars + 1),
  );
  const fit = Math.max(1, Math.floor((heightM - 2 * ROW_END_M) / frame.rowPitchM + 1e-9) + 1);
  const count = Math.min(frame.rows, fit);
  const rowM = widthM - 2 * ROW_END_M;
  // Tees part the long sides at every bar.
  const side = runPieces(widthM / (bars + 1), stock);
  const end = runPieces(heightM, stock);
  return {
    bars,
    barsX,
    rowsY: Array.from({ length: count }, (_, k) => ((count - 1) / 2 - k) * frame.rowPitchM),
    rowM,
    rows: cutRows(Array<number>(count).fill(rowM), frame.tapeLengthM, cutMarkOf(strip)),
    pipes: [
      {
        id: 'side',
        name: 'Side between joints',
        lengthM: side.lengthM,
        count: 2 * (bars + 1) * side.count,
      },
      { id: 'end', name: 'End', lengthM: end.lengthM, count: 2 * end.count },
      ...(bars
        ? [{ id: 'cross-bar', name: 'Cross bar', lengthM: end.lengthM, count: bars * end.count }]
        : []),
    ],
    joints: {
      elbow: 4,
      tee: 2 * bars,
      cross: 0,
      couplers: (end.count - 1) * (2 + bars) + (side.count - 1) * 2 * (bars + 1),
    },
    pipeM: 2 * widthM + (2 + bars) * heightM,
  };
}
