import { mired } from '@/core/colour/mired';
import { worst, type Severity } from '@/core/findings/finding';
import type { Bulb } from '@/core/units/bulb';
import {
  effectiveBulb,
  efficacyLmPerW,
  minorPerKilolumen,
  type EffectiveBulb,
} from '@/core/units/effective';
import { labelFindings } from '@/core/units/sanity';

/** A bulb with the figures it is ranked by. */
export interface BulbRow {
  bulb: Bulb;
  unit: EffectiveBulb;
  efficacyLmPerW: number;
  minorPerPiece: number;
  minorPerKilolumen: number;
  /** colder (−) or warmer (+) than the shot; null without a shot */
  shiftMired: number | null;
  severity: Severity;
}

export const bulbRows = (bulbs: readonly Bulb[], shotCctK: number | null): BulbRow[] =>
  bulbs.map((bulb) => {
    const unit = effectiveBulb(bulb);
    return {
      bulb,
      unit,
      efficacyLmPerW: efficacyLmPerW(unit),
      minorPerPiece: Math.round(bulb.priceMinor / bulb.packCount),
      minorPerKilolumen: minorPerKilolumen(unit),
      shiftMired: shotCctK === null ? null : mired(unit.cctK.value) - mired(shotCctK),
      severity: worst(labelFindings(bulb)),
    };
  });
