import type { TapeLoad } from '../electrics/tapeLoad';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { abs, max, min, sqrt } = Math;

/** Voltage at which the diodes of a string go out, as a share of the tape's [typ: three at 3 V on 12 V]. */
const KNEE = 0.75;
/** Voltage down to which a regulated section holds its current, as a share of the tape's [typ]. */
const REGULATED = 0.85;

/** One run of tape as a ladder of copper and loads. */
export interface Ladder {
  lengthM: number;
  /** out and back, Ω/m */
  loopOhmPerM: number;
  /** of the supply, and of the tape */
  supplyV: number;
  wattsPerM: number;
  load: TapeLoad;
  feeds: readonly { atM: number; leadOhm: number }[];
  /** steps along it, 1…5000 */
  segments: number;
}

interface LadderSolved {
  /** at segments + 1 equal places from 0 to the end */
  volts: Float64Array;
  /** light against that at full voltage, 0…1 */
  light: Float64Array;
  /** current through each feed, A */
  feedA: number[];
  /** false when no voltage satisfies the loads: more power is asked for than the copper passes */
  settled: boolean;
}

/** A load near a voltage: I = a + g·V. */
function linearised(load: TapeLoad, amps: number, nominalV: number, nowV: number) {
  switch (load) {
    case 'string':
      return nowV <= KNEE * nominalV
        ? { a: 0, g: 0 }
        : { a: (-amps * KNEE) / (1 - KNEE), g: amps / ((1 - KNEE) * nominalV) };
    case 'current':
      return { a: amps, g: 0 };
    case 'resistance':
      return { a: 0, g: amps / nominalV };
    case 'power': {
      const v = max(0.05 * nominalV, nowV);
      const power = amps * nominalV;
      return { a: (2 * power) / v, g: -power / v ** 2 };
    }
  }
}

/** Light of a section at a voltage against that at the nominal one. */
export function lightAt(load: TapeLoad, volts: number, nominalV: number): number {
  const ratio = volts / nominalV;
  const within = (value: number) => min(1, max(0, value));
  switch (load) {
    case 'string':
      return within((ratio - KNEE) / (1 - KNEE));
    case 'current':
      return ratio >= REGULATED ? 1 : within((ratio - KNEE) / (REGULATED - KNEE));
    case 'resistance':
      return within(ratio ** 2);
    case 'power':
      return ratio > 0.05 ? 1 : 0;
  }
}

const MOST_ROUNDS = 80;
const SETTLED_V = 1e-7;
/** A feed soldered straight to the supply still has some resistance; keeps the equations regular. */
const LEAST_OHM = 1e-6;

/**
 * Voltages along a run of tape: Kirchhoff's current law at every step, a tridiagonal system solved by
 * elimination, again and again until the loads agree with their voltages.
 */
export function solveLadder(ladder: Ladder): LadderSolved {
  const { lengthM, loopOhmPerM, supplyV, wattsPerM, load, feeds, segments } = ladder;
  const count = segments + 1;
  const step = lengthM / segments;
  const between = 1 / max(LEAST_OHM, loopOhmPerM * step);
  const fed = new Float64Array(count);
  const places = feeds.map(({ atM }) => min(segments, max(0, Math.round(atM / step))));
  feeds.forEach(({ leadOhm }, k) => (fed[places[k]!]! += 1 / max(LEAST_OHM, leadOhm)));
  const ampsOf = (node: number) =>
    ((wattsPerM * step) / supplyV) * (node === 0 || node === segments ? 0.5 : 1);
  let volts = new Float64Array(count).fill(supplyV);
  let settled = false;
  for (let round = 0; round < MOST_ROUNDS && !settled; round++) {
    const next = eliminated(count, between, (node) => {
      const { a, g } = linearised(load, ampsOf(node), supplyV, volts[node]!);
      return { own: fed[node]! + g, drive: fed[node]! * supplyV - a };
    });
    // Half steps where diodes go out and on again, so that the rounds do not swing for ever.
    const keep = round > 20 ? 0.5 : 0;
    let moved = 0;
    for (let k = 0; k < count; k++) {
      const value = next[k]! + (volts[k]! - next[k]!) * keep;
      moved = max(moved, abs(value - volts[k]!));
      next[k] = value;
    }
    volts = next;
    settled = moved < SETTLED_V;
  }
  return {
    volts,
    light: volts.map((v) => lightAt(load, v, supplyV)),
    feedA: feeds.map(({ leadOhm }, k) => (supplyV - volts[places[k]!]!) / max(LEAST_OHM, leadOhm)),
    settled: settled && volts.every((v) => v > 0),
  };
}

/** Thomas's elimination: between·(2V − neighbours) + own·V = drive at every node. */
function eliminated(
  count: number,
  between: number,
  at: (node: number) => { own: number; drive: number },
): Float64Array<ArrayBuffer> {
  const slope = new Float64Array(count);
  const volts = new Float64Array(count);
  for (let k = 0; k < count; k++) {
    const { own, drive } = at(k);
    const neighbours = (k > 0 ? between : 0) + (k < count - 1 ? between : 0);
    const pivot = own + neighbours - (k > 0 ? between * slope[k - 1]! : 0);
    slope[k] = k < count - 1 ? between / pivot : 0;
    volts[k] = (drive + (k > 0 ? between * volts[k - 1]! : 0)) / pivot;
  }
  for (let k = count - 2; k >= 0; k--) volts[k]! += slope[k]! * volts[k + 1]!;
  return volts;
}

/**
 * Loop resistance of a tape from the voltage metered at its far end, fed from the near one without leads:
 * halved between 1 mΩ/m and 20 Ω/m.
 * @returns null when no copper explains it
 */
export function loopFromEndVolts(
  run: Pick<Ladder, 'lengthM' | 'supplyV' | 'wattsPerM' | 'load'>,
  endV: number,
): number | null {
  const end = (loopOhmPerM: number) =>
    solveLadder({ ...run, loopOhmPerM, feeds: [{ atM: 0, leadOhm: 0 }], segments: 200 }).volts.at(
      -1,
    )!;
  let [low, high] = [0.001, 20];
  if (!(endV < end(low) && endV > end(high))) return null;
  for (let round = 0; round < 60; round++) {
    const middle = sqrt(low * high);
    if (end(middle) > endV) low = middle;
    else high = middle;
  }
  return sqrt(low * high);
}
