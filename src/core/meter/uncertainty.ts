/** One thing that makes a figure uncertain: its standard uncertainty as a share of the figure. */
export interface Part {
  id:
    'class' | 'distance' | 'repeats' | 'warm-up' | 'rounding' | 'room' | 'near' | 'step' | 'cosine';
  what: string;
  share: number;
}

/** Standard uncertainty of what is only known to lie within ± a [std: JCGM 100, 4.3.7]. */
export const withinLimits = (limit: number): number => limit / Math.sqrt(3);

/** Combined standard uncertainty of causes that know nothing of each other [std: JCGM 100, 5.1.2]. */
export const combined = (shares: readonly number[]): number => Math.hypot(...shares);

/** The biggest first, and what matters: those under a tenth of it change nothing. */
export const suspects = (parts: readonly Part[]): Part[] => {
  const sorted = parts.filter(({ share }) => share > 0).toSorted((a, b) => b.share - a.share);
  return sorted.filter(({ share }) => share > 0.1 * (sorted[0]?.share ?? 0));
};

/** What an instrument's label says of it. */
export interface Instrument {
  /** within ± this share of the reading */
  classShare: number;
  /** smallest step it shows, in the unit of the reading */
  grain: number;
}

/** A lamp still changes this much in its first minutes, as a share, until it is warm [common practice]. */
const COLD_SHARE = 0.05;
const WARM_MIN = 20;

/** How a reading of light was taken. */
export interface Taken {
  instrument: Instrument;
  /** in lux, before anything is taken off */
  meanLx: number;
  meanDeviationLx: number | null;
  /** room light that was taken off, lux, and how well it is known; null where nobody read it */
  roomLx: number | null;
  roomDeviationLx: number;
  distanceM: number;
  /** how well the distance is known */
  distanceErrorM: number;
  /** since it was switched on; null where nobody looked */
  warmMin: number | null;
}

/** What makes a reading of light uncertain, each as a share of what is left after the room's light is taken off. */
export function readingParts(taken: Taken): Part[] {
  const { instrument, meanLx, meanDeviationLx, roomLx, roomDeviationLx, distanceM } = taken;
  const net = Math.max(meanLx - (roomLx ?? 0), 1e-9);
  const gross = meanLx / net;
  const warm = taken.warmMin ?? 0;
  return [
    { id: 'class', what: 'the meter’s class', share: withinLimits(instrument.classShare) * gross },
    {
      id: 'distance',
      what: 'the distance',
      share: (2 * withinLimits(taken.distanceErrorM)) / distanceM,
    },
    { id: 'repeats', what: 'repeats', share: (meanDeviationLx ?? 0) / net },
    { id: 'rounding', what: 'the last digit', share: withinLimits(instrument.grain / 2) / net },
    { id: 'room', what: 'the room’s own light', share: roomDeviationLx / net },
    {
      id: 'warm-up',
      what: 'warming up',
      share: withinLimits(COLD_SHARE * Math.max(0, 1 - warm / WARM_MIN)),
    },
  ];
}
