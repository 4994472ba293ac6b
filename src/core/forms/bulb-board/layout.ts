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
  /** from each socket to the next */
  gapsM: number[];
  /** where it parts in two: between sockets, as near the middle as can be; 0 is the middle */
  jointM: number;
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

/** A joint never falls on a socket: the middle of the gap that is nearest the board's middle. */
function jointAlong(places: readonly number[]): number {
  const middles = places.slice(1).map((place, k) => (place + places[k]!) / 2);
  return middles.reduce(
    (best, middle) => (Math.abs(middle) < Math.abs(best) - 1e-9 ? middle : best),
    middles[0] ?? 0,
  );
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
    gapsM: positionsM.slice(1).map((place, k) => place - positionsM[k]!),
    jointM: jointAlong(positionsM),
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
  if (board.insetM < LEAST_INSET_M)
    problems.push({
      code: 'edge',
      path: 'insetM',
      message: `A cord hole of ${mm(HOLE_M)} so near the end breaks out of the board: set the outer sockets at least ${mm(LEAST_INSET_M)} in.`,
    });
  if (board.boardWidthM < footprintM)
    problems.push({
      code: 'too_narrow',
      path: 'boardWidthM',
      message: `A socket of Ø ${mm(footprintM)} hangs over a board ${mm(board.boardWidthM)} wide.`,
    });
  if (board.split === 2 && board.socketCount > 1 && plateWidthM(board) < LEAST_PLATE_M)
    problems.push({
      code: 'no_plate_room',
      path: 'boardWidthM',
      message: `Beside the cord holes of a board ${mm(board.boardWidthM)} wide there is no room for the plates that join two halves: make it at least ${mm(2 * LEAST_PLATE_M + HOLE_M + 2 * CLEAR_M)} wide.`,
    });
  return problems;
}

/** Cord hole, what stays clear beside it, and the narrowest plate that holds two halves [common practice]. */
const HOLE_M = 0.025;
const CLEAR_M = 0.01;
const LEAST_PLATE_M = 0.015;
/** Half a cord hole, and the board that is left beside it. */
export const LEAST_INSET_M = 0.015;
const WIDEST_PLATE_M = 0.04;

/** Plates over a joint run along both edges, clear of the row of holes. */
export const plateWidthM = ({ boardWidthM }: BulbBoard): number =>
  Math.min(WIDEST_PLATE_M, (boardWidthM - HOLE_M) / 2 - CLEAR_M);
