import type { Body } from '../assembly/body';
import { boxAround } from '../assembly/distance';
import { facing } from '../assembly/poses';
import { shell } from '../assembly/solids';
import { IN_PLACE, made, sheetBetween } from '../forms/kit/bodies';
import type { HoodShape } from './hoodBlank';
import { hoodPlates } from './hoodLight';

/** The walls of a hood that begins in a plane, their thickness outside. @param t  of its sheet, m */
export function hoodWalls(
  shape: HoodShape,
  [fromM, toM]: readonly [number, number],
  t: number,
  z: number,
): Body[] {
  const told = { away: [0, 0, 4] as const, outside: true as const };
  if (shape.round)
    return Array.from({ length: shape.halves }, (_, k) =>
      made(
        `hood-${k + 1}`,
        'Hood',
        'board',
        'fit-hood',
        halved(shell(fromM, toM, shape.lengthM, t), k, shape.halves),
        facing([0, 0, z]),
        { ...told, piece: 'hood-blank' },
      ),
    );
  return hoodPlates(shape, z).map(({ points }, k) => {
    const level = k % 2 === 0;
    const { low, high } = boxAround(points);
    const out = [(low[0] + high[0]) * 4, (low[1] + high[1]) * 4, z + shape.lengthM / 2] as const;
    return made(
      `hood-${k + 1}`,
      'Hood',
      'board',
      'fit-hood',
      sheetBetween(points, t, out),
      IN_PLACE,
      {
        ...told,
        piece: shape.shape === 'cylinder' ? 'hood-blank' : level ? 'hood-top' : 'hood-side',
      },
    );
  });
}

/** A half of what is turned all round. */
const halved = (solid: ReturnType<typeof shell>, k: number, halves: number) =>
  halves === 1 || solid.kind !== 'turned'
    ? solid
    : { ...solid, arc: { fromRad: Math.PI * k, sweepRad: Math.PI } };
