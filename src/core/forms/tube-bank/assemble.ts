import type { Body } from '../../assembly/body';
import { facing } from '../../assembly/poses';
import { cutPiece, slab } from '../../assembly/solids';
import type { SheetPiece } from '../../build/pieces';
import { cross, type Vector } from '../../light/vector';
import type { FormContext } from '../form';
import { boardBody, forwards, made } from '../kit/bodies';
import { partOf } from '../kit/lookup';
import { tubeBodies } from '../kit/tubeBodies';
import { BOARD_M } from '../kit/typical';
import { layout, rowEnds } from './layout';
import { type TubeBank } from './parameters';
import { boardsOf, clipPlaces } from './pieces';

/** Back, walls on it, tubes over it in their clips, the bracket across its back. */
export function assembleBank(bank: TubeBank, context: FormContext): Body[] {
  const laid = layout(bank, context);
  const { upright, longM, rowsM, diameterM } = laid;
  const pieces = boardsOf(bank, laid, context);
  const piece = (id: string) => pieces.find((each) => each.id === id);
  const thickness = partOf(context, bank.boardPartId, 'sheet')?.thicknessM ?? BOARD_M;
  const zM = bank.standoffM + diameterM / 2;
  const rows = rowsM.map((across) => {
    const [[ax, ay], [bx, by]] = rowEnds(upright, across, longM);
    return [[ax, ay, zM] as Vector, [bx, by, zM] as Vector] as const;
  });
  return [
    boardBody(piece('back')!, BOARD_M),
    ...wallBodies(laid, thickness, piece('long-wall'), piece('short-wall')),
    ...tubeBodies({
      tube: laid.tube,
      rows,
      linkRun: bank.linkRun,
      radiusM: diameterM / 2,
      clips: clipPlaces(bank, laid),
      faceM: 0,
      step: 'clip-tubes',
    }),
    ...bracketBody(bank, laid.backWidthM, thickness),
  ];
}

/** Walls stand on the back, flush with its edges, the short ones between the long. */
function wallBodies(
  { backWidthM: w, backHeightM: h }: ReturnType<typeof layout>,
  thickness: number,
  long: SheetPiece | undefined,
  short: SheetPiece | undefined,
): Body[] {
  if (!long || !short) return [];
  const level = w >= h;
  const lip = long.heightM;
  return (['bottom', 'top', 'left', 'right'] as const).flatMap((side): Body[] => {
    const flat = side === 'bottom' || side === 'top';
    const piece = flat === level ? long : short;
    if (piece.widthM <= 0) return [];
    const sign = side === 'top' || side === 'right' ? 1 : -1;
    const inwards: Vector = flat ? [0, -sign, 0] : [-sign, 0, 0];
    const up: Vector = [0, 0, 1];
    const at: Vector = flat ? [0, (sign * h) / 2, lip / 2] : [(sign * w) / 2, 0, lip / 2];
    return [
      made(
        `wall-${side}`,
        'Side wall',
        'board',
        'housing',
        cutPiece(piece, thickness),
        { at, x: cross(up, inwards), y: up },
        {
          piece: piece.id,
          away: flat ? [0, sign, 0] : [sign, 0, 0],
        },
      ),
    ];
  });
}

/** A bar across the back, where its bolts are [typ: 30 × 5 mm]. */
function bracketBody({ bracket }: TubeBank, widthM: number, thickness: number): Body[] {
  if (bracket !== 'yes') return [];
  return [
    made(
      'bracket',
      'Stand bracket',
      'metal',
      'bracket',
      slab(widthM * BRACKET_SHARE, BRACKET_WIDE_M, BRACKET_M),
      facing([0, 0, -thickness - BRACKET_M]),
      { away: forwards(-1.5), outside: true },
    ),
  ];
}
const BRACKET_SHARE = 0.6;
const BRACKET_WIDE_M = 0.03;
const BRACKET_M = 0.005;
