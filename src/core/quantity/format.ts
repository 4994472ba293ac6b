import { findUnit, type Dimension, type UnitSystem } from './dimension';

/** A value as an instrument shows it: the figure large, the unit small. */
export interface Shown {
  figure: string;
  unit: string;
}

export const showText = ({ figure, unit }: Shown): string =>
  unit === '' || unit === '°' || unit === '%' ? figure + unit : `${figure} ${unit}`;

/** Three significant figures without exponent, trailing zeros kept only after a point. */
export function threeFigures(value: number): string {
  if (!Number.isFinite(value)) return '–';
  if (value === 0) return '0';
  const rounded = Number(value.toPrecision(3));
  const magnitude = Math.floor(Math.log10(Math.abs(rounded)));
  return rounded.toFixed(Math.min(6, Math.max(0, 2 - magnitude)));
}

const METRIC: Partial<Record<Dimension, string>> = {
  temperature: '°C',
  angle: '°',
  ratio: '%',
  time: 's',
};
const IMPERIAL: Partial<Record<Dimension, string>> = {
  ...METRIC,
  length: 'in',
  area: 'ft²',
  mass: 'lb',
  illuminance: 'fc',
  temperature: '°F',
};

/** The unit symbol in which a value reads well in the given unit system. */
function sensibleUnit(value: number, dimension: Dimension, system: UnitSystem): string {
  const size = Math.abs(value);
  if (dimension === 'length') {
    if (system === 'imperial') return size >= 0.3048 * 6 ? 'ft' : 'in';
    return size >= 1 ? 'm' : size >= 0.1 ? 'cm' : 'mm';
  }
  if (dimension === 'mass' && system === 'metric' && size < 1) return 'g';
  if (dimension === 'power' && size >= 10_000) return 'kW';
  if (dimension === 'time') return size >= 7200 ? 'h' : size >= 120 ? 'min' : 's';
  const preferred = (system === 'imperial' ? IMPERIAL : METRIC)[dimension];
  return preferred ?? defaultUnit(dimension);
}

function defaultUnit(dimension: Dimension): string {
  const plain: Partial<Record<Dimension, string>> = {
    length: 'm',
    area: 'm²',
    mass: 'kg',
    power: 'W',
    voltage: 'V',
    current: 'A',
    colourTemperature: 'K',
    frequency: 'Hz',
    luminousFlux: 'lm',
    illuminance: 'lx',
    luminousIntensity: 'cd',
    luxPerWatt: 'lx/W',
    stops: 'stops',
    turns: 'turns',
  };
  return plain[dimension] ?? '';
}

/** SI value → number in the named unit. The inverse is `parseQuantity` with that unit. */
export function toUnit(value: number, dimension: Dimension, symbol: string): number {
  const unit = findUnit(dimension, symbol);
  if (!unit) throw new Error(`No unit ${symbol} for ${dimension}`);
  return (value - (unit.offset ?? 0)) / unit.factor;
}

/** A quarter of an inch: below it sixteenths tell too little. */
const FINEST_RULED_M = 0.0254 / 4;

/** SI value → figure and unit, three significant figures, in a sensible unit. */
export function show(value: number, dimension: Dimension, system: UnitSystem): Shown {
  if (dimension === 'stops') return { figure: stopsFigure(value), unit: 'stops' };
  if (dimension === 'count') return { figure: String(Math.round(value)), unit: '' };
  // A rule in inches has no decimals; what is finer than it can show has.
  const ruled = Math.abs(value) >= FINEST_RULED_M || value === 0;
  if (dimension === 'length' && system === 'imperial' && ruled && Number.isFinite(value))
    return { figure: feetAndInches(value).replace(/ in$/, ''), unit: 'in' };
  const unit = sensibleUnit(value, dimension, system);
  const number = toUnit(value, dimension, unit);
  if (dimension === 'colourTemperature') return { figure: String(Math.round(number)), unit };
  return { figure: threeFigures(number), unit };
}

/** Stops to a tenth with a sign; never "-0.0". */
export function stopsFigure(stops: number): string {
  if (!Number.isFinite(stops)) return '–';
  const tenths = Math.round(stops * 10) / 10;
  return tenths === 0 ? '0.0' : (tenths > 0 ? '+' : '−') + Math.abs(tenths).toFixed(1);
}

