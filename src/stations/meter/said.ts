import { effectiveUnit } from '@/core/units/effective';
import { zoneIntegral } from '@/core/meter/sweep';
import { intensityPerLm, prepareSpread, type Spread } from '@/core/units/spread';
import type { Unit } from '@/core/units/unit';

/** What the shelf says a unit gives, before anybody metered it. */
export interface Said {
  lumens: number;
  /** standard share it may be wrong by: labels are kept to a tenth, typical figures to a quarter [common practice] */
  share: number;
  spread: Spread;
}

const SHARES = {
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
  const at = (k: number) => ((toDeg * Math.PI) / 180 / ZONES) * k;
  const cd = (k: number) => lumens * intensityPerLm(prepared, Math.cos(at(k)));
  return Array.from(
    { length: ZONES },
    (_, k) => 2 * Math.PI * zoneIntegral(at(k), at(k + 1), cd(k), cd(k + 1)),
  ).reduce((sum, zone) => sum + zone, 0);
}
/** Finer than any beam of the shelf. */
const ZONES = 360;

/** Null for what has no spread of its own: tape is metered in what it lights. */
export function saidOf(unit: Unit): Said | null {
  if (!('spread' in unit)) return null;
  const { luminousFluxLm } = effectiveUnit(unit);
  return {
    lumens: luminousFluxLm.value,
    share: SHARES[luminousFluxLm.origin],
    spread: unit.spread,
  };
}
