import { accept, refuse, type Result } from '../result';
import { exposureStops, type Exposure } from './exposure';

/** Reflected-light meters' constant, cd·s/m² [std: ISO 2720; from memory]. */
export const K = 12.5;
/** Without a calibration: this many stops either way [common practice; scales alone lie 0.8 stop apart]. */
export const UNKNOWN_STOPS = 2 / 3;
/** A contrasty curve held against a meter two stops away misses by 0.7 stop [docs/model/frames.md]. */
const AWAY_STOPS = 0.35;
/** The curve of a bracket, over its whole range, stops. */
const CURVE_STOPS = 0.05;
/** What shutter, iris and card are off by, stops [common practice]. */
const SETTINGS_STOPS = 0.08;

export interface Card {
  exposure: Exposure;
  /** of the card, in stops over mid-grey */
  stops: number;
  clippedShare: number;
  reflectance: number;
  /** the camera's own curve is known */
  curve: boolean;
  calibration: { stops: number; deviationStops: number; level: number } | null;
}

export interface CameraLux {
  lux: number;
  /** limits either way while it is not calibrated, twice the standard uncertainty after, stops */
  plusMinusStops: number;
  calibrated: boolean;
}

/** Light at the card by the camera's settings alone: L = K·N²/(t·S) for mid-grey, E = π·L/ρ. */
const bySettings = (settings: number, stops: number, reflectance: number): number =>
  ((Math.PI * K) / reflectance) * 2 ** (stops - settings);

/** Light on a grey card in a frame, lux; refused where the frame does not tell how it was exposed, or the card is clipped. */
export function cameraLux(card: Card): Result<CameraLux> {
  const settings = exposureStops(card.exposure);
  if (settings === null)
    return refuse(
      'no_exposure',
      'This frame does not say shutter, f-number and ISO: type what the camera was set to.',
      'exposure',
    );
  if (card.clippedShare > 0.01)
    return refuse(
      'clipped',
      'The card is clipped: expose less, and take the frame again.',
      'frames',
    );
  const lux = bySettings(settings, card.stops, card.reflectance);
  const { calibration } = card;
  if (!calibration) return accept({ lux, plusMinusStops: UNKNOWN_STOPS, calibrated: false });
  const away = Math.abs(card.stops - calibration.level);
  const curved = card.curve ? CURVE_STOPS : AWAY_STOPS * away;
  return accept({
    lux: lux * 2 ** calibration.stops,
    plusMinusStops: 2 * Math.hypot(calibration.deviationStops, curved / 2, SETTINGS_STOPS / 2),
    calibrated: true,
  });
}

/**
 * The camera's own factor, from one card whose light is known.
 * @param knownLx  of a lux meter, or of a lamp of known intensity
 * @param deviationStops  standard uncertainty of that
 */
export function calibrationOf(
  card: Omit<Card, 'calibration'>,
  knownLx: number,
  deviationStops: number,
): Result<{ stops: number; deviationStops: number; level: number }> {
  const bare = cameraLux({ ...card, calibration: null });
  if (!bare.ok) return bare;
  const stops = Math.log2(knownLx / bare.value.lux);
  if (Math.abs(stops) > MOST_STOPS)
    return refuse(
      'far',
      `The camera would be ${Math.abs(stops).toFixed(1)} stops off: no camera is. Look at the lux, the card and the settings.`,
      'lux',
    );
  return accept({ stops, deviationStops, level: card.stops });
}
const MOST_STOPS = 4;

/** Lux at a distance from a bare frosted globe, by its lumens alone [worked: Φ/4π d²]. */
export const globeLux = (lumens: number, distanceM: number): number =>
  lumens / (4 * Math.PI * distanceM ** 2);
