import type { SheetPiece } from '../../build/pieces';
import { circle, labelled } from '../../drawing/shapes';
import { rectangularSkirt, type Plate } from '../../light/controls';
import { exactMm } from '../../quantity';
import type { FormContext } from '../form';
import { rectanglePiece } from '../kit/pieces';
import { sheetReflectance } from '../kit/things';
import { plateWidthM, type BoardLayout } from './layout';
import { type BulbBoard } from './parameters';
import { DRILL_M } from './place';

/** The plates over the joint of two halves are so long [common practice]. */
export const PLATE_M = 0.2;

const LONG = { upright: ['left', 'right'], level: ['top', 'bottom'] } as const;
const SHORT = { upright: LONG.level, level: LONG.upright } as const;

/** Flags as they stand forwards of the board's edges. */
export function flagPlates(board: BulbBoard, w: number, h: number, context: FormContext): Plate[] {
  const { flags, orientation, flagDepthM, flagPartId } = board;
  const edges = [
    ...(flags === 'sides' || flags === 'all' ? LONG[orientation] : []),
    ...(flags === 'ends' || flags === 'all' ? SHORT[orientation] : []),
  ];
  const bare = sheetReflectance(flagPartId, context);
  return rectangularSkirt('flag', w, h, 0, flagDepthM, edges, bare);
}

/** One board, or two halves with the plates that join them. */
function bareBoards(board: BulbBoard, layout: BoardLayout, context: FormContext): SheetPiece[] {
  const { lengthM, boardWidthM, boardPartId } = board;
  const part = (id: string, name: string, fromM: number, toM: number) => {
    const own = layout.positionsM.flatMap((along, k) => {
      const at = along + lengthM / 2;
      return at > fromM && at < toM ? [{ at: at - fromM, socket: k + 1 }] : [];
    });
    const places = own.map(({ at }) => exactMm(at)).join(', ');
    return rectanglePiece(id, name, boardPartId, toM - fromM, boardWidthM, context, {
      shapes: own.map(({ at, socket }) =>
        labelled(circle(at, boardWidthM / 2, DRILL_M, 'drill'), `socket ${socket}, 25 mm`),
      ),
      markOut: [`Sockets at ${places} from ${fromM > 0 ? 'the joint' : 'one end'}.`],
    });
  };
  if (board.split === 1) return [part('board', 'Board', 0, lengthM)];
  const joint = lengthM / 2 + layout.jointM;
  return [
    part('board-first-half', 'Board, first half', 0, joint),
    part('board-second-half', 'Board, second half', joint, lengthM),
    rectanglePiece(
      'joining-plate',
      'Joining plate',
      boardPartId,
      PLATE_M,
      Math.max(DRILL_M, plateWidthM(board)),
      context,
      { count: 2, markOut: ['One along each edge behind the joint, clear of the cord holes.'] },
    ),
  ];
}

export function boardPieces(
  board: BulbBoard,
  layout: BoardLayout,
  context: FormContext,
): SheetPiece[] {
  const { lengthM, boardWidthM, flagDepthM, flags, split, coverPartId } = board;
  const joint = lengthM / 2 + layout.jointM;
  const flag = (id: string, name: string, longM: number) =>
    rectanglePiece(id, name, board.flagPartId, longM, flagDepthM, context, {
      count: 2,
      markOut: ['Hinge along one long edge with tape.'],
    });
  // A board in two halves folds with its flags: each half carries its own.
  const sides =
    split === 1
      ? [flag('side-flag', 'Side flag', lengthM)]
      : [
          flag('side-flag-first', 'Side flag, first half', joint),
          flag('side-flag-second', 'Side flag, second half', lengthM - joint),
        ];
  const cover = (id: string, name: string, longM: number) =>
    rectanglePiece(id, name, coverPartId, longM, boardWidthM, context, {
      markOut: ['A notch of 10 mm in one short edge lets the tail out.'],
    });
  return [
    ...bareBoards(board, layout, context),
    ...(flags === 'sides' || flags === 'all' ? sides : []),
    ...(flags === 'ends' || flags === 'all' ? [flag('end-flag', 'End flag', boardWidthM)] : []),
    ...(coverPartId === null
      ? []
      : split === 1
        ? [cover('back-cover', 'Back cover', lengthM)]
        : [
            cover('back-cover', 'Back cover, first half', joint),
            cover('back-cover-second', 'Back cover, second half', lengthM - joint),
          ]),
  ];
}
