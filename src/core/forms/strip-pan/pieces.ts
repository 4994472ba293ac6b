import type { FormContext } from '../form';
import { layerParts } from '../kit/lookup';
import { exactMm } from '../../quantity';
import { clothPiece, rectanglePiece, sheetPiece } from '../kit/pieces';
import { circle, labelled } from '../../drawing/shapes';
import type { Piece } from '../../build/pieces';
import { type StripPan } from './parameters';

/** Where the ends of a rim lap over each other. */
const LAP_M = 0.03;

export function panPieces(pan: StripPan, context: FormContext): Piece[] {
  const layers = layerParts(pan, context);
  const disc = pan.diameterM + 2 * pan.tabM;
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
              mayTurn: true,
              markOut: [`Trammel: ${exactMm(pan.diameterM / 2)}.`],
            },
            context,
          ),
          rectanglePiece(
            'rim-strip',
            'Rim strip',
            pan.boardPartId,
            Math.PI * pan.diameterM + LAP_M,
            pan.depthM,
            context,
            { markOut: ['π · Ø and 30 mm overlap; bend it warm or score it inside.'] },
          ),
        ]
      : []),
    ...layers.map((layer, k) =>
      clothPiece(`diffusion-disc-${k + 1}`, `Diffusion disc ${k + 1}`, layer.id, disc, disc, {
        markOut: [`Cut a circle of Ø ${exactMm(disc)}; the tab folds over the rim.`],
      }),
    ),
  ];
}
