import { Matrix, solve } from 'ml-matrix';
import { toRadians } from '../angle';
import { amplitudes, powerOfTwo } from './fourier';

// Bound by name: where globals are guarded a look-up of `Math` costs more than what it does.
const { cos, hypot, PI, sin } = Math;

export interface Bands {
  /** across the picture, from the first row that is read to the last */
  perFrame: number;
  /** of the light; null where nobody knows how long the camera reads out */
  frequencyHz: number | null;
  /** (max − min)/(max + min) as the frame shows it: averaged over the exposure */
  seen: number;
  /** of the light's own wave, at this frequency alone; null where exposure or read-out is not known */
  own: number | null;
  /** exposures that hold whole periods, the longest first; empty where the frequency is not known */
  cleanS: number[];
}

export interface BandsGiven {
  /** mean light by row in the order the camera reads them, one list for each frame */
  frames: readonly ArrayLike<number>[];
  /** the same scene without bands; null where there is none */
  reference: ArrayLike<number> | null;
  readOutS: number | null;
  exposureS: number | null;
  /** the same rows in strips from one side to the other, of a lone frame: bands go right across; null where nobody laid them */
  strips?: readonly ArrayLike<number>[] | null;
}

/** Fewer than this over a whole picture are shading, not bands; of a lone frame, whose scene lies in the way, more. */
const [LEAST, LEAST_ALONE] = [0.8, 1.6];
/** Bands stand out of their neighbourhood by this much, and are at least this strong. */
const [STANDS_OUT, LEAST_SHARE] = [6, 0.0015];
/** Half-width of the neighbourhood, in whole waves. */
const BESIDE = 12;

const ln = (rows: ArrayLike<number>): Float64Array =>
  Float64Array.from(rows, (light) => Math.log(Math.max(light, 1e-7)));

/** What is left of each frame when the scene is taken out: by a reference, by what all frames share, or by a slow curve. */
function withoutScene({ frames, reference }: BandsGiven): Float64Array[] {
  const logs = frames.map(ln);
  if (reference) {
    const scene = ln(reference);
    return logs.map((rows) => rows.map((value, y) => value - scene[y]!));
  }
  if (logs.length > 1) {
    const scene = logs[0]!.map(
      (_, y) => logs.reduce((sum, rows) => sum + rows[y]!, 0) / logs.length,
    );
    return logs.map((rows) => rows.map((value, y) => value - scene[y]!));
  }
  return logs;
}

/** Its side lobes lie 58 dB down: shading is no wave through them [std: Blackman]. */
const blackman = (t: number): number => 0.42 - 0.5 * cos(2 * PI * t) + 0.08 * cos(4 * PI * t);

/** A straight line is taken out, and the ends laid down, so that a picture's edge is no wave. */
function windowed(rows: Float64Array): Float64Array {
  const count = rows.length;
  const middle = (count - 1) / 2;
  const mean = rows.reduce((sum, value) => sum + value, 0) / count;
  let [slope, square] = [0, 0];
  rows.forEach((value, y) => {
    slope += (y - middle) * (value - mean);
    square += (y - middle) ** 2;
  });
  return rows.map(
    (value, y) => (value - mean - (slope / square) * (y - middle)) * blackman(y / (count - 1)),
  );
}

/** The strongest wave between two counts, told by its neighbourhood; null where none stands out. */
function strongest(
  power: Float64Array,
  binsAWave: number,
  from: number,
  to: number,
): number | null {
  let best: { bin: number; over: number } | null = null;
  for (let bin = Math.max(1, Math.ceil(from * binsAWave)); bin <= to * binsAWave; bin++) {
    const here = power[bin]!;
    if (here < LEAST_SHARE || here < power[bin - 1]! || here < (power[bin + 1] ?? 0)) continue;
    const around: number[] = [];
    for (let k = 3; k <= BESIDE; k++)
      for (const at of [bin - k * binsAWave, bin + k * binsAWave]) {
        const value = power[Math.round(at)];
        if (at > 0 && value !== undefined) around.push(value);
      }
    const median = around.toSorted((a, b) => a - b)[Math.floor(around.length / 2)] ?? 0;
    const over = here / Math.max(median, 1e-12);
    if (over > STANDS_OUT && (!best || here > power[best.bin]!)) best = { bin, over };
  }
  if (!best) return null;
  const [a, b, c] = [-1, 0, 1].map((k) => Math.log(Math.max(power[best.bin + k]!, 1e-12)));
  const shift = (0.5 * (a! - c!)) / (a! - 2 * b! + c! || -1);
  return (best.bin + shift) / binsAWave;
}

/** Spectrum lines to a whole wave: the wave is found between them by a parabola. */
const FINER = 4;

/**
 * Bands that a rolling shutter makes of light that swings: how many, how strong, and of which frequency. Null where nothing
 * stands out of the scene. One frame cannot tell stripes of the scene from bands: a reference, or several frames, can.
 */
