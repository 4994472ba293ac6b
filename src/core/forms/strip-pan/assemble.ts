import type { Body, Solid } from '../../assembly/body';
import { facing } from '../../assembly/poses';
import { hoop, slab } from '../../assembly/solids';
import type { SheetPiece } from '../../build/pieces';
import type { FormContext } from '../form';
import {
  boardBody,
  CLOTH_M,
  foldedDisc,
  forwards,
  layerBody,
  made,
  TAPE_M,
  turnBody,
} from '../kit/bodies';
import { layerParts, partOf } from '../kit/lookup';
import { stripOf, tapeWidthOf } from '../kit/tape';
import { CLAMP_M, layoutPan, RIM_WALL_M, THIN_BOARD_M, wallM } from './layout';
import { type StripPan } from './parameters';
import { panPieces } from './pieces';

/** Between what folds over one another. */
const CLEAR_M = 0.002;

/** The pan, bought or made of a base and a rim, its turns of tape, its discs with what holds them apart. */
export function assemblePan(pan: StripPan, context: FormContext): Body[] {
  const layout = layoutPan(pan, context);
  const R = layout.radiusM;
  const sheet = partOf(context, pan.boardPartId, 'sheet')?.thicknessM || THIN_BOARD_M;
  const bought = pan.panPartId !== null || pan.boardPartId === null;
  const wall = wallM(pan, context);
  const half = tapeWidthOf(stripOf(pan, context)) / 2;
  return [
    ...panBodies(pan, R, bought ? null : sheet, context),
    ...layout.rows.rowsM.map((laidM, row) => {
      const [radius, height] = [layout.radiiM[row]!, layout.heightsM[row]!];
      return pan.tapeOn === 'rim'
        ? turnBody(`tape-${row + 1}`, [R - TAPE_M, R], [height - half, height + half], laidM)
        : turnBody(`tape-${row + 1}`, [radius - half, radius + half], [0, TAPE_M], laidM);
    }),
    ...discBodies(pan, R, wall, sheet, context),
    ...clampBody(pan, R + wall),
  ];
}

function panBodies(pan: StripPan, R: number, sheetM: number | null, context: FormContext): Body[] {
  if (sheetM === null) {
    const tin: Solid = {
      kind: 'turned',
      profile: [
        [0, -RIM_WALL_M],
        [R + RIM_WALL_M, -RIM_WALL_M],
        [R + RIM_WALL_M, pan.depthM],
        [R, pan.depthM],
        [R, 0],
        [0, 0],
      ],
    };
    return [made('pan', 'Pan', 'metal', 'finish-inside', tin, facing([0, 0, 0]))];
  }
  const base = panPieces(pan, context).find(
    (piece): piece is SheetPiece => piece.kind === 'sheet' && piece.id === 'base',
  )!;
  return [
    boardBody(base, sheetM, { away: forwards(-1) }),
    made(
      'rim-strip',
      'Rim strip',
      'board',
      null,
      hoop(R, R + sheetM, -sheetM, pan.depthM),
      facing([0, 0, 0]),
      { piece: 'rim-strip' },
    ),
  ];
}

/** A disc lies on the rim with its tab folded over it; the next one on a hoop within, as far as its tab has room. */
function discBodies(
  pan: StripPan,
  R: number,
  wallM: number,
  sheetM: number,
  context: FormContext,
): Body[] {
  const layers = layerParts(pan, context);
  const apart = pan.layerSpacingM;
  // Nearer than a cloth is drawn thick there would be no room for the hoop.
  const lift = apart > 0 ? Math.max(apart, 2 * CLOTH_M) : CLOTH_M;
  return layers.flatMap((_, k): Body[] => {
    const z = pan.depthM + k * lift;
    const over = R + wallM + k * CLOTH_M;
    const room = k && apart > 0 ? Math.max(0, apart - CLOTH_M - CLEAR_M) : pan.tabM;
    const tab = k && apart === 0 ? 0 : Math.min(pan.tabM, room, pan.depthM);
    const disc = layerBody(
      `diffusion-disc-${k + 1}`,
      `Diffusion disc ${k + 1}`,
      foldedDisc(over, tab),
      z,
      2 + 2 * k,
      { outside: true },
    );
    if (k === 0 || apart <= 0) return [disc];
    const hoopM = hoop(R - sheetM, R, 0, lift - CLOTH_M);
    const from = pan.depthM + (k - 1) * lift + CLOTH_M;
    return [
      made(`spacer-ring-${k}`, 'Spacer ring', 'board', 'fit-layers', hoopM, facing([0, 0, from]), {
        piece: 'spacer-ring',
        away: forwards(1 + 2 * k),
      }),
      disc,
    ];
  });
}

/** In the gap that the tape leaves, under the tab. */
function clampBody({ clampGapM, depthM, tabM, diameterM }: StripPan, outsideM: number): Body[] {
  const high = Math.min(CLAMP_HIGH_M, depthM - tabM - CLEAR_M);
  if (clampGapM <= 0 || high < CLAMP_LEAST_M) return [];
  const angle = Math.PI / 2 + clampGapM / diameterM;
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return [
    made(
      'clamp',
      'Pipe clamp',
      'metal',
      'fit-clamp',
      slab(CLAMP_WIDE_M, high, CLAMP_M),
      { at: [outsideM * c, outsideM * s, high / 2], x: [-s, c, 0], y: [0, 0, 1] },
      { away: [c, s, 0], outside: true },
    ),
  ];
}
const CLAMP_WIDE_M = 0.03;
const CLAMP_HIGH_M = 0.04;
const CLAMP_LEAST_M = 0.005;
