import type { FormDefinition } from '../form';
import { across, along } from '../search';
import { bulbsOnHand } from '../kit/lamps';
import { assembleBoard } from './assemble';
import { boardProblems, layoutBoard, LEAST_INSET_M, mostOnBoard } from './layout';
import { bulbBoardParameters, type BulbBoard } from './parameters';
import { resolve } from './resolve';
import { draw } from './draw';

/** Between the outermost sockets, and beside them, so that a plane fits. */
const LEAST_BETWEEN_M = 0.02;
const PLAY_M = 0.005;

export const bulbBoard: FormDefinition<BulbBoard> = {
  id: 'bulb-board',
  name: 'Bulb board',
  summary: 'Globes in a row on a board, with flags of foam core.',
  gallery: {
    goodFor: ['wash', 'face', 'dressing'],
    skill: 1,
    reach: 'A wash for a backdrop, or a soft-edged strip beside a mirror.',
  },
  parameters: bulbBoardParameters.schema,
  fields: bulbBoardParameters.fields,
  defaults: bulbBoardParameters.defaults,
  fill: {
    parameter: 'socketCount',
    step: () => 1,
    most: mostOnBoard,
    onHand: ({ groups }, context) => bulbsOnHand(groups, context),
  },
  search: [
    across(
      ['lengthM', 'boardWidthM'],
      [0.6, 0.14],
      [0.9, 0.14],
      [1.2, 0.14],
      [1.2, 0.3],
      [2, 0.14],
    ),
    along('orientation', 'upright', 'level'),
  ],
  problems: boardProblems,
  limits: (board, context) => {
    const { footprintM, seatM } = layoutBoard(board, context);
    const need = (board.spacing === 'even' ? board.socketCount - 1 : 0) * seatM + 2 * board.insetM;
    return {
      lengthM: { min: Math.max(need, 2 * board.insetM + LEAST_BETWEEN_M) },
      boardWidthM: { min: footprintM },
      insetM: {
        min: LEAST_INSET_M,
        max: (board.lengthM - (board.socketCount - 1) * seatM) / 2 - PLAY_M,
      },
      socketCount: { max: mostOnBoard(board, context) },
    };
  },
  resolve,
  draw,
  assemble: assembleBoard,
};
