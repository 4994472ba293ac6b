import type { Shelf } from '../shelf/shelf';

/** Headings of the shelf as a table; reading them back finds the same fields. */
const HEADINGS = [
  'Name',
  'Kind',
  'Watts',
  'Lumens',
  'CCT',
  'CRI',
  'Base',
  'Volts',
  'Dimmable',
  'Pack',
  'Price',
  'W/m',
  'lm/m',
  'LED/m',
  'Reel',
] as const;

/** Most columns a table may have; wider ones are no lists of lamps. */
export const MOST_COLUMNS = 60;

type Cell = string | number;

const cell = (value: string | number | null | undefined): Cell => value ?? '';

/**
 * Every unit of the shelf as rows under their headings, for a spreadsheet.
 * @param minorDigits decimals of the production's money
 */
export function shelfTable({ units }: Shelf, minorDigits: number): Cell[][] {
  const price = (minor: number | null) =>
    minor === null ? '' : (minor / 10 ** minorDigits).toFixed(minorDigits);
  return [
    [...HEADINGS],
    ...units.map((unit) => {
      const strip = unit.category === 'strip' ? unit : null;
      const mains = unit.category === 'strip' ? null : unit;
      const bulb = unit.category === 'bulb' ? unit : null;
      return [
        unit.name,
        bulb?.kind ?? unit.category,
        cell(mains?.wattsW),
        cell(mains?.luminousFluxLm),
        cell(unit.cctK),
        cell(unit.criRa),
        cell(bulb?.base),
        cell(strip?.voltageV ?? mains?.supplyV),
        unit.dimmable,
        unit.packCount,
        price(unit.priceMinor),
        cell(strip?.wattsPerM),
        cell(strip?.lumensPerM),
        cell(strip?.ledsPerM),
        cell(strip?.reelLengthM),
      ];
    }),
  ];
}
