import { Matrix, solve } from 'ml-matrix';
import { transformSquareInPlace } from './fourier';
import { EDGE, type Outline } from './outline';

// Bound by name: where globals are guarded a look-up of `Math` costs more than what it does.
const { abs, atan2, cos, exp, floor, hypot, max, min, PI, round, sqrt } = Math;

/** How a second picture lies over a first. */
export interface Registration {
  /** whether the two are of one place, through one lens, from one spot */
  verdict: 'same' | 'moved' | 'other';
  /** the second is shifted by this much, in shares of the picture's width */
  shift: readonly [number, number];
  /** the second over the first */
  scale: number;
  turnDeg: number;
  /** parts of the picture that were found again, of nine */
  found: number;
}

/** Edge of the parts that are looked for one by one. */
const PART = 64;
/** A part is found when its peak stands so many times over what lies about it. */
const PEAK = 7;
/** Under these two pictures are the same: shares of the width, of the scale, degrees. */
const STILL = { shift: 0.0025, scale: 0.004, turnDeg: 0.25 };
/** Parts that must be found, and how well they must lie together, pixels of the square. */
const [LEAST_FOUND, MOST_MISS] = [4, 1.5];

/** Ends laid down (Hann), so that an edge is no wave. */
const hann = (size: number): Float64Array =>
  Float64Array.from({ length: size }, (_, k) => 0.5 - 0.5 * cos((2 * PI * (k + 0.5)) / size));
const WINDOWS: Record<number, Float64Array> = { [EDGE]: hann(EDGE), [PART]: hann(PART) };

/** A part about a place, its mean taken out and its ends laid down; places beyond the edge repeat it. */
function part(values: Float64Array, cx: number, cy: number, size: number): Float64Array {
  const out = new Float64Array(2 * size * size);
  const window = WINDOWS[size]!;
  const [left, top] = [round(cx - size / 2), round(cy - size / 2)];
  let mean = 0;
  for (let y = 0; y < size; y++) {
    const row = min(EDGE - 1, max(0, top + y)) * EDGE;
    for (let x = 0; x < size; x++) {
      const value = values[row + min(EDGE - 1, max(0, left + x))]!;
      out[2 * (y * size + x)] = value;
      mean += value;
    }
  }
  mean /= size * size;
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++) {
      const at = 2 * (y * size + x);
      out[at] = (out[at]! - mean) * window[x]! * window[y]!;
    }
  return out;
}

interface Found {
  dx: number;
  dy: number;
  peak: number;
}

/** Where one part lies in another by phase correlation [std: Kuglin and Hines 1975; from memory]. */
function correlated(a: Float64Array, b: Float64Array, size: number): Found {
  transformSquareInPlace(a, size, false);
  transformSquareInPlace(b, size, false);
  for (let y = 0, k = 0; y < size; y++) {
    const fy = min(y, size - y);
    for (let x = 0; x < size; x++, k += 2) {
      const re = a[k]! * b[k]! + a[k + 1]! * b[k + 1]!;
      const im = a[k]! * b[k + 1]! - a[k + 1]! * b[k]!;
      // The finest waves are noise and the file's own blocks: they count less.
      const fx = min(x, size - x);
      const fine = (4 * (fx * fx + fy * fy)) / (size * size);
      const weight = exp(-4 * fine) / (sqrt(re * re + im * im) + 1e-9);
      a[k] = re * weight;
      a[k + 1] = im * weight;
    }
  }
  transformSquareInPlace(a, size, true);
  let [best, sum] = [0, 0];
  for (let k = 0; k < a.length; k += 2) {
    if (a[k]! > a[best]!) best = k;
    sum += abs(a[k]!);
  }
  const [x, y] = [(best / 2) % size, floor(best / 2 / size)];
  const at = (dx: number, dy: number) =>
    a[2 * (((y + dy + size) % size) * size + ((x + dx + size) % size))]!;
  const peakOf = (low: number, mid: number, high: number) =>
    (0.5 * (low - high)) / (low - 2 * mid + high || -1);
  const wrapped = (v: number) => (v > size / 2 ? v - size : v);
  return {
    dx: wrapped(x) + peakOf(at(-1, 0), at(0, 0), at(1, 0)),
    dy: wrapped(y) + peakOf(at(0, -1), at(0, 0), at(0, 1)),
    peak: a[best]! / max(sum / (a.length / 2), 1e-12),
  };
}

