import type { Readout, ReadoutDimension } from '@/core/evaluate/readout';
import { formatMoney, show, type Shown, type UnitSystem } from '@/core/quantity';

/** How this screen writes figures: unit system and currency. */
export interface Writing {
  system: UnitSystem;
  currency: string;
}

export function shown(value: number, dimension: ReadoutDimension, writing: Writing): Shown {
  if (dimension === 'money') return { figure: formatMoney(value, writing.currency), unit: '' };
  if (dimension === 'fNumber') return { figure: `f/${value}`, unit: '' };
  return show(value, dimension, writing.system);
}

/** A rung's large figure. Evenness is a spread, so it wears ± instead of a sign. */
export function shownReadout(readout: Readout<string>, writing: Writing): Shown {
  const { id, value, dimension } = readout;
  if (value === null) return { figure: '–', unit: '' };
  if (id === 'evenness') return { figure: `± ${value.toFixed(2)}`, unit: 'stops' };
  if (id === 'flicker') return { figure: `1/${Math.round(1 / value)}`, unit: 's' };
  return shown(value, dimension, writing);
}