export function bandsOf(given: BandsGiven): Bands | null {
  const rows = withoutScene(given);
  const [first] = rows;
  if (!first || first.length < 32) return null;
  const size = powerOfTwo(FINER * first.length);
  const binsAWave = size / first.length;
  // What all frames share is gone, and a little of every wave with it: n frames of any phase keep (n − 1)/n of its power.
  const kept = given.reference || rows.length === 1 ? 1 : (rows.length - 1) / rows.length;
  const power = new Float64Array(size / 2 + 1);
  for (const each of rows)
    amplitudes(windowed(each), size).forEach((value, k) => {
      // The window leaves 0.42 of a wave's height; a wave of height 1 is a line of count/2.
      power[k]! += ((2 * value) / 0.42 / each.length) ** 2 / rows.length / kept;
    });
  const heights = power.map(Math.sqrt);
  const alone = !given.reference && rows.length === 1;
  const found = strongest(heights, binsAWave, alone ? LEAST_ALONE : LEAST, first.length / 8);
  if (found === null) return null;
  const waves = nearest(rows, found);
  const share = rootMean(rows.map((each) => waveIn(each, waves).share)) / Math.sqrt(kept);
  if (share < LEAST_SHARE) return null;
  if (alone && given.strips && !goesAcross(given.strips, waves)) return null;
  const { readOutS, exposureS } = given;
  const frequencyHz = readOutS === null ? null : waves / readOutS;
  const seen = Math.tanh(share);
  return {
    perFrame: waves,
    frequencyHz,
    seen,
    own: frequencyHz === null || exposureS === null ? null : ownOf(seen, frequencyHz * exposureS),
    cleanS: frequencyHz === null ? [] : [4, 3, 2, 1].map((periods) => periods / frequencyHz),
  };
}

const rootMean = (values: readonly number[]): number =>
  Math.sqrt(values.reduce((sum, value) => sum + value * value, 0) / values.length);

interface Wave {
  share: number;
  /** of the cosine and the sine about the middle row */
  parts: readonly [number, number];
  /** what it leaves */
  miss: number;
}

/** A strip shows the wave when it has this much of the mean there; one strip may have something of its own. */
const ACROSS = 0.4;
/** Rows to a wave under which a strip cannot show it. */
const ROWS_A_WAVE = 4;

/** Whether a wave lies in all strips of a picture alike, as bands do; what stands in the scene does not. */
function goesAcross(strips: readonly ArrayLike<number>[], waves: number): boolean {
  if (strips.some(({ length }) => length < ROWS_A_WAVE * waves)) return true;
  const parts = strips.map((rows) => waveIn(ln(rows), waves).parts);
  const mean = [0, 1].map((k) => parts.reduce((sum, part) => sum + part[k]!, 0) / parts.length);
  const size = hypot(...mean);
  const along = parts.map(([c, s]) => (c * mean[0]! + s * mean[1]!) / size);
  return along.filter((part) => part < ACROSS * size).length <= 1;
}

/** One wave and a straight line laid through rows by least squares, the middle counting most (Hann). */
function waveIn(rows: Float64Array, waves: number): Wave {
  const count = rows.length;
  // Normal equations of 1, y, cos and sin; a kernel of four by five.
  const normal = new Matrix(4, 4);
  const goal = new Matrix(4, 1);
  const sums = new Float64Array(20);
  let total = 0;
  for (let k = 0; k < count; k++) {
    const y = (k - (count - 1) / 2) / count;
    const weight = 0.5 - 0.5 * cos((2 * PI * k) / (count - 1));
    const [c, s] = [cos(2 * PI * waves * y), sin(2 * PI * waves * y)];
    const v = rows[k]!;
    const basis = [1, y, c, s, v];
    for (let a = 0, at = 0; a < 4; a++)
      for (let b = a; b < 5; b++, at++) sums[at]! += weight * basis[a]! * basis[b]!;
    total += weight * v * v;
  }
  for (let a = 0, at = 0; a < 4; a++)
    for (let b = a; b < 5; b++, at++)
      if (b === 4) goal.set(a, 0, sums[at]!);
      else {
        normal.set(a, b, sums[at]!);
        normal.set(b, a, sums[at]!);
      }
  const found = solve(normal, goal).to1DArray();
  const explained = found.reduce((sum, value, a) => sum + value * goal.get(a, 0), 0);
  return {
    share: hypot(found[2]!, found[3]!),
    parts: [found[2]!, found[3]!],
    miss: total - explained,
  };
}

/** The count of waves that leaves least, within half a wave of where the spectrum stands highest. */
function nearest(rows: readonly Float64Array[], about: number): number {
  const miss = (waves: number) => rows.reduce((sum, each) => sum + waveIn(each, waves).miss, 0);
  let [low, high] = [Math.max(0.3, about - 0.5), about + 0.5];
  while (high - low > 0.004) {
    const [a, b] = [low + (high - low) * 0.382, low + (high - low) * 0.618];
    if (miss(a) < miss(b)) high = b;
    else low = a;
  }
  return (low + high) / 2;
}

/** An exposure that holds so nearly whole periods shows too little to tell the wave by. */
const TOO_CLEAN = 0.05;

/** The wave's own modulation from what is left of it after averaging over so many periods. */
function ownOf(seen: number, periods: number): number | null {
  const left = Math.abs(Math.sin(toRadians(180 * periods)) / (Math.PI * periods));
  return left < TOO_CLEAN ? null : Math.min(1, seen / left);
}
