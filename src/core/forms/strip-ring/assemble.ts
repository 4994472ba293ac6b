import type { Body } from '../../assembly/body';
import type { FormContext } from '../form';
import { boardBody, turnBody } from '../kit/bodies';
import { stripOf, tapeWidthOf } from '../kit/tape';
import { BOARD_M } from '../kit/typical';
import { layoutStripRing } from './layout';
import type { StripRing } from './parameters';
import { boardPiece, TAPE_HIGH_M } from './resolve';

/** The board and the turns of tape on it. */
export function assembleStripRing(ring: StripRing, context: FormContext): Body[] {
  const layout = layoutStripRing(ring, context);
  const board = boardPiece(ring, layout, context);
  const half = tapeWidthOf(stripOf(ring, context)) / 2;
  return [
    boardBody(board, BOARD_M, { about: [board.hole!.x, board.hole!.y] }),
    ...layout.rows.rowsM.map((laidM, row) => {
      const radius = layout.radiiM[row]!;
      return turnBody(`tape-${row + 1}`, [radius - half, radius + half], [0, TAPE_HIGH_M], laidM);
    }),
  ];
}
