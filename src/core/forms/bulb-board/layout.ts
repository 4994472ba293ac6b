import type { Problem } from '../../result';
import type { FormContext } from '../form';
import { partOf } from '../kit/lookup';
import { mm } from '../../quantity';
import { bulbFrontM, bulbGlowM, bulbsOf } from '../kit/lamps';
import type { BulbBoard } from './parameters';
import { GLOBE_M, SOCKET_FOOT_M, SOCKET_RIM_M } from '../kit/typical';

export interface BoardLayout {
  /** along the board, from its middle; the first at the tail's end */
  positionsM: number[];
  seatM: number;
  footprintM: number;
  globeM: number;
  spacingM: number;
  centreM: number;
  /** height of each group's own glow */
  glowM: number[];
  frontM: number;
}

/**
 * Places of `count` sockets along a board, its middle at 0. Closer at the ends follows
 * sin(π/2·t), which lifts the ends of a wash that would fall away.
 */
export function placesAlong(
  lengthM: number,
  insetM: number,
  count: number,
  spacing: 'even' | 'ends',
): number[] {
  const half = lengthM / 2 - insetM;
  if (count === 1) return [0];
  return Array.from({ length: count }, (_, k) => {
    const t = (2 * k) / (count - 1) - 1;
    return half * (spacing === 'even' ? t : Math.sin((Math.PI / 2) * t));
  });
}

export const smallestGap = (places: readonly number[]): number =>
  places.slice(1).reduce((least, place, k) => Math.min(least, place - places[k]!), Infinity);

export function layoutBoard(board: BulbBoard, context: FormContext): BoardLayout {
  const socket = partOf(context, board.socketPartId, 'socket');
  const bulbs = bulbsOf(board.groups, context);
  const globeM = Math.max(...bulbs.map((bulb) => bulb?.globeDiameterM ?? GLOBE_M));
  const footprintM = socket?.footprintDiameterM ?? SOCKET_FOOT_M;
  const positionsM = placesAlong(board.lengthM, board.insetM, board.socketCount, board.spacing);
  const rimM = socket?.heightM ?? SOCKET_RIM_M;
  const frontM = Math.max(...bulbs.map((bulb) => bulbFrontM(bulb, rimM)));
  return {
    positionsM,
    seatM: Math.max(globeM, footprintM),
    footprintM,
    globeM,
    spacingM: smallestGap(positionsM),
    centreM: frontM - globeM / 2,
    glowM: bulbs.map((bulb) => bulbGlowM(bulb, rimM)),
    frontM,
  };
}

/** Most sockets that stand side by side without touching. */
export function mostOnBoard(board: BulbBoard, context: FormContext): number {
  const { seatM } = layoutBoard({ ...board, socketCount: 1 }, context);
  let most = 1;
  for (let count = 2; count <= 100; count++) {
    if (smallestGap(placesAlong(board.lengthM, board.insetM, count, board.spacing)) < seatM) break;
    most = count;
  }
  return most;
}

export function boardProblems(board: BulbBoard, context: FormContext): Problem[] {
  const { seatM, footprintM, spacingM } = layoutBoard(board, context);
  const problems: Problem[] = [];
  if (board.insetM >= board.lengthM / 2)
    problems.push({
      code: 'inset',
      path: 'insetM',
      message: `An inset of ${mm(board.insetM)} from both ends passes the middle of a board ${mm(board.lengthM)} long.`,
    });
  else if (spacingM < seatM)
    problems.push({
      code: 'sockets_overlap',
      path: 'socketCount',
      message: `${board.socketCount} sockets would stand ${mm(spacingM)} apart but each takes ${mm(seatM)}: at most ${mostOnBoard(board, context)} fit on this board.`,
    });
  if (board.boardWidthM < footprintM)
    problems.push({
      code: 'too_narrow',
      path: 'boardWidthM',
      message: `A socket of Ø ${mm(footprintM)} hangs over a board ${mm(board.boardWidthM)} wide.`,
    });
  return problems;
}
