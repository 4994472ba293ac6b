import type { FormContext } from '../form';
import { exactMm, layerParts } from '../kit/choices';
import { pointsPerRow } from '../kit/lamps';
import { clothPiece, rectanglePiece, sheetPiece } from '../kit/pieces';
import { circle, labelled } from '../../drawing/shapes';
import type { Piece } from '../../build/pieces';
import { type PanLayout } from './layout';
import { type StripPan } from './parameters';

const POINTS_PER_ROW = 36;

/** Light of a rim crosses the pan; a base row faces the mouth. */
export function points(pan: StripPan, { radiiM, heightsM, rows }: PanLayout) {
  const count = pointsPerRow(rows.rowsM.length, POINTS_PER_ROW);
  return rows.rowsM.flatMap((laid, row) =>
    Array.from({ length: count }, (_, k) => {
      const angle = Math.PI / 2 - ((k + 0.5) * (laid / count)) / radiiM[row]!;
      const [x, y] = [Math.cos(angle), Math.sin(angle)];
      return {
        positionM: [radiiM[row]! * x, radiiM[row]! * y, heightsM[row]!] as const,
        axis: pan.tapeOn === 'rim' ? ([-x, -y, 0] as const) : ([0, 0, 1] as const),
      };
    }),
  );
}

/**
 * Share of a rim tape's Lambertian light that meets the mouth directly: half goes up, and what passes
 * under the far rim's edge is lost to the walls; atan(2R/h)/π of it stays above the horizon to the rim.
 */
export function directShare(pan: StripPan, layout: PanLayout): number {
  const up = Math.max(0.001, pan.depthM - (layout.heightsM[0] ?? 0));
  if (pan.tapeOn === 'base') {
    const ratio = layout.radiusM / pan.depthM;
    // Lambertian centre point to a coaxial disc: R²/(R² + h²).
    return ratio ** 2 / (1 + ratio ** 2);
  }
  return 0.5 * (1 - up / Math.hypot(up, 2 * layout.radiusM));
}

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
            Math.PI * pan.diameterM + 0.03,
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
