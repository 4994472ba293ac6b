import type { Body } from '../../assembly/body';
import { facing } from '../../assembly/poses';
import { cutPiece, hoop } from '../../assembly/solids';
import type { SheetPiece } from '../../build/pieces';
import type { FormContext } from '../form';
import {
  boardBody,
  CLOTH_M,
  forwards,
  holderBodies,
  lampBody,
  made,
  standOffBodies,
} from '../kit/bodies';
import { COVER_OFF_M, COVER_SHEET_M, standOffs } from '../kit/covers';
import { bulbsOf } from '../kit/lamps';
import { partOf } from '../kit/lookup';
import { BOARD_M } from '../kit/typical';
import { layoutRing, SOCKET_HEIGHT_M, type RingLayout } from './layout';
import { ringPieces } from './marks';
import type { BulbRing } from './parameters';

/** A stand-off's middle from the rim; kept so far off the centre bar. */
const IN_M = 0.01;
const CLEAR_M = 0.006;

/** Board, bar, cover on its stand-offs, sockets, bulbs, skirt. */
export function assembleRing(ring: BulbRing, context: FormContext): Body[] {
  const layout = layoutRing(ring, context);
  const sheets = ringPieces(ring, context, layout).filter(
    (piece): piece is SheetPiece => piece.kind === 'sheet',
  );
  const piece = (id: string) => sheets.find((each) => each.id === id);
  const board = piece('ring-board')!;
  const thickness = board.thicknessM || BOARD_M;
  const middle = [board.hole!.x, board.hole!.y] as const;
  const bulbs = bulbsOf(ring.groups, context);
  const holder = {
    footM: layout.footprintM,
    standoffM: ring.standoffM,
    rimM:
      ring.standoffM + (partOf(context, ring.socketPartId, 'socket')?.heightM ?? SOCKET_HEIGHT_M),
  };
  const bar = piece('centre-bar');
  return [
    boardBody(board, BOARD_M, { about: middle }),
    ...(bar
      ? [
          made(
            'centre-bar',
            'Centre bar',
            'board',
            'fit-bar',
            cutPiece(bar, BOARD_M),
            facing([0, 0, -thickness - (bar.thicknessM || BOARD_M)]),
            { piece: 'centre-bar', away: forwards(-1) },
          ),
        ]
      : []),
    ...coverBodies(ring, layout, piece('back-cover'), thickness),
    ...layout.seats.flatMap(({ x, y }, k) => holderBodies(k, [x, y], holder, 'screw-sockets')),
    ...layout.seats.map(({ x, y, group }, k) =>
      lampBody(bulbs[group] ?? null, k, [x, y, holder.rimM]),
    ),
    ...(ring.skirtDepthM > 0
      ? [
          made(
            'skirt',
            'Skirt',
            'cloth',
            'hang-skirt',
            hoop(layout.outerRadiusM, layout.outerRadiusM + CLOTH_M, 0, ring.skirtDepthM),
            facing([0, 0, 0]),
            { piece: 'skirt', away: forwards(3), outside: true },
          ),
        ]
      : []),
  ];
}

function coverBodies(
  ring: BulbRing,
  layout: RingLayout,
  cut: SheetPiece | undefined,
  thickness: number,
): Body[] {
  const [R, r] = [layout.outerRadiusM, Math.max(0, layout.innerRadiusM)];
  const radius = R - Math.min(IN_M, (R - r) / 4);
  const count = standOffs(2 * Math.PI * R);
  const places = Array.from({ length: count }, (_, k) => {
    const angle = Math.PI / 2 + (2 * Math.PI * (k + 0.5)) / count;
    return [radius * Math.cos(angle), radius * Math.sin(angle)] as const;
  }).filter(
    ([, y]) => ring.centreBarWidthM <= 0 || Math.abs(y) > ring.centreBarWidthM / 2 + CLEAR_M,
  );
  const back = -thickness - COVER_OFF_M;
  const coverM = cut?.thicknessM || COVER_SHEET_M;
  return [
    ...standOffBodies(places, -thickness),
    made(
      'back-cover',
      'Back cover',
      'board',
      'fit-cover',
      cut ? cutPiece(cut, COVER_SHEET_M, [cut.hole!.x, cut.hole!.y]) : hoop(r, R, 0, coverM),
      facing([0, 0, back - coverM]),
      { piece: cut ? 'back-cover' : null, away: forwards(-2) },
    ),
  ];
}