interface Pair {
  x: number;
  y: number;
  toX: number;
  toY: number;
}

/** x' = a·x − b·y + c, y' = b·x + a·y + d by least squares. */
function similarity(pairs: readonly Pair[]) {
  const rows = pairs.flatMap(({ x, y }) => [
    [x, -y, 1, 0],
    [y, x, 0, 1],
  ]);
  const goals = pairs.flatMap(({ toX, toY }) => [[toX], [toY]]);
  const [a, b, c, d] = solve(new Matrix(rows), new Matrix(goals), true).to1DArray() as [
    number,
    number,
    number,
    number,
  ];
  const miss = ({ x, y, toX, toY }: Pair) =>
    hypot(a * x - b * y + c - toX, b * x + a * y + d - toY);
  return { a, b, c, d, miss };
}

/**
 * Whether two pictures were taken from one place: nine parts of the first are looked for in the second, and a shift, a scale
 * and a turn are laid through them. Another exposure or other light does not disturb it, a face that moved is one part of nine.
 */
export function registration(first: Outline, second: Outline): Registration {
  const [a, b] = [first.square, second.square];
  const aspect = first.height / first.width;
  const whole = correlated(
    part(a, EDGE / 2, EDGE / 2, EDGE),
    part(b, EDGE / 2, EDGE / 2, EDGE),
    EDGE,
  );
  // A weak peak of the whole is no hint: parts are looked for where they were.
  const [wx, wy] = whole.peak > PEAK ? [round(whole.dx), round(whole.dy)] : [0, 0];
  const places = [-1, 0, 1].flatMap((v) => [-1, 0, 1].map((u) => [u, v] as const));
  const pairs = places.flatMap(([u, v]): Pair[] => {
    const [x, y] = [EDGE / 2 + u * 84, EDGE / 2 + v * 84];
    const found = correlated(part(a, x, y, PART), part(b, x + wx, y + wy, PART), PART);
    if (found.peak < PEAK) return [];
    // From the middle, with heights in the same measure as widths.
    const at = (px: number, py: number): [number, number] => [
      px - EDGE / 2,
      (py - EDGE / 2) * aspect,
    ];
    const [fromX, fromY] = at(x, y);
    const [toX, toY] = at(x + wx + found.dx, y + wy + found.dy);
    return [{ x: fromX, y: fromY, toX, toY }];
  });
  return judged(pairs);
}

const LOST: Registration = { verdict: 'other', shift: [0, 0], scale: 1, turnDeg: 0, found: 0 };

function judged(pairs: readonly Pair[]): Registration {
  let kept = [...pairs];
  while (kept.length >= LEAST_FOUND) {
    const fit = similarity(kept);
    const worst = kept.reduce((far, each) => (fit.miss(each) > fit.miss(far) ? each : far));
    if (fit.miss(worst) <= MOST_MISS) {
      const scale = hypot(fit.a, fit.b);
      const turnDeg = (atan2(fit.b, fit.a) * 180) / Math.PI;
      const shift = [fit.c / EDGE, fit.d / EDGE] as const;
      const still =
        hypot(...shift) < STILL.shift &&
        abs(scale - 1) < STILL.scale &&
        abs(turnDeg) < STILL.turnDeg;
      return { verdict: still ? 'same' : 'moved', shift, scale, turnDeg, found: kept.length };
    }
    kept = kept.filter((each) => each !== worst);
  }
  return { ...LOST, found: kept.length };
}
