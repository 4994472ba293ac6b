import type { Body } from '../../assembly/body';
import { along, lying } from '../../assembly/poses';
import { hoop, rod, slab } from '../../assembly/solids';
import type { FormContext } from '../form';
import { CLOTH_M, made, TAPE_M } from '../kit/bodies';
import { tapeWidthOf } from '../kit/tape';
import { layout, outsideM } from './layout';
import { type TubeLight } from './parameters';

/** Tube upright, liner and strands in it, a cap in each end. */
export function assembleTube(light: TubeLight, context: FormContext): Body[] {
  const { strip, rows } = layout(light, context);
  const inside = light.insideDiameterM / 2;
  const outside = outsideM(light, context) / 2;
  const L = light.tubeLengthM;
  const foot = along([0, -L / 2, 0], [0, 1, 0], [0, 0, 1]);
  const lined = light.linerPartId !== null;
  const linerM = Math.min(light.linerTurns * CLOTH_M, inside / 4);
  // Strands lie back to back across the bore and are held at both ends by the caps.
  const width = tapeWidthOf(strip);
  return [
    made('tube', 'Tube', 'pipe', null, rod(outside, L, inside), foot, { piece: 'tube' }),
    ...(lined
      ? [
          made('liner', 'Liner', 'cloth', 'liner', hoop(inside - linerM, inside, 0, L), foot, {
            piece: 'liner',
            away: [0, 3, 0],
          }),
        ]
      : []),
    ...rows.rowsM.map((laidM, strand) =>
      made(
        `tape-${strand + 1}`,
        'LED tape',
        'tape',
        'lay-tape',
        slab(laidM, width, TAPE_M),
        lying(
          [0, 0, rows.rowsM.length > 1 ? (strand - 1) * TAPE_M : -TAPE_M / 2],
          [0, 1, 0],
          [1, 0, 0],
        ),
        { away: [0, 5, 0] },
      ),
    ),
    ...capBodies(light, [inside - (lined ? linerM : 0), rows.rowsM[0] ?? 0]),
  ];
}

/** A plug in each end, as deep as it takes and up to the tape that hangs between them. */
function capBodies({ tubeLengthM }: TubeLight, [boreM, laidM]: readonly [number, number]): Body[] {
  const deep = (tubeLengthM - laidM) / 2;
  return [-1, 1].map((side) =>
    made(
      side < 0 ? 'cap-low' : 'cap-high',
      'Cap',
      'part',
      'cap',
      rod(boreM, deep),
      along([0, (side * tubeLengthM) / 2, 0], [0, -side, 0], [0, 0, 1]),
      { away: [0, side, 0] },
    ),
  );
}
