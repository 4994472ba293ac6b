import type { Body } from '../../assembly/body';
import { lying } from '../../assembly/poses';
import { cutPiece, slab } from '../../assembly/solids';
import type { SheetPiece } from '../../build/pieces';
import type { Vector } from '../../light/vector';
import type { FormContext } from '../form';
import {
  forwards,
  holderBodies,
  IN_PLACE,
  lampBody,
  made,
  sheetBetween,
  standOffBodies,
} from '../kit/bodies';
import { COVER_OFF_M, COVER_SHEET_M, standOffs } from '../kit/covers';
import { bulbsOf } from '../kit/lamps';
import { partOf } from '../kit/lookup';
import { BOARD_M, FOAM_CORE_M, SOCKET_RIM_M } from '../kit/typical';
import { layoutBoard, plateWidthM } from './layout';
import type { BulbBoard } from './parameters';
import { boardPieces, flagPlates, PLATE_M } from './pieces';
import { standing } from './place';

/** A stand-off's middle from the edge; what stays clear of the joining plates. */
const IN_M = 0.008;
const CLEAR_M = 0.01;

/** What is worked out once. */
function partsOf(board: BulbBoard, context: FormContext) {
  const layout = layoutBoard(board, context);
  const sheets = new Map(boardPieces(board, layout, context).map((piece) => [piece.id, piece]));
  const thickness = partOf(context, board.boardPartId, 'sheet')?.thicknessM ?? BOARD_M;
  const x: Vector = [...standing(board, 1), 0];
  return { board, context, layout, sheets, thickness, x };
}
type Parts = ReturnType<typeof partsOf>;

/** Boards, joint, cover on its stand-offs, sockets, bulbs, flags. */
export function assembleBoard(board: BulbBoard, context: FormContext): Body[] {
  const parts = partsOf(board, context);
  const { layout } = parts;
  const bulbs = bulbsOf(board.groups, context);
  const rimM = partOf(context, board.socketPartId, 'socket')?.heightM ?? SOCKET_RIM_M;
  const holder = { footM: layout.footprintM, standoffM: 0, rimM };
  const seats = layout.positionsM.map((along) => standing(board, along));
  return [
    ...boards(parts),
    ...covers(parts),
    ...seats.flatMap((at, k) => holderBodies(k, at, holder, 'screw-sockets')),
    ...seats.map(([x, y], k) => lampBody(bulbs[k % bulbs.length] ?? null, k, [x, y, rimM])),
    ...flags(parts),
  ];
}

/** A flat piece whose length runs along the board; its middle so far along it, and to one side. */
function along({ board, x }: Parts, [alongM, acrossM]: readonly [number, number], zM: number) {
  const [px, py] = standing(board, alongM);
  const y: Vector = [-x[1], x[0], 0];
  return lying([px + y[0] * acrossM, py + y[1] * acrossM, zM], x, y);
}

/** The two stretches of a board in two halves, or its whole length. */
function stretches({ board, layout }: Parts): readonly (readonly [number, number])[] {
  const half = board.lengthM / 2;
  return board.split === 1
    ? [[-half, half]]
    : [
        [-half, layout.jointM],
        [layout.jointM, half],
      ];
}

function boards(parts: Parts): Body[] {
  const { board, layout, sheets, thickness } = parts;
  const ids = board.split === 1 ? ['board'] : ['board-first-half', 'board-second-half'];
  const halves = stretches(parts).map(([from, to], k) => {
    const piece = sheets.get(ids[k]!)!;
    const away = board.split === 1 ? 0 : k - 0.5;
    return made(
      piece.id,
      piece.name,
      'board',
      null,
      cutPiece(piece, BOARD_M),
      along(parts, [(from + to) / 2, 0], -thickness),
      { piece: piece.id, away: [parts.x[0] * away, parts.x[1] * away, 0] },
    );
  });
  const plate = sheets.get('joining-plate');
  if (!plate) return halves;
  const off = board.boardWidthM / 2 - plateWidthM(board) / 2;
  return [
    ...halves,
    ...[-1, 1].map((side, k) =>
      made(
        `joining-plate-${k + 1}`,
        'Joining plate',
        'board',
        'join-halves',
        cutPiece(plate, BOARD_M),
        along(parts, [layout.jointM, side * off], -2 * thickness),
        { piece: 'joining-plate', away: forwards(-0.6) },
      ),
    ),
  ];
}

