import type { FormContext } from '../form';
import { partOf } from '../kit/lookup';
import { cutMarkOf, cutRows, stripOf } from '../kit/tape';
import type { Framework } from '../../build/framework';
import type { StickPiece } from '../../build/pieces';
import { Pipework } from '../kit/pipework';
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
  pieces: StickPiece[];
  framework: Framework;
  pipeM: number;
}

/** Corners and tees, and the pipes between them; the plan is the light's own plane. */
function pipework(frame: Overhead, barsX: readonly number[], stockM: number) {
  const { widthM, heightM, pipePartId, takeOffM } = frame;
  const frames = new Pipework({
    id: 'frame',
    name: 'Frame',
    partId: pipePartId,
    stockM,
    takeOffM,
    field: 'takeOffM',
    ref: 'frame',
  });
  const [x, y] = [widthM / 2, heightM / 2];
  const along = (side: number) => [
    frames.joint('elbow', [-x, side * y, 0]),
    ...barsX.map((at) => frames.joint('tee', [at, side * y, 0])),
    frames.joint('elbow', [x, side * y, 0]),
  ];
  const [low, high] = [along(-1), along(1)];
  for (const side of [low, high])
    for (let k = 1; k < side.length; k++)
      frames.run('side', 'Side between joints', side[k - 1]!, side[k]!);
  low.forEach((from, k) => {
    const outer = k === 0 || k === low.length - 1;
    frames.run(outer ? 'end' : 'cross-bar', outer ? 'End' : 'Cross bar', from, high[k]!);
  });
  return frames.finished();
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
  return {
    bars,
    barsX,
    rowsY: Array.from({ length: count }, (_, k) => ((count - 1) / 2 - k) * frame.rowPitchM),
    rowM,
    rows: cutRows(Array<number>(count).fill(rowM), frame.tapeLengthM, cutMarkOf(strip)),
    ...pipework(frame, barsX, stock),
    pipeM: 2 * widthM + (2 + bars) * heightM,
  };
}
