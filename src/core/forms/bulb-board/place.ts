import { type BulbBoard } from './parameters';

export const DRILL_M = 0.0125;

/** x, y of a place along the board as it stands. */
export const standing = (board: BulbBoard, along: number): readonly [number, number] =>
  board.orientation === 'upright' ? [0, -along] : [along, 0];
