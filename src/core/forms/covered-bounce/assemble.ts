import type { Body } from '../../assembly/body';
import { facing, lying } from '../../assembly/poses';
import { cutPiece, rod, slab } from '../../assembly/solids';
import type { Vector } from '../../light/vector';
import type { FormContext } from '../form';
import { barBody, CLOTH_M, forwards, made } from '../kit/bodies';
import { layerParts, partOf } from '../kit/lookup';
import { tubeBodies } from '../kit/tubeBodies';
import { FOAM_CORE_M } from '../kit/typical';
import { layout } from './layout';
import { type Bounce } from './parameters';
import { boardOf, clipsAlong } from './pieces';

/** A stick nobody has chosen yet. */
const STICK_M = 0.012;
const CLEAR_M = 0.002;

/** Sheets glued, stiffeners, tubes over both long edges, rods at the corners, drapes over them. */
export function assembleBounce(bounce: Bounce, context: FormContext): Body[] {
  const { tube, longM, diameterM, y } = layout(bounce, context);
  const board = boardOf(bounce, longM, y, context);
  const sheetM = board.thicknessM || FOAM_CORE_M;
  const rows = [-1, 1].map(
    (side) =>
      [
        [-longM / 2, side * y, bounce.standoffM] as Vector,
        [longM / 2, side * y, bounce.standoffM] as Vector,
      ] as const,
  );
  return [
    ...Array.from({ length: bounce.sheets }, (_, k) =>
      made(
        `white-board-${k + 1}`,
        'White board',
        'board',
        null,
        cutPiece(board, FOAM_CORE_M),
        facing([0, 0, -(k + 1) * sheetM]),
        { piece: 'white-board', away: forwards(-0.4 * k) },
      ),
    ),
    ...stiffenerBodies(bounce, bounce.sheets * sheetM, context),
    ...tubeBodies({
      tube,
      rows,
      linkRun: bounce.linkRun,
      radiusM: diameterM / 2,
      clips: [-1, 1].flatMap((side) =>
        clipsAlong(bounce, longM).map((x) => [x, side * y] as const),
      ),
      faceM: 0,
      step: 'glue-and-clips',
    }),
    ...drapeBodies(bounce, layout(bounce, context), context),
  ];
}

/** Across the back, a quarter of the height from either edge. */
function stiffenerBodies(bounce: Bounce, backM: number, context: FormContext): Body[] {
  if (!bounce.stiffenerPartId) return [];
  const r = (partOf(context, bounce.stiffenerPartId, 'stick')?.diameterM ?? STICK_M) / 2;
  return [-1, 1].map((side, k) => {
    const [x, y, z] = [bounce.widthM / 2, (side * bounce.heightM) / 4, -backM - r];
    return barBody(
      `stiffener-${k + 1}`,
      'Stiffener',
      'pipe',
      'glue-and-clips',
      [
        [-x, y, z],
        [x, y, z],
      ],
      r,
      { piece: 'stiffener', away: forwards(-2), outside: true },
    );
  });
}

/** A rod at each corner; every drape lies over their ends and falls down the edges of the board. */
function drapeBodies(
  bounce: Bounce,
  { longM, diameterM, y: tubeY }: ReturnType<typeof layout>,
  context: FormContext,
): Body[] {
  const layers = layerParts(bounce, context);
  if (!layers.length) return [];
  const { widthM: w, heightM: h, drapeOutM: out } = bounce;
  const r = (partOf(context, bounce.rodPartId, 'stick')?.diameterM ?? STICK_M) / 2;
  // Where the tubes reach into the corners the rods stand within them.
  const [cornerX, cornerY] = [w / 2 - r, h / 2 - r];
  const within = longM / 2 > cornerX - r - CLEAR_M && tubeY + diameterM / 2 > cornerY - r - CLEAR_M;
  const rodY = within ? Math.max(0, tubeY - diameterM / 2 - r - CLEAR_M) : cornerY;
  const rods = [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([sx, sy], k) =>
    made(
      `drape-rod-${k + 1}`,
      'Drape rod',
      'pipe',
      'drape-rods',
      rod(r, out),
      facing([sx! * cornerX, sy! * rodY, 0]),
      { piece: 'drape-rod', away: forwards(1) },
    ),
  );
  return [...rods, ...layers.flatMap((_, k) => drape(k, [w, h, out]))];
}

function drape(k: number, [w, h, out]: readonly [number, number, number]): Body[] {
  const off = k * CLOTH_M;
  const [x, y, z] = [w / 2 + off, h / 2 + off, out + off];
  const told = { piece: `drape-${k + 1}`, away: forwards(3 + k), outside: true } as const;
  const part = (id: string, solid: ReturnType<typeof slab>, pose: Parameters<typeof made>[5]) =>
    made(`drape-${k + 1}${id}`, `Drape ${k + 1}`, 'cloth', 'fit-layers', solid, pose, {
      ...told,
      ...(id && { side: true as const }),
    });
  const up: Vector = [0, 0, 1];
  return [
    part('', slab(2 * x, 2 * y, CLOTH_M), facing([0, 0, z])),
    part('-left', slab(2 * y, z, CLOTH_M), lying([-x - CLOTH_M, 0, z / 2], [0, 1, 0], up)),
    part('-right', slab(2 * y, z, CLOTH_M), lying([x, 0, z / 2], [0, 1, 0], up)),
    part('-top', slab(2 * x, z, CLOTH_M), lying([0, y + CLOTH_M, z / 2], [1, 0, 0], up)),
    part('-bottom', slab(2 * x, z, CLOTH_M), lying([0, -y, z / 2], [1, 0, 0], up)),
  ];
}
