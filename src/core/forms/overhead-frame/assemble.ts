import type { Body } from '../../assembly/body';
import { facing, lying } from '../../assembly/poses';
import { slab } from '../../assembly/solids';
import type { XY } from '../../drawing/shapes';
import type { Vector } from '../../light/vector';
import type { FormContext } from '../form';
import { barBody, CLOTH_M, cordBody, forwards, frameBodies, made, TAPE_M } from '../kit/bodies';
import { layerParts, partOf } from '../kit/lookup';
import { stripOf, tapeWidthOf } from '../kit/tape';
import { PIPE_M } from '../kit/typical';
import { pointsOf } from './draw';
import { layoutFrame } from './layout';
import type { Overhead } from './parameters';

/** The cord a row of tape hangs on [typ: 4 mm]. */
const CARRIER_RADIUS_M = 0.002;
/** So much of each rope is shown. */
const ROPE_SHOWN_M = 0.6;
/** Lacings that are shown along each side. */
const LACINGS = 4;

/** Pipes and fittings, cords with their tape, cloths on their lacings, skirt, ropes. */
export function assembleFrame(frame: Overhead, context: FormContext): Body[] {
  const { framework, rowsY, rowM, rows } = layoutFrame(frame, context);
  const pipe = partOf(context, frame.pipePartId, 'stick');
  const r = (pipe?.diameterM ?? PIPE_M) / 2;
  const W = frame.widthM / 2;
  const width = tapeWidthOf(stripOf(frame, context));
  return [
    ...frameBodies(framework, pipe, 'frame'),
    ...rows.rowsM.flatMap((laidM, row): Body[] => {
      const y = rowsY[row]!;
      const z = r + CARRIER_RADIUS_M;
      const under = z + CARRIER_RADIUS_M;
      return [
        barBody(
          `carrier-${row + 1}`,
          'Carrier cord',
          'cloth',
          'tie-rows',
          [
            [-W, y, z],
            [W, y, z],
          ],
          CARRIER_RADIUS_M,
          { away: forwards(1) },
        ),
        made(
          `tape-${row + 1}`,
          'LED tape',
          'tape',
          'lay-tape',
          slab(laidM, width, TAPE_M),
          facing([-rowM / 2 + laidM / 2, y, under]),
          { away: forwards(1.5) },
        ),
      ];
    }),
    ...clothBodies(frame, r, context),
    ...skirtBodies(frame, r),
    ...pointsOf(frame).map(([x, y], k) =>
      cordBody(
        `rope-${k + 1}`,
        'Rope',
        'hoist',
        [
          [x, y, -r],
          [x, y, -r - ROPE_SHOWN_M],
        ],
        { outside: true },
      ),
    ),
  ];
}

/** Round the frame, as far apart as a share of each side. */
function lacings({ widthM, heightM }: Overhead): XY[] {
  const shares = Array.from({ length: LACINGS }, (_, k) => (k + 0.5) / LACINGS - 0.5);
  return [-0.5, 0.5].flatMap((side) => [
    ...shares.map((share): XY => [share * widthM, side * heightM]),
    ...shares.map((share): XY => [side * widthM, share * heightM]),
  ]);
}

function clothBodies(frame: Overhead, r: number, context: FormContext): Body[] {
  const layers = layerParts(frame, context);
  if (!layers.length) return [];
  const deepest = Math.max(r, frame.clothDropM) + CLOTH_M * (layers.length - 1);
  return [
    ...lacings(frame).map(([x, y], k) =>
      cordBody(
        `lacing-${k + 1}`,
        'Lacing',
        'fit-layers',
        [
          [x, y, r],
          [x, y, deepest + CLOTH_M],
        ],
        { away: forwards(2), outside: true },
      ),
    ),
    ...layers.map((_, k) =>
      made(
        `cloth-${k + 1}`,
        `Cloth ${k + 1}`,
        'cloth',
        'fit-layers',
        slab(frame.widthM, frame.heightM, CLOTH_M),
        facing([0, 0, Math.max(r, frame.clothDropM) + CLOTH_M * k]),
        { piece: `cloth-${k + 1}`, away: forwards(3 + k) },
      ),
    ),
  ];
}

/** Four walls of black cloth from the outside of the pipes down. */
function skirtBodies({ widthM, heightM, skirtM }: Overhead, r: number): Body[] {
  if (skirtM <= 0) return [];
  const up: Vector = [0, 0, 1];
  const [x, y] = [widthM / 2 + r, heightM / 2 + r];
  const wall = (side: string, longM: number, at: Vector, run: Vector) =>
    made(
      `skirt-${side}`,
      'Skirt',
      'cloth',
      'hang-skirt',
      slab(longM, skirtM, CLOTH_M),
      lying(at, run, up),
      { piece: 'black-skirt', away: forwards(4), ...(side !== 'left' && { side: true as const }) },
    );
  return [
    wall('left', 2 * y, [-x - CLOTH_M, 0, skirtM / 2], [0, 1, 0]),
    wall('right', 2 * y, [x, 0, skirtM / 2], [0, 1, 0]),
    wall('top', 2 * x, [0, y + CLOTH_M, skirtM / 2], [1, 0, 0]),
    wall('bottom', 2 * x, [0, -y, skirtM / 2], [1, 0, 0]),
  ];
}
