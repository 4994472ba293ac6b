/**
 * Incident-light exposure, N²/t = E·S/C [std: ISO 2720, C = 240–400 lx·s for a flat receptor,
 * 320–540 for a dome; from memory]. Checked by the worked example in exposure.reference.test.ts.
 */

interface ExposureSettings {
  /** f-number N, > 0 */
  fNumber: number;
  /** exposure time t in seconds, > 0 */
  exposureTimeS: number;
  /** ISO speed S, > 0 */
  isoSpeed: number;
  /** calibration constant C in lx·s */
  calibrationLxS: number;
}

/** t = shutter angle / (360° · frame rate), in seconds. */
export const exposureTimeS = (shutterAngleDeg: number, frameRateHz: number): number =>
  shutterAngleDeg / (360 * frameRateHz);

/** Illuminance that exposes a mid-grey as metered, in lux. */
export const targetIlluminanceLx = (settings: ExposureSettings): number =>
  (settings.calibrationLxS * settings.fNumber ** 2) / (settings.exposureTimeS * settings.isoSpeed);

/** The f-number at which an illuminance exposes rightly; the inverse of the target. */
export const fNumberFor = (
  illuminanceLx: number,
  settings: Omit<ExposureSettings, 'fNumber'>,
): number =>
  Math.sqrt((illuminanceLx * settings.exposureTimeS * settings.isoSpeed) / settings.calibrationLxS);

/** The ISO speed at which an illuminance exposes rightly. */
export const isoSpeedFor = (
  illuminanceLx: number,
  settings: Omit<ExposureSettings, 'isoSpeed'>,
): number =>
  (settings.calibrationLxS * settings.fNumber ** 2) / (settings.exposureTimeS * illuminanceLx);

/** How many stops the first level lies above the second: log2(E1/E2); −∞ for no light. */
export const stopsBetween = (levelLx: number, referenceLx: number): number =>
  Math.log2(levelLx / referenceLx);

/** Exposure value at ISO 100 of an illuminance: log2(E·100/C). */
export const exposureValue100 = (illuminanceLx: number, calibrationLxS: number): number =>
  Math.log2((illuminanceLx * 100) / calibrationLxS);

/** ISO speeds step in thirds of a stop; the nearest is what a camera offers. */
export function isoText(isoSpeed: number): string {
  const steps = Math.round(Math.log2(isoSpeed / 100) * 3);
  const exact = 100 * 2 ** (steps / 3);
  return String(Number(exact.toPrecision(2)));
}
