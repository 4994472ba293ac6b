import type { Arrangement } from './arrangement';
import { surveyPart } from '../field/survey';
import { traceChunkInPlace } from './kernel';
import { packArrangement, type PackedArrangement } from './pack';
import { readTally, type Transported } from './result';
import { addTallyInPlace, emptyTally, SURVEY_PARTS, type Tally } from './tally';

/**
 * Photons of one chunk. Chunks are the unit of work: each has a stream of its own, so that the sum
 * depends on the seed and the photon count only. Short ones also run optimised from early on.
 */
export const CHUNK_PHOTONS = 20_000;
export const MOST_PHOTONS = 50_000_000;
export const MOST_EMITTERS = 100_000;

export interface Run {
  photons: number;
  seed: number;
}

/**
 * What the ladder, the files, the mouth's map and the command line follow unless told otherwise: the light that leaves is known
 * to 0.1 %, most cells of the map to 2 %.
 */
export const READOUT_RUN: Run = { photons: 400_000, seed: 1 };

/** Photons of chunk k of a run; the last one is what is left. */
const chunkPhotons = (photons: number, chunk: number): number =>
  Math.max(0, Math.min(CHUNK_PHOTONS, photons - chunk * CHUNK_PHOTONS));

export const chunksOf = (photons: number): number => Math.ceil(photons / CHUNK_PHOTONS);

/** Every `of`-th chunk from `first` on: one worker's part of a run. */
export function tracePart(
  packed: PackedArrangement,
  { photons, seed }: Run,
  first: number,
  last: number,
): Tally {
  const tally = emptyTally(packed);
  for (let chunk = first; chunk < last; chunk++) {
    traceChunkInPlace(tally, packed, seed, chunk, chunkPhotons(photons, chunk));
    // With each of the first chunks goes a part of the survey, so that who shares one shares the other.
    if (chunk < SURVEY_PARTS) tally.survey[chunk] = surveyPart(packed, seed, chunk);
  }
  return tally;
}

/** Why an arrangement cannot be simulated, in words; null when it can. */
export function cannotRun(
  { surfaces, emitters }: Arrangement,
  { photons, seed }: Run,
): string | null {
  if (!Number.isInteger(photons) || photons < 1 || photons > MOST_PHOTONS)
    return `The photon count is ${photons}: give a whole number from 1 to ${MOST_PHOTONS}.`;
  if (!Number.isInteger(seed)) return `The seed is ${seed}: give a whole number.`;
  if (emitters.length > MOST_EMITTERS)
    return `${emitters.length} points of light are more than the ${MOST_EMITTERS} this version follows.`;
  if (!emitters.some(({ luminousFluxLm }) => luminousFluxLm > 0)) return 'No lamp gives light.';
  if (!emitters.every(soundEmitter)) return 'A lamp has no place or no direction.';
  if (!surfaces.some(({ matter }) => matter.kind === 'layer' && matter.leads === 'out'))
    return 'The box has no mouth: light goes in circles until it is taken.';
  return null;
}

const soundEmitter = ({ positionM, axis, luminousFluxLm }: Arrangement['emitters'][number]) =>
  positionM.every(Number.isFinite) &&
  Math.abs(Math.hypot(...axis) - 1) < 1e-6 &&
  Number.isFinite(luminousFluxLm);

/** A whole run on this thread: for the command line, for tests, and where there are no workers. */
export function simulate(arrangement: Arrangement, run: Run): Transported {
  const packed = packArrangement(arrangement);
  const sum = emptyTally(packed);
  addTallyInPlace(sum, tracePart(packed, run, 0, chunksOf(run.photons)));
  return readTally(sum, arrangement, run.seed);
}

/**
 * One chunk of photons and the whole survey: light that falls outside is known to half a per cent or so, shares and the
 * mouth's map to a per cent only. For comparing many rooms.
 */
export function simulateQuickly(arrangement: Arrangement, seed: number): Transported {
  const packed = packArrangement(arrangement);
  const sum = tracePart(packed, { photons: CHUNK_PHOTONS, seed }, 0, 1);
  for (let part = 1; part < SURVEY_PARTS; part++) sum.survey[part] = surveyPart(packed, seed, part);
  return readTally(sum, arrangement, seed);
}
