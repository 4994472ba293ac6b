import type { FormContext } from '../form';
import { layerParts } from '../kit/lookup';
import { exactMm } from '../../quantity';
import { discPiece, rectanglePiece, sheetPiece } from '../kit/pieces';
import { partOf } from '../kit/lookup';
import { circle, labelled } from '../../drawing/shapes';
import type { Piece } from '../../build/pieces';
import { type StripPan } from './parameters';

/** Where the ends of a rim lap over each other. */
const LAP_M = 0.03;

export function panPieces(pan: StripPan, context: FormContext): Piece[] {
  const layers = layerParts(pan, context);
  const disc = pan.diameterM + 2 * pan.tabM;
  const thickness = partOf(context, pan.boardPartId, 'sheet')?.thicknessM ?? 0;
  return [
    ...(pan.panPartId === null && pan.boardPartId !== null
      ? [
          sheetPiece(
            {
              id: 'base',
              name: 'Base',
              partId: pan.boardPartId,
              shapes: [labelled(circle(0, 0, pan.diameterM / 2, 'cut'), 'base')],
              areaM2: (Math.PI / 4) * pan.diameterM ** 2,
              discM: pan.diameterM,
              mayTurn: true,
              markOut: [`Trammel: ${exactMm(pan.diameterM / 2)}.`],
            },
            context,
          ),
          rectanglePiece(
            'rim-strip',
            'Rim strip',
            pan.boardPartId,
            // It goes round the base: its middle is bent on a circle wider by its thickness.
            Math.PI * (pan.diameterM + thickness) + LAP_M,
            pan.depthM + thickness,
            context,
            {
              markOut: [
                'π · (Ø + thickness) and 30 mm overlap, round the base’s edge; bend it warm or score it inside.',
              ],
            },
          ),
        ]
      : []),
    ...layers.map((layer, k) =>
      discPiece(
        `diffusion-disc-${k + 1}`,
        `Diffusion disc ${k + 1}`,
        layer.id,
        disc,
        { field: 'tabM', nowM: pan.tabM },
        [`Cut a circle of Ø ${exactMm(disc)}; the tab folds over the rim.`],
      ),
    ),
    ...(layers.length > 1 && pan.layerSpacingM > 0
      ? [
          rectanglePiece(
            'spacer-ring',
            'Spacer ring',
            pan.boardPartId,
            Math.PI * (pan.diameterM - thickness) + LAP_M,
            pan.layerSpacingM,
            context,
            {
              count: layers.length - 1,
              markOut: ['Bent to a hoop inside the rim: it holds one disc off the next.'],
            },
          ),
        ]
      : []),
  ];
}
