import type { SheetPiece } from '../../build/pieces';
import { circle, labelled, segment, type XY } from '../../drawing/shapes';
import { THREADS } from '../../materials/fasteners';
import { exactMm } from '../../quantity';
import type { FormContext } from '../form';
import { partOf } from '../kit/lookup';
import { rectanglePiece } from '../kit/pieces';
import { BOARD_M } from '../kit/typical';
import { layout, rowEnds } from './layout';
import { type TubeBank } from './parameters';

/** Bolts of the bracket [common practice]. */
export const BRACKET_BOLT = 'M6';
/** Clips sit so far from a tube's ends, as a share of it. */
const CLIP_IN = 0.2;
const SCREW_PILOT_M = 0.002;

/** The back with its bracket holes, every tube's line and the holes of its clips; the lip that stands on its edge. */
export function boardsOf(
  bank: TubeBank,
  { backWidthM: widthM, backHeightM: heightM, rowsM, longM, upright }: ReturnType<typeof layout>,
  context: FormContext,
): SheetPiece[] {
  const thickness = partOf(context, bank.boardPartId, 'sheet')?.thicknessM ?? BOARD_M;
  const wall = (id: string, name: string, lengthM: number, note: string) =>
    rectanglePiece(id, name, bank.boardPartId, lengthM, bank.lipM, context, {
      count: 2,
      markOut: [note],
    });
  const onBack = ([x, y]: XY): XY => [x + widthM / 2, y + heightM / 2];
  const lines = rowsM.map((across, k) => {
    const [a, b] = rowEnds(upright, across, longM);
    return labelled(segment(onBack(a), onBack(b), 'mark'), `tube line ${k + 1}`);
  });
  const bolt = THREADS[BRACKET_BOLT].clearanceM;
  return [
    rectanglePiece('back', 'Back', bank.boardPartId, widthM, heightM, context, {
      shapes: [
        ...(bank.bracket === 'yes'
          ? [-1, 1].map((side) =>
              labelled(
                circle(widthM / 2 + side * widthM * 0.2, heightM / 2, bolt / 2, 'drill'),
                `bracket bolt ${BRACKET_BOLT}, ${exactMm(bolt)}`,
              ),
            )
          : []),
        ...lines,
        ...clipPlaces(bank, { rowsM, longM, upright }).map((at) => {
          const [x, y] = onBack(at);
          return labelled(circle(x, y, SCREW_PILOT_M / 2, 'drill'), 'tube clip, pilot 2 mm');
        }),
      ],
      markOut: [
        `Tube lines ${exactMm(bank.pitchM)} apart, the outer ones ${exactMm(bank.edgeM + bank.pitchM / 2)} from the edges beside them; clips a fifth of a tube from its ends.`,
      ],
    }),
    ...(bank.lipM > 0
      ? [
          wall(
            'long-wall',
            'Long wall',
            Math.max(widthM, heightM),
            'Stands on the back, flush with its edge, over its whole length.',
          ),
          wall(
            'short-wall',
            'Short wall',
            Math.min(widthM, heightM) - 2 * thickness,
            'Stands between the long walls: shorter than the back by both their thicknesses.',
          ),
        ]
      : []),
  ];
}

/** Two clips a tube, each tube of a run by itself. */
export function clipPlaces(
  bank: TubeBank,
  { rowsM, longM, upright }: Pick<ReturnType<typeof layout>, 'rowsM' | 'longM' | 'upright'>,
): XY[] {
  const tubeM = longM / bank.linkRun;
  return rowsM.flatMap((across) =>
    Array.from({ length: bank.linkRun }, (_, k) => -longM / 2 + k * tubeM).flatMap((from) =>
      [CLIP_IN, 1 - CLIP_IN].map((share): XY => {
        const along = from + share * tubeM;
        return upright ? [across, along] : [along, across];
      }),
    ),
  );
}
