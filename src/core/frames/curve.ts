import { Matrix, solve } from 'ml-matrix';
import { accept, refuse, type Result } from '../result';
import { CRUSHED, SAMPLES } from './frame';
import { MID_VALUE } from './tone';

/** One frame of a bracket: values of the same places, and how long it was exposed. */
export interface Bracketed {
  /** red, green, blue by place, as a frame keeps them */
  samples: Uint8Array;
  exposureS: number;
}

/** How much smoothness counts against single values [std: Debevec and Malik 1997, λ; the number is tried]. */
const SMOOTH = 40;
const [LEAST_FRAMES, PLACES] = [3, 60];
/** Shutters must span this much, stops. */
const LEAST_SPAN = 2;

/** Values in the middle are trusted most [std: Debevec and Malik 1997, eq. 4]. */
const trust = (value: number): number => (value <= 127 ? value : 255 - value) + 1e-3;

export interface CameraCurve {
  /** ln of the exposure that gives each of 256 values; 0 at the middle value */
  curve: number[];
  /** what single values miss the curve by, stops */
  missStops: number;
}

/** Places spread over the light of the scene, green alone: clipped or black in all frames tells nothing. */
function chosenPlaces(frames: readonly Bracketed[]): number[] {
  const green = Array.from({ length: SAMPLES.across * SAMPLES.down }, (_, k) => 3 * k + 1);
  const tells = green.filter(
    (at) =>
      frames.filter(({ samples }) => samples[at]! > CRUSHED && samples[at]! < 250).length >= 2,
  );
  const sums = new Map(
    tells.map((at) => [at, frames.reduce((sum, { samples }) => sum + samples[at]!, 0)]),
  );
  const sorted = tells.toSorted((a, b) => sums.get(a)! - sums.get(b)!);
  const step = Math.max(1, sorted.length / PLACES);
  return Array.from(
    { length: Math.min(PLACES, sorted.length) },
    (_, k) => sorted[Math.floor(k * step)]!,
  );
}

/**
 * The camera's own curve from frames of anything that holds still, shutter apart [std: Debevec and Malik 1997]: least squares
 * on ln E and the curve, smooth, 0 in the middle.
 */
export function responseCurve(frames: readonly Bracketed[]): Result<CameraCurve> {
  const times = frames.map(({ exposureS }) => Math.log(exposureS));
  const span = (Math.max(...times) - Math.min(...times)) / Math.LN2;
  if (frames.length < LEAST_FRAMES || span < LEAST_SPAN)
    return refuse(
      'few',
      'A curve wants at least three frames of the same still scene, two stops apart or more from the shortest shutter to the longest; five a stop apart are good.',
      'frames',
    );
  const places = chosenPlaces(frames);
  if (places.length < PLACES / 4)
    return refuse(
      'flat',
      'Too little of the scene is neither black nor clipped in two of the frames: take one with dark and bright parts.',
      'frames',
    );
  const unknowns = 256 + places.length;
  const rows: number[][] = [];
  const goals: number[] = [];
  const row = (weights: readonly (readonly [number, number])[], goal: number) => {
    const line = new Array<number>(unknowns).fill(0);
    for (const [at, weight] of weights) line[at] = weight;
    rows.push(line);
    goals.push(goal);
  };
  places.forEach((at, place) =>
    frames.forEach(({ samples }, k) => {
      const value = samples[at]!;
      const weight = trust(value);
      row(
        [
          [value, weight],
          [256 + place, -weight],
        ],
        weight * times[k]!,
      );
    }),
  );
  row([[MID_VALUE, 1000]], 0);
  for (let value = 1; value < 255; value++) {
    const weight = SMOOTH * trust(value);
    row(
      [
        [value - 1, weight],
        [value, -2 * weight],
        [value + 1, weight],
      ],
      0,
    );
  }
  // The normal equations are small and well laid by the smoothness: a quarter of the work of the whole table.
  const table = new Matrix(rows);
  const turned = table.transpose();
  const found = solve(turned.mmul(table), turned.mmul(Matrix.columnVector(goals))).to1DArray();
  const curve = rising(found.slice(0, 256));
  const misses = places.flatMap((at, place) =>
    frames.flatMap(({ samples }, k) => {
      const value = samples[at]!;
      return value > 10 && value < 245
        ? [(curve[value]! - found[256 + place]! - times[k]!) / Math.LN2]
        : [];
    }),
  );
  const missStops = Math.sqrt(misses.reduce((sum, miss) => sum + miss * miss, 0) / misses.length);
  return missStops > MOST_MISS
    ? refuse(
        'moved',
        `The frames do not lie on one curve (${missStops.toFixed(2)} stops apart): the scene, the light or the iris changed between them, or the times are not those of the file.`,
        'frames',
      )
    : accept({ curve, missStops });
}
const MOST_MISS = 0.35;

/** More light never gives less of a value. */
const rising = (curve: readonly number[]): number[] => {
  const out = [...curve];
  for (let value = 1; value < 256; value++) out[value] = Math.max(out[value]!, out[value - 1]!);
  return out.map((ln) => Number((ln - out[MID_VALUE]!).toPrecision(6)));
};
