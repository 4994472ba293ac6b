import { circle, labelled } from '../../drawing/shapes';
import { THREADS } from '../../materials/fasteners';
import { exactMm } from '../../quantity';
import type { FormContext } from '../form';
import { rectanglePiece } from '../kit/pieces';
import { type Bounce } from './parameters';

/** Bolts of the tube clips [typ]. */
export const CLIP_BOLT = 'M4';

/** Places of the clips along one run, every tube by itself: a clip that spans a joint holds neither. */
export function clipsAlong(bounce: Bounce, longM: number): number[] {
  const tubeM = longM / bounce.linkRun;
  return Array.from({ length: bounce.linkRun }, (_, tube) => -longM / 2 + tube * tubeM).flatMap(
    (from) =>
      Array.from(
        { length: bounce.clips },
        (_, k) => from + bounce.clipInM + ((tubeM - 2 * bounce.clipInM) * k) / (bounce.clips - 1),
      ),
  );
}

/** The white board with the holes of the clips that hold its tubes. */
export function boardOf(bounce: Bounce, longM: number, y: number, context: FormContext) {
  const clipsAt = clipsAlong(bounce, longM);
  return rectanglePiece(
    'white-board',
    'White board',
    bounce.boardPartId,
    bounce.widthM,
    bounce.heightM,
    context,
    {
      count: bounce.sheets,
      shapes: [-1, 1].flatMap((side) =>
        clipsAt.map((x) =>
          labelled(
            circle(
              x + bounce.widthM / 2,
              bounce.heightM / 2 + side * y,
              THREADS[CLIP_BOLT].clearanceM / 2,
              'drill',
            ),
            `clip bolt ${CLIP_BOLT}, ${exactMm(THREADS[CLIP_BOLT].clearanceM)}`,
          ),
        ),
      ),
      markOut: [`Clips ${exactMm(bounce.clipInM)} from the tubes’ ends.`],
    },
  );
}
