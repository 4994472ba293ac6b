import type { FormContext } from '../form';
import { mm } from '../../quantity';
import { type XY } from '../../drawing/shapes';
import { washersFor } from '../../materials/fasteners';
import { cutMarkOf, cutRows, stripOf, tapeWidthOf } from '../kit/tape';
import type { Problem } from '../../result';
import { type Sandwich } from './parameters';

/** Acrylic nobody has chosen yet. */
export const SHEET_M = 0.004;
/** More rows than this are no panel. */
const MOST_ROWS = 200;

export function layout(panel: Sandwich, context: FormContext) {
  const strip = stripOf(panel, context);
  const width = tapeWidthOf(strip);
  const room = panel.heightM - 2 * panel.edgeM - width;
  const count =
    room < -1e-9 ? 0 : Math.min(MOST_ROWS, Math.floor(room / panel.rowPitchM + 1e-9) + 1);
  const rowM = Math.max(0, panel.widthM - 2 * panel.edgeM);
  const rows = cutRows(Array<number>(count).fill(rowM), panel.tapeLengthM, cutMarkOf(strip));
  const strung = washersFor(panel.bolt, panel.spacerM);
  const heights = Array.from({ length: count }, (_, k) => ((count - 1) / 2 - k) * panel.rowPitchM);
  return { strip, count, rowM, rows, heights, washers: strung.count, spacerM: strung.thickM };
}

/** Bolt holes along the border, corners counted once. */
export function boltHoles({ widthM, heightM, edgeM, boltsX, boltsY }: Sandwich): XY[] {
  const [x, y] = [widthM / 2 - edgeM / 2, heightM / 2 - edgeM / 2];
  const along = Array.from({ length: boltsX }, (_, k) => -x + (2 * x * k) / (boltsX - 1));
  const up = Array.from({ length: boltsY }, (_, k) => -y + (2 * y * k) / (boltsY - 1)).slice(1, -1);
  return [
    ...along.flatMap((px): XY[] => [
      [px, -y],
      [px, y],
    ]),
    ...up.flatMap((py): XY[] => [
      [-x, py],
      [x, py],
    ]),
  ];
}

export function problems(panel: Sandwich, context: FormContext): Problem[] {
  const width = tapeWidthOf(stripOf(panel, context));
  const found: Problem[] = [];
  if (2 * panel.edgeM + width > Math.min(panel.widthM, panel.heightM))
    found.push({
      code: 'edge',
      path: 'edgeM',
      message: `Edges of ${mm(panel.edgeM)} leave no room for tape on a panel ${mm(Math.min(panel.widthM, panel.heightM))} across.`,
    });
  if (panel.rowPitchM < width - 1e-9)
    found.push({
      code: 'rows_overlap',
      path: 'rowPitchM',
      message: `Rows ${mm(panel.rowPitchM)} apart overlap: the tape is ${mm(width)} wide.`,
    });
  return found;
}
