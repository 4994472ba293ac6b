import type { FormDefinition } from '../form';
import { boardProblems, layoutBoard, mostOnBoard } from './layout';
import { bulbBoardParameters, type BulbBoard } from './parameters';
import { resolve } from './resolve';
import { draw } from './draw';

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
    onHand: ({ groups }, context) =>
      groups.reduce((sum, { bulbId }) => sum + (context.bulb(bulbId)?.onHandCount ?? 0), 0),
  },
  problems: boardProblems,
  limits: (board, context) => {
    const { footprintM, seatM } = layoutBoard(board, context);
    const need = (board.spacing === 'even' ? board.socketCount - 1 : 0) * seatM + 2 * board.insetM;
    return {
      lengthM: { min: Math.max(0.15, need, 2 * board.insetM + 0.02), max: 4 },
      boardWidthM: { min: Math.max(0.04, footprintM), max: 1.2 },
      insetM: {
        min: 0.01,
        max: Math.max(0.01, (board.lengthM - (board.socketCount - 1) * seatM) / 2 - 0.005),
      },
      socketCount: { min: 1, max: mostOnBoard(board, context) },
    };
  },
  resolve,
  draw,
};
