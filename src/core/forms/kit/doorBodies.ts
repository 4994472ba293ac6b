import type { Body } from '../../assembly/body';
import type { Plate } from '../../light/controls';
import type { Vector } from '../../light/vector';
import { IN_PLACE, made, sheetBetween } from './bodies';
import type { Doors } from './doors';

/** Sheet nobody has chosen yet. */
const SHEET_M = 0.001;

/** The leaves as they stand open, their thickness towards the beam. */
export const leafBodies = (
  { openedRad }: Doors,
  plates: readonly Plate[],
  thicknessM: number,
  more: { away: number } = { away: 1.5 },
): Body[] =>
  plates.map(({ name, points }) => {
    const side = name.split(' ')[0]!;
    const level = side === 'top' || side === 'bottom';
    const sign = side === 'top' || side === 'right' ? 1 : -1;
    const out = Math.sin(openedRad);
    // A point before the hinge on the beam's side of the leaf.
    const hinge = points[0]!;
    const towards: Vector = [
      hinge[0] - (level ? 0 : sign * Math.cos(openedRad)),
      hinge[1] - (level ? sign * Math.cos(openedRad) : 0),
      hinge[2] + out,
    ];
    return made(
      `leaf-${side}`,
      `Leaf, ${side}`,
      'metal',
      'hinge',
      sheetBetween(points, thicknessM || SHEET_M, towards),
      IN_PLACE,
      {
        piece: level ? 'top-and-bottom-leaf' : 'side-leaf',
        away: level ? [0, sign * more.away, 0] : [sign * more.away, 0, 0],
        outside: true,
      },
    );
  });
