import type { Arrangement } from './arrangement';
import { surveyPart } from '../field/survey';
import { traceChunkInPlace } from './kernel';
import { packArrangement, type PackedArrangement } from './pack';
import { readTally, type Transported } from './result';
import { emptyTally, SURVEY_PARTS, type Tally } from './tally';

/**
 * Photons of one chunk. Each has a stream of its own, so that the sum
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

/** Pieces of work of a run, in order: the parts of its survey, then its chunks of photons. */
export const unitsOf = (photons: number): number =>
  SURVEY_PARTS + Math.ceil(photons / CHUNK_PHOTONS);

/** Some pieces of a run: one worker's part of it. */
export function tracePart(
  packed: PackedArrangement,
  { photons, seed }: Run,
  first: number,
  last: number,
): Tally {
  const tally = emptyTally(packed);
  for (let unit = first; unit < last; unit++) {
    const chunk = unit - SURVEY_PARTS;
    if (chunk < 0) tally.survey[unit] = surveyPart(packed, seed, unit);
    else traceChunkInPlace(tally, packed, seed, chunk, chunkPhotons(photons, chunk));
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
  return readTally(tracePart(packed, run, 0, unitsOf(run.photons)), arrangement, run.seed);
}

/**
 * One chunk of photons and the whole survey: light that falls outside is known to half a per cent or so, shares and the
 * mouth's map to a per cent only. For comparing many rooms.
 */
export const simulateQuickly = (arrangement: Arrangement, seed: number): Transported =>
  simulate(arrangement, { photons: CHUNK_PHOTONS, seed });
