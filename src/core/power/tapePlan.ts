import type { TapeRun } from '../build/wiring';
import { ohmPerM } from '../electrics/copper';
import { solveLadder } from './ladder';

/** The dimmest diode should give this share of the brightest [common practice, docs/model/power.md]. */
export const DIMMEST = 0.9;
const MOST_FEEDS = 40;
/** Counts tried one after another: most tapes want no more. */
const FEW_FEEDS = [1, 2, 3, 4] as const;
const STEPS_A_FEED = 40;
/** Places along a part whose light is told. */
const SHOWN = 121;
const STEP_M = 0.01;

/** A stretch of tape that hangs on one supply. */
export interface TapePart {
  lengthM: number;
  feedsM: number[];
  /** light along it at equal steps, 0…1 */
  light: number[];
  dimmest: number;
  dimmestAtM: number;
  lowestV: number;
  mostFeedA: number;
}

export interface TapePlan {
  parts: TapePart[];
  /** of all parts */
  dimmest: number;
  lowestV: number;
  mostFeedA: number;
  /** voltage lost in the lead with most current, as a share of the supply's */
  leadDrop: number;
  /** feeds the longest part would take, evenly placed, for its dimmest diode to keep nine tenths; null: none does */
  proposedFeeds: number | null;
  settled: boolean;
}

const solve = (run: TapeRun, lengthM: number, feedsM: readonly number[], most = 400) =>
  solveLadder({
    lengthM,
    loopOhmPerM: run.loopOhmPerM.value,
    supplyV: run.voltageV,
    wattsPerM: run.wattsPerM,
    load: run.load,
    feeds: feedsM.map((atM) => ({ atM, leadOhm: 2 * ohmPerM(run.leadMm2) * run.leadLengthM })),
    segments: Math.min(most, Math.max(20, Math.round(lengthM / STEP_M))),
  });

/** Feeds in the middle of equal stretches: each serves half a stretch to either side. */
export const evenFeeds = (lengthM: number, count: number): number[] =>
  Array.from({ length: count }, (_, k) => (lengthM * (k + 0.5)) / count);

/**
 * Fewest evenly placed feeds that keep the dimmest diode at nine tenths of the brightest; null when leads
 * or copper do not allow it.
 */
export function feedsNeeded(run: TapeRun, lengthM: number): number | null {
  const enough = (count: number) =>
    relative(solve(run, lengthM, evenFeeds(lengthM, count), STEPS_A_FEED * count).light) >= DIMMEST;
  for (const count of FEW_FEEDS) if (enough(count)) return count;
  if (!enough(MOST_FEEDS)) return null;
  // More feeds are never worse: the fewest lies between.
  let [short, fine]: [number, number] = [FEW_FEEDS[FEW_FEEDS.length - 1]!, MOST_FEEDS];
  while (fine - short > 1) {
    const middle = Math.floor((short + fine) / 2);
    if (enough(middle)) fine = middle;
    else short = middle;
  }
  return fine;
}

/** Dimmest against brightest: an even loss, in leads say, is not seen along the tape. */
const relative = (light: Float64Array): number => {
  const most = Math.max(...light);
  return most > 0 ? Math.min(...light) / most : 0;
};

function feedsOf(run: TapeRun, lengthM: number): number[] {
  switch (run.feed) {
    case 'one':
    case 'rows':
      return [0];
    case 'both':
      return [0, lengthM];
    case 'spaced':
      return evenFeeds(lengthM, feedsNeeded(run, lengthM) ?? MOST_FEEDS);
  }
}

function partOf(run: TapeRun, lengthM: number): TapePart & { settled: boolean } {
  const feedsM = feedsOf(run, lengthM);
  const { volts, light, feedA, settled } = solve(run, lengthM, feedsM);
  const dim = light.indexOf(Math.min(...light));
  return {
    lengthM,
    feedsM,
    light: Array.from(
      { length: SHOWN },
      (_, k) => light[Math.round((k / (SHOWN - 1)) * (light.length - 1))]!,
    ),
    dimmest: relative(light),
    dimmestAtM: (dim / (light.length - 1)) * lengthM,
    lowestV: Math.min(...volts),
    mostFeedA: Math.max(...feedA),
    settled,
  };
}

/** Everything about a build's tape before it is judged; null without tape, or with no section of it. */
export function planTape(run: TapeRun | null): TapePlan | null {
  if (!run) return null;
  const lengths = (
    run.feed === 'rows'
      ? run.rowsM
      : Array<number>(run.supplies).fill(
          run.rowsM.reduce((sum, row) => sum + row, 0) / run.supplies,
        )
  ).filter((lengthM) => lengthM > 0);
  if (lengths.length === 0) return null;
  // Equal parts are equal: one of each length is worked out.
  const known = new Map<number, ReturnType<typeof partOf>>();
  const parts = lengths.map((lengthM) => {
    const key = Math.round(lengthM * 1000);
    const part = known.get(key) ?? partOf(run, lengthM);
    known.set(key, part);
    return part;
  });
  const mostFeedA = Math.max(...parts.map((part) => part.mostFeedA));
  const dimmest = Math.min(...parts.map((part) => part.dimmest));
  const longest = parts.reduce((a, b) => (b.lengthM > a.lengthM ? b : a));
  return {
    parts,
    dimmest,
    lowestV: Math.min(...parts.map((part) => part.lowestV)),
    mostFeedA,
    leadDrop: (2 * ohmPerM(run.leadMm2) * run.leadLengthM * mostFeedA) / run.voltageV,
    // Where it is even already, what is there is proposed.
    proposedFeeds: dimmest >= DIMMEST ? longest.feedsM.length : feedsNeeded(run, longest.lengthM),
    settled: parts.every(({ settled }) => settled),
  };
}
