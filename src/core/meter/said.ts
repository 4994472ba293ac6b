import { toRadians } from '../angle';
import type { Origin } from '../origin';
import { effectiveUnit } from '../units/effective';
import { intensityPerLm, prepareSpread, type Spread } from '../units/spread';
import type { Unit } from '../units/unit';
import { zonalLumens } from './sweep';

/** What the shelf says a unit gives, before anybody metered it. */
export interface Said {
  lumens: number;
  /** where the lumens come from */
  origin: Origin;
  spread: Spread;
  /** a glowing wire: it burns paper and fingers */
  hot: boolean;
}

/** Standard share a figure may be wrong by: labels are kept to a tenth, typical figures to a quarter [common practice]. */
export const ORIGIN_SHARE: Record<Origin, number> = {
  metered: 0.05,
  calibrated: 0.06,
  label: 0.1,
  yours: 0.2,
  typical: 0.25,
  computed: 0.2,
};

/** What it says of the light within so many degrees of the axis, lm. */
export function lumensWithin({ lumens, spread }: Said, toDeg: number): number {
  const prepared = prepareSpread(spread);
  return zonalLumens(
    (angleDeg) => lumens * intensityPerLm(prepared, Math.cos(toRadians(angleDeg))),
    toDeg,
    ZONES,
  );
}
/** Finer than any beam of the shelf. */
const ZONES = 360;

/** Light that is forecast at an angle off the axis, cd. */
export const forecastCd = ({ spread, lumens }: Said, angleDeg: number): number =>
  lumens * intensityPerLm(prepareSpread(spread), Math.cos(toRadians(angleDeg)));

/** Null for what has no spread of its own: tape is metered in what it lights. */
export function saidOf(unit: Unit): Said | null {
  if (!('spread' in unit)) return null;
  const { luminousFluxLm, filament } = effectiveUnit(unit);
  return {
    lumens: luminousFluxLm.value,
    origin: luminousFluxLm.origin,
    spread: unit.spread,
    hot: filament,
  };
}
