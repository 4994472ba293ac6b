import type { FormContext } from '../form';
import type { ClothPiece, SheetPiece } from '../../build/pieces';
import { circle, labelled, segment } from '../../drawing/shapes';
import type { Shape } from '../../drawing/drawing';
import { COUNTERSINK, THREADS } from '../../materials/fasteners';
import { exactMm } from '../../quantity';
import { furtherLayers } from '../kit/lookup';
import { clothPiece, rectanglePiece } from '../kit/pieces';
import { boltHoles } from './layout';
import type { Sandwich } from './parameters';

/** Back and front, drilled alike; rows are marked on the back, heads sunk into the front; m. */
export function sheetsOf(
  panel: Sandwich,
  rowsM: readonly number[],
  heights: readonly number[],
  context: FormContext,
): SheetPiece[] {
  const { widthM, heightM, bolt } = panel;
  const { clearanceM, diameterM } = THREADS[bolt];
  const atHoles = (radiusM: number, layer: 'drill' | 'mark', words: string) =>
    boltHoles(panel).map(([x, y]) =>
      labelled(circle(x + widthM / 2, y + heightM / 2, radiusM, layer), words),
    );
  const drill = atHoles(clearanceM / 2, 'drill', `bolt ${bolt}, ${exactMm(clearanceM)}`);
  const sunk = atHoles((COUNTERSINK * diameterM) / 2, 'mark', 'countersink');
  const together = 'Clamp both sheets together and drill them in one go; leave the film on.';
  return [
    rectanglePiece('back', 'Back sheet', panel.backPartId, widthM, heightM, context, {
      shapes: [...drill, ...rowMarks(panel, rowsM, heights)],
      markOut: [together, ...rowWords(panel, rowsM, heights)],
    }),
    rectanglePiece('front', 'Front sheet', panel.frontPartId, widthM, heightM, context, {
      shapes: [...drill, ...sunk],
      markOut: [together, 'Countersunk from the outside for flat heads.'],
    }),
  ];
}

/** Films that lie behind the front, held by the same bolts. */
export const filmsOf = (panel: Sandwich, context: FormContext): ClothPiece[] =>
  furtherLayers(panel, context).map((layer, k) =>
    clothPiece(`film-${k + 1}`, `Film ${k + 1}`, layer.id, panel.widthM, panel.heightM, {
      lit: true,
      markOut: ['Behind the front; its bolt holes are punched through the front’s.'],
    }),
  );

/** Where each row of tape lies on the back, seen from the side the tape is on. */
const rowMarks = (
  { edgeM, heightM }: Sandwich,
  rowsM: readonly number[],
  heights: readonly number[],
): Shape[] =>
  rowsM.map((laid, row) => {
    const y = heightM / 2 + heights[row]!;
    return labelled(segment([edgeM, y], [edgeM + laid, y], 'mark'), `row ${row + 1}`);
  });

/** The places of the rows, for who marks them with rule and pencil. */
function rowWords(
  { heightM, edgeM, rowPitchM }: Sandwich,
  rowsM: readonly number[],
  heights: readonly number[],
): string[] {
  if (rowsM.length === 0) return [];
  const first = exactMm(heightM / 2 - heights[0]!);
  const more = rowsM.length > 1 ? `, then every ${exactMm(rowPitchM)}` : '';
  return [
    `${rowsM.length} rows: the first ${first} from the top edge${more}; each begins ${exactMm(edgeM)} from the left and is ${exactMm(rowsM[0]!)} long${rowsM.at(-1)! < rowsM[0]! - 1e-9 ? `, the last ${exactMm(rowsM.at(-1)!)}` : ''}.`,
  ];
}
