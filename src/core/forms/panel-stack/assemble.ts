import type { Body } from '../../assembly/body';
import { facing } from '../../assembly/poses';
import { between, cutPiece, hoop, shell, slab } from '../../assembly/solids';
import type { SheetPiece } from '../../build/pieces';
import type { Vector } from '../../light/vector';
import type { FormContext } from '../form';
import { CLOTH_M, forwards, IN_PLACE, layerBody, made } from '../kit/bodies';
import { furtherLayers, layerParts } from '../kit/lookup';
import { BOARD_M } from '../kit/typical';
import { layout } from './layout';
import { type Stack } from './parameters';
import { bracketPieces, PANEL_DEEP_M } from './resolve';

/** Panels on their bracket, the box round their edges, its own front, layers over it. */
export function assembleStack(stack: Stack, context: FormContext): Body[] {
  const laid = layout(stack, context);
  const { panel, places, w, h, stackW, stackH } = laid;
  const deep = panel?.depthM ?? PANEL_DEEP_M;
  const bracket = bracketPieces(stack, laid, context).find(
    (piece): piece is SheetPiece => piece.kind === 'sheet',
  );
  const boardM = bracket?.thicknessM || BOARD_M;
  return [
    ...(bracket
      ? [
          made(
            'bracket',
            'Bracket',
            'board',
            null,
            cutPiece(bracket, BOARD_M),
            facing([0, 0, -deep - boardM]),
            { piece: 'bracket', away: forwards(-1) },
          ),
        ]
      : [
          made(
            'bracket',
            'Bracket',
            'metal',
            'bolt-panels',
            slab(stackW, stackH, boardM),
            facing([0, 0, -deep - boardM]),
            { away: forwards(-1) },
          ),
        ]),
    ...places.map(([x, y], k) =>
      made(
        `panel-${k + 1}`,
        panel?.name ?? 'Panel',
        'lamp',
        'bolt-panels',
        slab(w, h, deep),
        facing([x, y, -deep]),
      ),
    ),
    ...boxBodies(stack, [stackW / 2, stackH / 2]),
    ...frontBodies(stack, context),
  ];
}

/** The folding box, from the corners of the stack to its mouth. */
function boxBodies(
  { boxShape, boxM, boxDepthM }: Stack,
  [x, y]: readonly [number, number],
): Body[] {
  const R = boxM / 2;
  if (boxShape === 'disc')
    return [
      made(
        'box',
        'Softbox',
        'cloth',
        'hang-box',
        shell(Math.min(R, Math.hypot(x, y)), R, boxDepthM, CLOTH_M),
        facing([0, 0, 0]),
        { away: forwards(1) },
      ),
    ];
  const back: Vector[] = [
    [-x, -y, 0],
    [x, -y, 0],
    [x, y, 0],
    [-x, y, 0],
  ];
  const front: Vector[] = [
    [-R, -R, boxDepthM],
    [R, -R, boxDepthM],
    [R, R, boxDepthM],
    [-R, R, boxDepthM],
  ];
  const out = ([px, py, pz]: Vector): Vector => [
    px + Math.sign(px) * CLOTH_M,
    py + Math.sign(py) * CLOTH_M,
    pz,
  ];
  return [0, 1, 2, 3].map((k) => {
    const next = (k + 1) % 4;
    const inner = [back[k]!, back[next]!, front[next]!, front[k]!];
    return made(
      `box-${k + 1}`,
      'Softbox',
      'cloth',
      'hang-box',
      between(inner, inner.map(out)),
      IN_PLACE,
      { away: forwards(1) },
    );
  });
}

/** The front the box came with, and what hangs over it. */
function frontBodies(stack: Stack, context: FormContext): Body[] {
  const { boxShape, boxM, boxDepthM } = stack;
  const over = boxM / 2;
  const flat = boxShape === 'disc' ? hoop(0, over, 0, CLOTH_M) : slab(2 * over, 2 * over, CLOTH_M);
  const own = layerParts(stack, context).length - furtherLayers(stack, context).length;
  return [
    ...(own > 0
      ? [
          made(
            'own-front',
            'Front of the box',
            'cloth',
            'hang-box',
            flat,
            facing([0, 0, boxDepthM]),
            {
              away: forwards(2),
            },
          ),
        ]
      : []),
    ...furtherLayers(stack, context).map((_, k) =>
      layerBody(
        `layer-${k + 1}`,
        `Layer ${k + 1}`,
        flat,
        boxDepthM + (own > 0 ? CLOTH_M : 0) + k * CLOTH_M,
        3 + k,
        { outside: true },
      ),
    ),
  ];
}
