import type { LightField } from './lightField';

export interface Evenness {
  minLx: number;
  meanLx: number;
  maxLx: number;
  /** min/mean, 0…1 */
  uniformity: number;
  /** half of log2(max/min): how far the brightest and darkest lie from their middle, in stops */
  plusMinusStops: number;
  columns: number;
  rows: number;
  /** lux by cell, row by row from the top left as the light sees it */
  cellsLx: number[];
}

/** Where the middle of a cell lies on a target centred on the axis, metres. */
export const middleOfCell = (
  cell: number,
  { columns, rows }: Pick<Evenness, 'columns' | 'rows'>,
  widthM: number,
  heightM: number,
): readonly [number, number] => [
  (((cell % columns) + 0.5) / columns - 0.5) * widthM,
  (0.5 - (Math.floor(cell / columns) + 0.5) / rows) * heightM,
];

/**
 * Illuminance over a flat target facing the light, sampled at cell centres.
 * @param planeM distance of the target from the build's origin along +z
 * @param widthM, heightM  size of the target, > 0, centred on the axis
 */
export function evennessOver(
  field: LightField,
  planeM: number,
  widthM: number,
  heightM: number,
  columns = 16,
  rows = 16,
): Evenness {
  const cellsLx = Array.from({ length: columns * rows }, (_, cell) => {
    const [x, y] = middleOfCell(cell, { columns, rows }, widthM, heightM);
    return field.illuminance([x, y, planeM], [0, 0, -1]);
  });
  const minLx = Math.min(...cellsLx);
  const maxLx = Math.max(...cellsLx);
  const meanLx = cellsLx.reduce((sum, lx) => sum + lx, 0) / cellsLx.length;
  return {
    minLx,
    meanLx,
    maxLx,
    uniformity: meanLx > 0 ? minLx / meanLx : 0,
    plusMinusStops: minLx > 0 ? Math.log2(maxLx / minLx) / 2 : Infinity,
    columns,
    rows,
    cellsLx,
  };
}
