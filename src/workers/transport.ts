import { looksThrough, together, type Prepared } from '@/core/light/field/prepare';
import type { Vector } from '@/core/light/vector';
import type { Arrangement } from '@/core/light/transport/arrangement';
import { packArrangement } from '@/core/light/transport/pack';
import { readTally, type MouthMap, type Transported } from '@/core/light/transport/result';
import {
  cannotRun,
  CHUNK_PHOTONS,
  chunksOf,
  tracePart,
  type Run,
} from '@/core/light/transport/run';
import { addTallyInPlace, emptyTally, type Tally } from '@/core/light/transport/tally';
import type { Hand } from './pool';

interface TransportJob {
  key: string;
  arrangement: Arrangement;
  /** where its light will be read */
  reads: readonly Vector[];
  run: Run;
  /** the result so far, whenever there is a better one */
  onProgress: (so: Transported) => void;
  signal: AbortSignal;
}

/** Counts at which the result so far is told: soon, then ever more seldom. */
const TOLD = [40_000, 160_000];
/** Parts of a survey whose spread says anything of their error. */
const LEAST_PARTS = 2;
/** Chunks a hand takes at a time: short enough to stop soon. */
const STRETCH = 4;
/** Without workers a stretch this short leaves the page its frames. */
const ALONE_PHOTONS = 5_000;

/**
 * Follows a run's photons with all hands at once. Chunks carry their own streams and counts only add, so
 * that the sum is the same for any number of hands, in any order. A hand that dies gives its stretch back;
 * with none left the page does the rest itself, a little at a time.
 * @returns the whole run, or null when it was stopped or cannot be done
 */
export async function transport(
  job: TransportJob,
  hands: readonly Hand[],
): Promise<Transported | null> {
  if (cannotRun(job.arrangement, job.run) !== null) return null;
  const packed = packArrangement(job.arrangement);
  const sum = emptyTally(packed);
  const open = stretches(chunksOf(job.run.photons));
  const prepared = preparer(job, hands);
  const tell = teller(job, sum, prepared);
  const worked = (tally: Tally) => {
    addTallyInPlace(sum, tally);
    void tell();
  };
  const lend = async (hand: Hand) => {
    for (let next = open.shift(); next && !job.signal.aborted; next = open.shift()) {
      const [first, last] = next;
      try {
        worked(await hand.call((w) => w.trace(job.key, job.arrangement, job.run, first, last)));
      } catch {
        open.unshift(next);
        return;
      }
    }
  };
  await Promise.all(hands.map(lend));
  for (let next = open.shift(); next && !job.signal.aborted; next = open.shift())
    worked(await alone(packed, job, next));
  if (job.signal.aborted) return null;
  const found = await prepared(sum);
  return job.signal.aborted ? null : found;
}

/**
 * Reads a tally with its survey made ready by all hands, once all parts of that are there, and with the mouth's map; what
 * nobody does, the page does when it reads.
 */
function preparer({ arrangement, reads, run }: TransportJob, hands: readonly Hand[]) {
  const ready = new Map<number, Promise<Prepared | undefined>>();
  return async (sum: Tally): Promise<Transported> => {
    const found = readTally(sum, arrangement, run.seed);
    const parts = found.survey.length;
    const made =
      ready.get(parts) ??
      Promise.all(
        hands.map((hand, k) =>
          hand.call((w) => w.prepare(arrangement, found.survey, reads, k, hands.length)),
        ),
      ).then(together, () => undefined);
    ready.set(parts, made);
    const prepared = await made;
    const mouth = await mapped(arrangement, found, prepared, hands[0]);
    return { ...found, ...(prepared && { prepared }), mouth };
  };
}

/** The mouth's map by a hand; without one its code comes to the page. */
async function mapped(
  arrangement: Arrangement,
  found: Transported,
  prepared: Prepared | undefined,
  hand: Hand | undefined,
): Promise<MouthMap | null> {
  const { turnedCounts, photons, round } = found;
  const counts = { turnedCounts, photons, round };
  if (hand && prepared)
    try {
      return await hand.call((w) => w.mouthMap(arrangement, counts, prepared.straight));
    } catch {
      // It died: done here.
    }
  const { mouthOf } = await import('@/core/light/field/mouthMap');
  return mouthOf(arrangement, found);
}

/** The first stretches are single chunks, so that there soon is something to show. */
function stretches(chunks: number): [number, number][] {
  const list: [number, number][] = [];
  for (let at = 0; at < chunks;) {
    const length = at < 4 ? 1 : STRETCH;
    list.push([at, Math.min(chunks, at + length)]);
    at += length;
  }
  return list;
}

function teller(
  { arrangement, run, onProgress, signal }: TransportJob,
  sum: Tally,
  prepared: (sum: Tally) => Promise<Transported>,
) {
  const marks = TOLD.filter((mark) => mark < run.photons);
  const looked = looksThrough(arrangement);
  return async () => {
    if (signal.aborted || marks.length === 0 || sum.emitted < marks[0]!) return;
    // The light itself is in the survey. Some parts of it do, with the error they have, where it is quickly read.
    const parts = sum.survey.filter((part) => part !== null).length;
    if (parts < (looked ? sum.survey.length : LEAST_PARTS)) return;
    while (marks.length && sum.emitted >= marks[0]!) marks.shift();
    const found = await prepared(sum);
    if (!signal.aborted) onProgress(found);
  };
}

/** A stretch worked on the page itself; frames come between its parts. */
async function alone(
  packed: ReturnType<typeof packArrangement>,
  { run, signal }: TransportJob,
  [first, last]: readonly [number, number],
): Promise<Tally> {
  const sum = emptyTally(packed);
  for (let chunk = first; chunk < last && !signal.aborted; chunk++) {
    await new Promise((resolve) => setTimeout(resolve, CHUNK_PHOTONS / ALONE_PHOTONS));
    addTallyInPlace(sum, tracePart(packed, run, chunk, chunk + 1));
  }
  return sum;
}
