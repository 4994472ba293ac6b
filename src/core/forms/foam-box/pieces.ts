import { toDegrees } from '../../angle';
import type { FormContext } from '../form';
import { layerParts } from '../kit/lookup';
import { clothPiece, polygonPiece, rectanglePiece } from '../kit/pieces';
import { circle, labelled, type XY } from '../../drawing/shapes';
import type { Piece } from '../../build/pieces';
import { type BoxLayout } from './layout';
import { type FoamBox } from './parameters';

/** Trapezoid with its back edge at the bottom. */
export const trapezoid = (backM: number, frontM: number, slantM: number): XY[] => [
  [-backM / 2, 0],
  [backM / 2, 0],
  [frontM / 2, slantM],
  [-frontM / 2, slantM],
];

export function boxPieces(box: FoamBox, layout: BoxLayout, context: FormContext): Piece[] {
  const sizes = 'Sizes are those of the outer face.';
  const bevel = `${sizes} Bevel the slanted edges ${toDegrees(layout.mitreRad).toFixed(1)}° from the face; butt them if you tape inside and out.`;
  const back = rectanglePiece(
    'back-plate',
    'Back plate',
    box.boardPartId,
    layout.backWidthM,
    layout.backHeightM,
    context,
    {
      shapes: [
        labelled(
          circle(layout.backWidthM / 2, layout.backHeightM / 2, box.holeDiameterM / 2, 'cut'),
          'hole for the lamp',
        ),
      ],
      markOut: ['Cut the hole a few millimetres smaller than the lamp’s rim, so that it grips.'],
    },
  );
  return [
    polygonPiece(
      'top-and-bottom',
      'Top and bottom',
      box.boardPartId,
      trapezoid(layout.backWidthM, box.frontWidthM, layout.topSlantM),
      context,
      { count: 2, markOut: [bevel] },
    ),
    polygonPiece(
      'side',
      'Side',
      box.boardPartId,
      trapezoid(layout.backHeightM, box.frontHeightM, layout.sideSlantM),
      context,
      { count: 2, markOut: [bevel] },
    ),
    back,
    ...layerParts(box, context).map((layer, k) =>
      clothPiece(
        `layer-${k + 1}`,
        `Layer ${k + 1}`,
        layer.id,
        box.frontWidthM + 2 * box.lipM,
        box.frontHeightM + 2 * box.lipM,
        {
          lit: true,
          tab: { field: 'lipM', nowM: box.lipM },
          markOut: ['Clipped to the lip, so that the lamp can be changed.'],
        },
      ),
    ),
  ];
}
