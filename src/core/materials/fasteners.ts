import { inchFigure } from '../quantity';

/**
 * Bolts, washers and screws: what hole they go through, what they hold, how long they are.
 * Metric [std: ISO 273 medium clearance, ISO 7089 washers, ISO 4032 nuts, ISO 261 pitches; from memory];
 * inch [std: ASME B18.2.8 normal clearance, B18.21.1 washers, B18.2.2 nuts; from memory].
 */
interface Thread {
  /** over its crests */
  diameterM: number;
  /** hole it passes through freely */
  clearanceM: number;
  /** first hole: what a tap wants, and what keeps a bigger bit from wandering */
  pilotM: number;
  pitchM: number;
  nutM: number;
  washer: { outerM: number; thickM: number };
}

const mm = (value: number) => value / 1000;
const metric = (
  d: number,
  clearance: number,
  pilot: number,
  pitch: number,
  nut: number,
  [outer, thick]: readonly [number, number],
): Thread => ({
  diameterM: mm(d),
  clearanceM: mm(clearance),
  pilotM: mm(pilot),
  pitchM: mm(pitch),
  nutM: mm(nut),
  washer: { outerM: mm(outer), thickM: mm(thick) },
});

export const THREADS = {
  M4: metric(4, 4.5, 3.3, 0.7, 3.2, [9, 0.8]),
  M5: metric(5, 5.5, 4.2, 0.8, 4.7, [10, 1]),
  M6: metric(6, 6.6, 5, 1, 5.2, [12, 1.6]),
  M8: metric(8, 9, 6.8, 1.25, 6.8, [16, 1.6]),
  M10: metric(10, 11, 8.5, 1.5, 8.4, [20, 2]),
  '1/4-20': metric(6.35, 7.1, 5.1, 1.27, 5.6, [15.9, 1.65]),
  '3/8-16': metric(9.525, 10.3, 7.9, 1.5875, 8.3, [20.6, 1.65]),
} as const satisfies Record<string, Thread>;
export type ThreadId = keyof typeof THREADS;

/** A countersunk head is about twice its bolt across [std: ISO 10642; from memory]. */
export const COUNTERSINK = 2;

/** Lengths bolts are sold in, mm [common practice]. */
const METRIC_MM = [
  8, 10, 12, 16, 20, 25, 30, 35, 40, 45, 50, 55, 60, 65, 70, 80, 90, 100, 110, 120, 130, 140, 150,
  160, 180, 200, 220, 240, 260,
];
/** The same in sixteenths of an inch. */
const SIXTEENTHS = [6, 8, 10, 12, 16, 20, 24, 28, 32, 40, 48, 56, 64, 80, 96, 128, 160];

/** Two pitches stand out of a nut that holds [common practice]. */
const OUT_OF_NUT = 2;

export interface Bolt {
  thread: ThreadId;
  lengthM: number;
  /** as it stands on the box: “M6 × 40” */
  size: string;
}

/** The shortest bolt sold that goes through what is clamped and through its nut; null when none is long enough. */
export function boltFor(thread: ThreadId, clampedM: number): Bolt | null {
  const { nutM, pitchM } = THREADS[thread];
  const least = clampedM + nutM + OUT_OF_NUT * pitchM - 1e-9;
  if (thread.startsWith('M')) {
    const long = METRIC_MM.find((length) => mm(length) >= least);
    return long === undefined ? null : { thread, lengthM: mm(long), size: `${thread} × ${long}` };
  }
  const long = SIXTEENTHS.find((length) => (length / 16) * 0.0254 >= least);
  return long === undefined
    ? null
    : { thread, lengthM: (long / 16) * 0.0254, size: `${thread} × ${inchFigure(long)} in` };
}

/** A screw without a nut, into a thread of the thing it holds: about its own diameter deep, never to the bottom. */
export function machineScrewFor(thread: ThreadId, throughM: number): Bolt | null {
  const { diameterM, nutM, pitchM } = THREADS[thread];
  // As a bolt that clamps so much less as its nut would take.
  return boltFor(thread, throughM + diameterM - nutM - OUT_OF_NUT * pitchM);
}

/** What a washer says of itself: “M6, 1.6 mm thick”. */
export const washerSize = (thread: ThreadId): string =>
  `${thread}, ${Number((THREADS[thread].washer.thickM * 1000).toFixed(2))} mm thick,`;

/** Washers that fill a gap, and how thick they are together: a gap is built of whole ones. */
export function washersFor(thread: ThreadId, gapM: number): { count: number; thickM: number } {
  const { thickM } = THREADS[thread].washer;
  const count = Math.max(1, Math.ceil(gapM / thickM - 1e-6));
  return { count, thickM: count * thickM };
}

/** Wood screws by length, mm; longer ones are thicker [common practice]. */
const SCREWS: readonly (readonly [thick: string, long: number])[] = [
  ['3', 10],
  ['3', 12],
  ['3', 16],
  ['3', 20],
  ['3', 25],
  ['3.5', 30],
  ['3.5', 35],
  ['4', 40],
  ['4', 45],
  ['4', 50],
  ['4', 60],
];

/** The longest screw whose point stays inside what it is driven through; null when that is too thin for any. */
export function screwFor(stackM: number): { lengthM: number; size: string } | null {
  const found = SCREWS.findLast(([, long]) => mm(long) <= stackM + 1e-9);
  return found ? { lengthM: mm(found[1]), size: `${found[0]} × ${found[1]}` } : null;
}

const tidy = (text: string): string => text.toLowerCase().replace(/[×x]/g, 'x').replace(/\s+/g, '');
const THREAD = /\bm\d+(?:\.\d+)?\b|\d+\/\d+-\d+/g;
/** Threads a name says, with room round the sign between thread and length. */
const threadsIn = (text: string): string[] =>
  text.toLowerCase().replace(/[×x]/g, ' x ').match(THREAD) ?? [];
const LENGTH = /(?:m\d+|\d+\/\d+-\d+|\d+(?:\.\d+)?)x(\d+(?:\.\d+)?)/;
const THICK = /(\d+(?:\.\d+)?)mm/;

/** Whether a name says a size in so many words. */
export const mentions = (name: string, size: string): boolean => tidy(name).includes(tidy(size));

/**
 * Whether a thing on the shelf is one of a size, as far as its name says: another thread, another length or
 * thickness is another thing, and what a name does not tell is taken to fit.
 */
export function nameFits(name: string, size: string): boolean {
  const [has, wants] = [tidy(name), tidy(size)];
  const [threads, wanted] = [threadsIn(name), threadsIn(size)];
  if (threads.length > 0 && wanted.length > 0 && !threads.some((each) => wanted.includes(each)))
    return false;
  for (const figure of [LENGTH, THICK]) {
    const [told, asked] = [figure.exec(has)?.[1], figure.exec(wants)?.[1]];
    if (told !== undefined && asked !== undefined && Number(told) !== Number(asked)) return false;
  }
  return true;
}