/** The margin in words: "1.3 stops over", "0.4 stops short", "on target". */
export function stopsInWords(stops: number): string {
  if (!Number.isFinite(stops)) return 'no light';
  const tenths = Math.round(Math.abs(stops) * 10) / 10;
  if (tenths === 0) return 'on target';
  return `${tenths.toFixed(1)} stops ${stops > 0 ? 'over' : 'short'}`;
}

/**
 * The text a field shows for editing. Shop lengths keep millimetres (or 1/16 in) rather than
 * three figures, because a maker cuts to them.
 */
export function editText(value: number, dimension: Dimension, system: UnitSystem): string {
  if (dimension !== 'length') return showText(fieldShown(value, dimension, system));
  if (system === 'imperial') return feetAndInches(value);
  const unit = Math.abs(value) >= 1 ? 'm' : Math.abs(value) >= 0.1 ? 'cm' : 'mm';
  const decimals = { m: 3, cm: 1, mm: 1 }[unit];
  return `${Number(toUnit(value, 'length', unit).toFixed(decimals))} ${unit}`;
}

function fieldShown(value: number, dimension: Dimension, system: UnitSystem): Shown {
  const unit = sensibleUnit(value, dimension, system);
  return { figure: String(Number(toUnit(value, dimension, unit).toFixed(4))), unit };
}

/** 1.9939 m → "6 ft 6 1/2 in", rounded to the sixteenth. */
export function feetAndInches(lengthM: number): string {
  const sixteenths = Math.round((Math.abs(lengthM) / 0.0254) * 16);
  const feet = sixteenths >= 16 * 72 ? Math.floor(sixteenths / 192) : 0;
  const inchText = inchFigure(sixteenths - feet * 192);
  const sign = lengthM < 0 && sixteenths > 0 ? '−' : '';
  return sign + (feet ? `${feet} ft ${inchText} in` : `${inchText} in`);
}

function reduce(parts: number, of: number): string {
  if (parts === 0) return '';
  let over = parts;
  let under = of;
  while (over % 2 === 0) [over, under] = [over / 2, under / 2];
  return `${over}/${under}`;
}

/**
 * A length as it is measured out at the bench: millimetres to a tenth, or inches to the sixteenth, whatever its
 * size; two lengths of one list are never in two units.
 */
export const shopLength = (metres: number, system: UnitSystem): string =>
  system === 'imperial' ? inchesText(metres) : `${Number((metres * 1000).toFixed(1))} mm`;

/** 1.9939 m → "78 1/2 in", in parts of an inch. */
function inchesText(metres: number, of = 16): string {
  const parts = Math.round((Math.abs(metres) / 0.0254) * of);
  return `${metres < 0 && parts > 0 ? '−' : ''}${inchFigure(parts, of)} in`;
}

/** 90 sixteenths → "5 5/8". */
export function inchFigure(parts: number, of = 16): string {
  const fraction = reduce(parts % of, of);
  const inches = Math.floor(parts / of);
  return [inches || !fraction ? String(inches) : '', fraction].filter(Boolean).join(' ');
}

/**
 * The width of a drilled hole: millimetres to a tenth, or inches to the sixty-fourth, as bits are sold; sixteenths
 * would make the hole of an M5 bolt narrower than the bolt.
 */
export const boreLength = (diameterM: number, system: UnitSystem): string =>
  system === 'imperial' ? inchesText(diameterM, 64) : shopLength(diameterM, system);

/** Lengths in words; not the mm of mm², not the m of lm/m. */
const LENGTHS = /(?<![\w.,])(\d+(?:\.\d+)?) (mm|cm|m)(?![\w²³/·])/g;
const METRES = { mm: 0.001, cm: 0.01, m: 1 } as const;

/**
 * Words with lengths in them, for who measures in inches.
 * @param names  what is called by a length (a board of 6 mm, a roll of 30 cm) and stays so
 */
export function inSystem(text: string, system: UnitSystem, names: readonly string[] = []): string {
  if (system === 'metric') return text;
  const name = names.find((each) => text.includes(each));
  if (name)
    return text
      .split(name)
      .map((part) => inSystem(part, system, names))
      .join(name);
  return text.replace(LENGTHS, (_, figure: string, unit: keyof typeof METRES) => {
    const metres = Number(figure) * METRES[unit];
    return unit === 'm' ? feetAndInches(metres) : shopLength(metres, system);
  });
}