function covers(parts: Parts): Body[] {
  const { board, layout, sheets, thickness } = parts;
  const ids = ['back-cover', 'back-cover-second'];
  const cut = ids.map((id): SheetPiece | undefined => sheets.get(id));
  const coverM = cut[0]?.thicknessM || COVER_SHEET_M;
  const backM = -thickness - COVER_OFF_M;
  const aSide = Math.ceil(standOffs(2 * (board.lengthM + board.boardWidthM)) / 2);
  const plateTo = board.split === 2 ? PLATE_M / 2 + CLEAR_M : 0;
  const places = [-1, 1]
    .flatMap((side) =>
      Array.from({ length: aSide }, (_, k) => {
        const alongM = ((k + 0.5) / aSide - 0.5) * board.lengthM;
        return { alongM, side };
      }),
    )
    .filter(({ alongM }) => Math.abs(alongM - layout.jointM) >= plateTo);
  return [
    ...standOffBodies(
      places.map(({ alongM, side }) => {
        const { at } = along(parts, [alongM, side * (board.boardWidthM / 2 - IN_M)], 0);
        return [at[0], at[1]] as const;
      }),
      -thickness,
    ),
    ...stretches(parts).map(([from, to], k) =>
      made(
        ids[k]!,
        'Back cover',
        'board',
        'fit-cover',
        cut[k] ? cutPiece(cut[k], COVER_SHEET_M) : slab(to - from, board.boardWidthM, coverM),
        along(parts, [(from + to) / 2, 0], backM - coverM),
        { piece: cut[k]?.id ?? null, away: forwards(-2) },
      ),
    ),
  ];
}

function flags({ board, context, sheets }: Parts): Body[] {
  const upright = board.orientation === 'upright';
  const [w, h] = upright ? [board.boardWidthM, board.lengthM] : [board.lengthM, board.boardWidthM];
  const thickness = partOf(context, board.flagPartId, 'sheet')?.thicknessM || FOAM_CORE_M;
  const long = upright ? ['left', 'right'] : ['top', 'bottom'];
  return flagPlates(board, w, h, context).flatMap(({ name, points }) => {
    const side = name.split(', ')[1]!;
    const isLong = long.includes(side);
    // A board in two halves carries a flag of each half's own on its long sides.
    const ids = !isLong
      ? ['end-flag']
      : board.split === 1
        ? ['side-flag']
        : ['side-flag-first', 'side-flag-second'];
    const middle: Vector = [0, 0, points[2]![2] / 2];
    const outwards = outOf(points, middle);
    const spans = ids.map((id) => ({ id, lengthM: sheets.get(id)?.widthM ?? 0 }));
    let from = 0;
    return spans.map(({ id, lengthM }, k) => {
      const [a, b] = [from, from + lengthM];
      from = b;
      return made(
        `flag-${side}-${k + 1}`,
        'Flag',
        'board',
        'hinge-flags',
        sheetBetween(stretch(points, a, b, upright), thickness, outwards),
        IN_PLACE,
        { piece: id, outside: true, away: awayOf(outwards, middle) },
      );
    });
  });
}

/** A point on the far side of a flag from the light's axis. */
const outOf = (points: readonly Vector[], middle: Vector): Vector => {
  const [mx, my] = [(points[0]![0] + points[1]![0]) / 2, (points[0]![1] + points[1]![1]) / 2];
  return [2 * mx, 2 * my, middle[2]];
};

const awayOf = ([x, y]: Vector, [mx, my]: Vector): Vector => {
  const [dx, dy] = [x - mx, y - my];
  const long = Math.hypot(dx, dy) || 1;
  return [dx / long, dy / long, 0];
};

/** A part of a flag's length, from the end where the sockets begin: the top of an upright board. */
function stretch(points: readonly Vector[], a: number, b: number, upright: boolean): Vector[] {
  const along = upright && points[0]![0] === points[1]![0] ? 1 : 0;
  const ends = [points[0]![along], points[1]![along]];
  const begin = along === 1 ? Math.max(...ends) : Math.min(...ends);
  const way = along === 1 ? -1 : 1;
  const place = (point: Vector, metres: number): Vector => {
    const moved = begin + way * metres;
    return along === 1 ? [point[0], moved, point[2]] : [moved, point[1], point[2]];
  };
  return [place(points[0]!, a), place(points[1]!, b), place(points[2]!, b), place(points[3]!, a)];
}
