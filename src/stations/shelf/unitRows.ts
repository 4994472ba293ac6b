import { mired } from '@/core/colour/mired';
import { worst, type Severity } from '@/core/findings/finding';
import {
  efficacyLmPerW,
  minorEach,
  minorPerKilolumen,
  oneOf,
  type EffectiveUnit,
} from '@/core/units/effective';
import { labelFindings } from '@/core/units/sanity';
import type { Category, Unit } from '@/core/units/unit';

export const CATEGORY_NAMES: Record<Category, string> = {
  bulb: 'Bulbs',
  strip: 'LED tape',
  tube: 'Tubes and bars',
  'work-light': 'Work lights',
  panel: 'Panels',
};
/** One of a category, in a sentence. */
export const ONE_OF: Record<Category, string> = {
  bulb: 'bulb',
  strip: 'LED tape',
  tube: 'tube or bar',
  'work-light': 'work light',
  panel: 'panel',
};

/** A unit with the figures it is ranked by: of one piece, or one metre of tape. */
export interface UnitRow {
  unit: Unit;
  one: EffectiveUnit;
  efficacyLmPerW: number;
  /** both null where nobody has told a price */
  minorEach: number | null;
  minorPerKilolumen: number | null;
  /** colder (−) or warmer (+) than the shot; null without a shot */
  shiftMired: number | null;
  severity: Severity;
}

export function unitRow(unit: Unit, shotCctK: number | null): UnitRow {
  const one = oneOf(unit);
  const each = minorEach(unit);
  return {
    unit,
    one,
    efficacyLmPerW: efficacyLmPerW(one),
    minorEach: each === null ? null : Math.round(each),
    minorPerKilolumen: minorPerKilolumen(unit),
    shiftMired: shotCctK === null ? null : mired(one.cctK.value) - mired(shotCctK),
    severity: worst(labelFindings(unit)),
  };
}
