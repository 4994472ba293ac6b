import { filled, together, type Prepared, type Reads } from '@/core/light/field/prepare';
import type { Arrangement } from '@/core/light/transport/arrangement';
import { packArrangement } from '@/core/light/transport/pack';
import { readTally, type MouthMap, type Transported } from '@/core/light/transport/result';
import { cannotRun, tracePart, unitsOf, type Run } from '@/core/light/transport/run';
import { addTallyInPlace, emptyTally, type Tally } from '@/core/light/transport/tally';
import type { Hand } from './pool';

interface TransportJob {
  key: string;
  arrangement: Arrangement;
  /** where its light will be read */
  reads: Reads;
  run: Run;
  /** whether it is told as soon as the first of those places are ready, or all of them */
  soon: boolean;
  /** the light itself, before the run has counted all */
  onProgress: (so: Transported) => void;
  signal: AbortSignal;
}

/** Photons after which shares are known well enough to be told with the light. */
const TOLD_FROM = 40_000;
const BREATH_MS = 4;

/**
 * Works a run with all hands at once. Pieces carry their own streams and counts only add, so
 * that the sum is the same for any number of hands, in any order. A hand that dies gives its piece back;
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
  // One by one: short enough to stop soon, and to let looks in between.
  const open = Array.from({ length: unitsOf(job.run.photons) }, (_, unit) => unit);
  const field = new SharedField(job, hands);
  const tell = teller(job, sum, field);
  const worked = (tally: Tally) => {
    addTallyInPlace(sum, tally);
    void tell();
  };
  const lend = async (hand: Hand) => {
    for (let unit = open.shift(); unit !== undefined; unit = open.shift()) {
      const [first, last] = [unit, unit + 1];
      if (job.signal.aborted) return;
      try {
        worked(await hand.call((w) => w.trace(job.key, job.arrangement, job.run, first, last)));
      } catch {
        open.unshift(unit);
        return;
      }
    }
  };
  await Promise.all(hands.map(lend));
  for (let unit = open.shift(); unit !== undefined; unit = open.shift()) {
    if (job.signal.aborted) return null;
    // A breath leaves the page its frames.
    await new Promise((resolve) => setTimeout(resolve, BREATH_MS));
    worked(tracePart(packed, job.run, unit, unit + 1));
  }
  if (job.signal.aborted) return null;
  const counted = readTally(sum, job.arrangement, job.run.seed);
  const [prepared, mouth] = [await field.all(counted), await field.mouth(counted)];
  return job.signal.aborted ? null : { ...counted, ...(prepared && { prepared }), mouth };
}

/** A survey that all hands make ready; what nobody does, the page does when it reads. */
class SharedField {
  private firstLooks: Promise<Prepared | undefined> | null = null;
  private allLooks: Promise<Prepared | undefined> | null = null;

  constructor(
    private readonly job: TransportJob,
    private readonly hands: readonly Hand[],
  ) {}

  private looks(
    survey: Transported['survey'] | null,
    places: Reads['first'],
  ): Promise<Prepared | undefined> {
    const { key, arrangement } = this.job;
    return Promise.all(
      this.hands.map((hand, k) =>
        hand.call((w) => w.look(key, arrangement, survey, places, k, this.hands.length), {
          priority: 'now',
        }),
      ),
    ).then(together, () => undefined);
  }

  /** Ready where the first figures read it. */
  first({ survey }: Transported): Promise<Prepared | undefined> {
    const { soon, reads } = this.job;
    const places = soon ? reads.first : [...reads.first, ...reads.rest];
    return (this.firstLooks ??= this.looks(survey, places));
  }

  /** Ready wherever it will be read. */
  async all(counted: Transported): Promise<Prepared | undefined> {
    const first = await this.first(counted);
    if (!first || !this.job.soon) return first;
    return (this.allLooks ??= this.looks(null, this.job.reads.rest));
  }

  /** The mouth's map by the hands; where they fail its code comes to the page. */
  async mouth(counted: Transported): Promise<MouthMap | null> {
    const { key, arrangement } = this.job;
    const { turnedCounts, photons, round } = counted;
    const [hand] = this.hands;
    if (hand && (await this.firstLooks))
      try {
        const rows = await Promise.all(
          this.hands.map((each, k) => each.call((w) => w.straight(key, k, this.hands.length))),
        );
        const known = rows.flatMap((own) => own ?? []);
        const straight = known.length ? filled(known) : null;
        const counts = { turnedCounts, photons, round };
        return await hand.call((w) => w.mouthMap(arrangement, counts, straight));
      } catch {
        // One died: done here.
      }
    const { mouthOf } = await import('@/core/light/field/mouthMap');
    return mouthOf(arrangement, counted);
  }
}

function teller(
  { arrangement, run, onProgress, signal }: TransportJob,
  sum: Tally,
  field: SharedField,
) {
  let told = run.photons <= TOLD_FROM;
  return async () => {
    if (signal.aborted || told || sum.emitted < TOLD_FROM || sum.survey.includes(null)) return;
    told = true;
    const found = readTally(sum, arrangement, run.seed);
    const prepared = await field.first(found);
    // By now the whole run may be there.
    if (!signal.aborted && sum.emitted < run.photons)
      onProgress({ ...found, ...(prepared && { prepared }) });
  };
}
