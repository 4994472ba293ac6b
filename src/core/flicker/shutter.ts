/** Light that follows the mains swings twice a cycle. */
export const mainsFlickerHz = (mainsFrequencyHz: number): number => 2 * mainsFrequencyHz;

/** An exposure is clean when it holds a whole number of flicker periods, to this share of one. */
const PHASE_TOLERANCE = 0.01;

/** Periods of flicker within one exposure. */
const periodsInExposure = (exposureTimeS: number, flickerHz: number): number =>
  exposureTimeS * flickerHz;

export function isCleanExposure(exposureTimeS: number, flickerHz: number): boolean {
  const periods = periodsInExposure(exposureTimeS, flickerHz);
  return periods > 0.5 && Math.abs(periods - Math.round(periods)) < PHASE_TOLERANCE;
}

interface CleanShutter {
  exposureTimeS: number;
  shutterAngleDeg: number;
}

/** Every shutter angle up to 360° that holds whole flicker periods, widest first. */
export function cleanShutters(frameRateHz: number, flickerHz: number): CleanShutter[] {
  const most = Math.floor(flickerHz / frameRateHz + 1e-9);
  return Array.from({ length: Math.min(most, 60) }, (_, k) => {
    const exposureTimeS = (most - k) / flickerHz;
    return { exposureTimeS, shutterAngleDeg: exposureTimeS * frameRateHz * 360 };
  });
}

/** The clean shutter nearest to the wanted angle; null when even 360° is shorter than a period. */
export function nearestCleanShutter(
  wantedAngleDeg: number,
  frameRateHz: number,
  flickerHz: number,
): CleanShutter | null {
  const all = cleanShutters(frameRateHz, flickerHz);
  const far = (shutter: CleanShutter) => Math.abs(shutter.shutterAngleDeg - wantedAngleDeg);
  return all.reduce<CleanShutter | null>(
    (best, shutter) => (best === null || far(shutter) < far(best) ? shutter : best),
    null,
  );
}
