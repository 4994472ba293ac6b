import type { Body } from '../../assembly/body';
import { facing } from '../../assembly/poses';
import { cutPiece, hoop, rod, slab } from '../../assembly/solids';
import { THREADS } from '../../materials/fasteners';
import type { FormContext } from '../form';
import { boardBody, CLOTH_M, forwards, made, TAPE_M, tapeBody } from '../kit/bodies';
import { tapeWidthOf } from '../kit/tape';
import { boltHoles, layout, SHEET_M } from './layout';
import { type Sandwich } from './parameters';
import { filmsOf, sheetsOf } from './sheets';

/** Two sheets on their bolts, washers between them, rows of tape on the back one, films behind the front. */
export function assemblePanel(panel: Sandwich, context: FormContext): Body[] {
  const { strip, rowM, rows, heights, spacerM } = layout(panel, context);
  const [back, front] = sheetsOf(panel, rows.rowsM, heights, context);
  const films = filmsOf(panel, context);
  const backM = back!.thicknessM || SHEET_M;
  const frontM = front!.thicknessM || SHEET_M;
  // Between tape and front there may be less room than films and tape are drawn thick.
  const tapeM = Math.min(TAPE_M, 0.6 * spacerM);
  const filmsM = Math.min(films.length * CLOTH_M, 0.8 * (spacerM - tapeM));
  return [
    boardBody(back!, SHEET_M),
    ...rows.rowsM.map((laidM, row) =>
      tapeBody(
        `tape-${row + 1}`,
        [-rowM / 2, heights[row]!, 0],
        [-rowM / 2 + laidM, heights[row]!, 0],
        tapeWidthOf(strip),
        tapeM,
      ),
    ),
    ...boltBodies(panel, [backM, spacerM - filmsM, spacerM + frontM]),
    ...films.map(({ id, name }, k) =>
      made(
        id,
        name,
        'cloth',
        'bolt',
        slab(panel.widthM, panel.heightM, filmsM / films.length),
        facing([0, 0, spacerM - filmsM + (k * filmsM) / films.length]),
        { piece: id, away: forwards(2 + 0.5 * k) },
      ),
    ),
    made(
      'front',
      'Front sheet',
      'cloth',
      'bolt',
      cutPiece(front!, SHEET_M),
      facing([0, 0, spacerM]),
      {
        piece: 'front',
        away: forwards(3 + 0.5 * films.length),
      },
    ),
  ];
}

/** Through both sheets, with their washers between. */
function boltBodies(
  panel: Sandwich,
  [backM, washersM, frontM]: readonly [number, number, number],
): Body[] {
  const { diameterM, clearanceM, washer } = THREADS[panel.bolt];
  return boltHoles(panel).flatMap(([x, y], k) => [
    made(
      `washers-${k + 1}`,
      'Washers',
      'metal',
      'bolt',
      hoop(clearanceM / 2, washer.outerM / 2, 0, washersM),
      facing([x, y, 0]),
      { away: forwards(1) },
    ),
    made(
      `bolt-${k + 1}`,
      'Bolt',
      'metal',
      'bolt',
      rod(diameterM / 2, backM + frontM),
      facing([x, y, -backM]),
      { away: forwards(4.5), fastens: true },
    ),
  ]);
}
