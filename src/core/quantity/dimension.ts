import { DEGREE } from '../angle';

/** 0 °C, K: exactly so [std: SI brochure]. */
export const KELVIN = 273.15;

/** One way of writing a quantity: SI value = number · factor + offset. */
export interface UnitSpelling {
  symbol: string;
  factor: number;
  offset?: number;
  /** Other ways people write it; matched without regard to case unless `exact`. */
  aliases?: readonly string[];
  exact?: boolean;
}

const DIMENSIONS = {
  // Inch and foot: exactly 25.4 mm and 0.3048 m [std: international yard and pound agreement, 1959].
  length: [
    { symbol: 'm', factor: 1, aliases: ['metre', 'metres', 'meter', 'meters'] },
    { symbol: 'cm', factor: 0.01 },
    { symbol: 'mm', factor: 0.001 },
    { symbol: 'in', factor: 0.0254, aliases: ['"', '″', '”', 'inch', 'inches'] },
    { symbol: 'ft', factor: 0.3048, aliases: ["'", '′', '’', 'foot', 'feet'] },
  ],
  area: [
    { symbol: 'm²', factor: 1, aliases: ['m2', 'sqm', 'sq m'] },
    { symbol: 'cm²', factor: 1e-4, aliases: ['cm2'] },
    { symbol: 'mm²', factor: 1e-6, aliases: ['mm2'] },
    { symbol: 'ft²', factor: 0.09290304, aliases: ['ft2', 'sqft', 'sq ft'] },
  ],
  // Pound: exactly 0.45359237 kg, same agreement.
  mass: [
    { symbol: 'kg', factor: 1 },
    { symbol: 'g', factor: 0.001 },
    { symbol: 'lb', factor: 0.45359237, aliases: ['lbs', 'pound', 'pounds'] },
    { symbol: 'oz', factor: 0.028349523125 },
  ],
  power: [
    { symbol: 'W', factor: 1, aliases: ['watt', 'watts'] },
    { symbol: 'kW', factor: 1000 },
  ],
  voltage: [
    { symbol: 'V', factor: 1, aliases: ['volt', 'volts'] },
    { symbol: 'mV', factor: 0.001 },
  ],
  current: [
    { symbol: 'A', factor: 1, aliases: ['amp', 'amps'] },
    { symbol: 'mA', factor: 0.001 },
  ],
  temperature: [
    { symbol: 'K', factor: 1, exact: true },
    { symbol: '°C', factor: 1, offset: KELVIN, aliases: ['C', 'degC', '℃'] },
    { symbol: '°F', factor: 5 / 9, offset: KELVIN - (32 * 5) / 9, aliases: ['F', 'degF'] },
  ],
  colourTemperature: [{ symbol: 'K', factor: 1, aliases: ['kelvin'] }],
  angle: [
    { symbol: '°', factor: DEGREE, aliases: ['deg', 'degree', 'degrees'] },
    { symbol: 'rad', factor: 1 },
  ],
  time: [
    { symbol: 's', factor: 1, aliases: ['sec', 'second', 'seconds'] },
    { symbol: 'ms', factor: 0.001 },
    { symbol: 'min', factor: 60, aliases: ['minute', 'minutes'] },
    { symbol: 'h', factor: 3600, aliases: ['hour', 'hours', 'hr', 'hrs'] },
  ],
  frequency: [
    { symbol: 'Hz', factor: 1 },
    { symbol: 'fps', factor: 1, aliases: ['frames/s'] },
    { symbol: 'kHz', factor: 1000 },
  ],
  luminousFlux: [
    { symbol: 'lm', factor: 1, aliases: ['lumen', 'lumens'] },
    { symbol: 'klm', factor: 1000 },
  ],
  // Foot-candle: one lumen per square foot.
  illuminance: [
    { symbol: 'lx', factor: 1, aliases: ['lux'] },
    { symbol: 'klx', factor: 1000, aliases: ['kilolux'] },
    { symbol: 'fc', factor: 1 / 0.09290304, aliases: ['footcandle', 'footcandles'] },
  ],
  luminousIntensity: [
    { symbol: 'cd', factor: 1, aliases: ['candela', 'candelas'] },
    { symbol: 'kcd', factor: 1000 },
  ],
  luxPerWatt: [{ symbol: 'lx/W', factor: 1 }],
  ratio: [
    { symbol: '%', factor: 0.01, aliases: ['percent'] },
    { symbol: '', factor: 1 },
  ],
  stops: [{ symbol: 'stops', factor: 1, aliases: ['stop', 'ev'] }],
  /** of tape round a rim: parts of one matter */
  turns: [{ symbol: 'turns', factor: 1, aliases: ['turn'] }],
  // Written the way photographers write it: "f/2.8" or "2.8".
  fNumber: [{ symbol: '', factor: 1 }],
  count: [{ symbol: '', factor: 1, aliases: ['pcs', 'pieces'] }],
} as const satisfies Record<string, readonly UnitSpelling[]>;

export type Dimension = keyof typeof DIMENSIONS;
export type UnitSystem = 'metric' | 'imperial';

export const spellingsOf = (dimension: Dimension): readonly UnitSpelling[] => DIMENSIONS[dimension];

/** Finds a unit by symbol or alias; undefined when this dimension has no such unit. */
export function findUnit(dimension: Dimension, text: string): UnitSpelling | undefined {
  const spelled = text.trim();
  const folded = spelled.toLowerCase();
  const all = spellingsOf(dimension);
  return (
    all.find((unit) => unit.symbol === spelled) ??
    all.find(
      (unit) =>
        (!unit.exact && unit.symbol.toLowerCase() === folded) ||
        unit.aliases?.some((alias) => alias.toLowerCase() === folded),
    )
  );
}
