import type { Body } from '../../assembly/body';
import { facing } from '../../assembly/poses';
import { between, rod, slab } from '../../assembly/solids';
import type { SheetPiece } from '../../build/pieces';
import type { Vector } from '../../light/vector';
import type { FormContext } from '../form';
import { boardBody, CLOTH_M, forwards, IN_PLACE, lampBody, layerBody, made } from '../kit/bodies';
import { bulbFrontM, bulbsOf } from '../kit/lamps';
import { layerParts, partOf } from '../kit/lookup';
import { FOAM_CORE_M, GLOBE_M, SOCKET_RIM_M } from '../kit/typical';
import { layoutBox, type BoxLayout } from './layout';
import { boxPieces } from './pieces';
import { type FoamBox } from './parameters';
import { seatsOf } from './rays';

/** The holder grips the edge of the hole from behind [typ]. */
const GRIP_M = 0.006;
/** Where a bulb stands farther out than it is long, its holder reaches through the hole. */
const STEM_RADIUS_M = 0.008;

/** Four mitred walls on a back plate, the lamp through its hole, layers on the lip. */
export function assembleBox(box: FoamBox, context: FormContext): Body[] {
  const layout = layoutBox(box);
  const thickness = partOf(context, box.boardPartId, 'sheet')?.thicknessM || FOAM_CORE_M;
  const back = boxPieces(box, layout, context).find(
    (piece): piece is SheetPiece => piece.kind === 'sheet' && piece.id === 'back-plate',
  )!;
  return [
    boardBody(back, FOAM_CORE_M, { away: forwards(-1) }),
    ...walls(box, layout, thickness),
    ...lampIn(box, thickness, context),
    ...layerParts(box, context).map((_, k) =>
      layerBody(
        `layer-${k + 1}`,
        `Layer ${k + 1}`,
        slab(box.frontWidthM, box.frontHeightM, CLOTH_M),
        layout.depthM + k * CLOTH_M,
        2 + k,
        { outside: true },
      ),
    ),
  ];
}

/** Corners of a rectangle in a plane, from the lower left, anticlockwise from the front. */
const corners = (x: number, y: number, z: number): Vector[] => [
  [-x, -y, z],
  [x, -y, z],
  [x, y, z],
  [-x, y, z],
];

/** Walls are mitred where they meet; sizes are those of the outer face. */
function walls(
  box: FoamBox,
  { backWidthM, backHeightM, depthM }: BoxLayout,
  sheetM: number,
): Body[] {
  const [bx, by, fx, fy] = [backWidthM, backHeightM, box.frontWidthM, box.frontHeightM].map(
    (size) => size / 2,
  ) as [number, number, number, number];
  // Across a wall that leans, its sheet is thicker in the plane of the back.
  const tx = sheetM * Math.hypot(1, (fx - bx) / depthM);
  const ty = sheetM * Math.hypot(1, (fy - by) / depthM);
  const [outBack, outFront] = [corners(bx, by, 0), corners(fx, fy, depthM)];
  const [inBack, inFront] = [corners(bx - tx, by - ty, 0), corners(fx - tx, fy - ty, depthM)];
  return (['bottom', 'right', 'top', 'left'] as const).map((side, k) => {
    const next = (k + 1) % 4;
    const level = side === 'top' || side === 'bottom';
    const sign = side === 'top' || side === 'right' ? 1 : -1;
    return made(
      `wall-${side}`,
      `Wall, ${side}`,
      'board',
      'tape-box',
      between(
        [outBack[k]!, outBack[next]!, outFront[next]!, outFront[k]!],
        [inBack[k]!, inBack[next]!, inFront[next]!, inFront[k]!],
      ),
      IN_PLACE,
      {
        piece: level ? 'top-and-bottom' : 'side',
        away: level ? [0, 1.5 * sign, 0] : [1.5 * sign, 0, 0],
      },
    );
  });
}

/** The holder behind the hole, and the bulbs through it. */
function lampIn(box: FoamBox, thicknessM: number, context: FormContext): Body[] {
  const bulbs = bulbsOf(box.groups, context);
  const high = partOf(context, box.socketPartId, 'socket')?.heightM ?? SOCKET_RIM_M;
  const holder = made(
    'holder',
    'Lamp holder',
    'part',
    'fit-holder',
    rod(box.holeDiameterM / 2 + GRIP_M, high),
    facing([0, 0, -thicknessM - high]),
    { away: forwards(-2), outside: true },
  );
  return [
    holder,
    ...seatsOf(box).flatMap(({ positionM: [x, y, z], group }, k) => {
      const bulb = bulbs[group] ?? null;
      const front = z + (bulb?.globeDiameterM ?? GLOBE_M) / 2;
      // As much of it as stands before the holder: it is pushed through the hole from behind.
      const rim = Math.max(-thicknessM, front - bulbFrontM(bulb, 0));
      const lamp = lampBody(bulb, k, [x, y, rim], 'lamps-in', front - rim);
      if (rim <= -thicknessM + 1e-6) return [lamp];
      const stem = rod(STEM_RADIUS_M, rim + thicknessM);
      return [
        made(
          `stem-${k + 1}`,
          'Holder’s neck',
          'part',
          'fit-holder',
          stem,
          facing([x, y, -thicknessM]),
          {
            away: forwards(-2),
          },
        ),
        lamp,
      ];
    }),
  ];
}
