import type { Body } from '../../assembly/body';
import { facing } from '../../assembly/poses';
import { rod } from '../../assembly/solids';
import type { XY } from '../../drawing/shapes';
import { minus, plus, scaled, type Vector } from '../../light/vector';
import type { UnitOf } from '../../units/unit';
import { barBody, forwards, made } from './bodies';

/** A clip's foot under its tube [typ]. */
const CLIP_RADIUS_M = 0.007;

/** Tubes in rows, end to end where several run on, each held by its clips on a face. */
export function tubeBodies({
  tube,
  rows,
  linkRun,
  radiusM,
  clips,
  faceM,
  step,
}: {
  tube: UnitOf<'tube'> | null;
  /** from end to end of each */
  rows: readonly (readonly [Vector, Vector])[];
  linkRun: number;
  radiusM: number;
  /** places of the clips on the face */
  clips: readonly XY[];
  /** height of the face they stand on */
  faceM: number;
  step: string;
}): Body[] {
  const zM = rows[0]?.[0][2] ?? 0;
  const standM = zM - radiusM - faceM;
  return [
    ...rows.flatMap(([from, to], row) =>
      Array.from({ length: linkRun }, (_, k) => {
        const at = (share: number) => plus(from, scaled(minus(to, from), share));
        return barBody(
          `tube-${row + 1}-${k + 1}`,
          tube?.name ?? 'Tube',
          'lamp',
          'lamps-in',
          [at(k / linkRun), at((k + 1) / linkRun)],
          radiusM,
          { away: forwards(2) },
        );
      }),
    ),
    ...(standM > 0
      ? clips.map(([x, y], k) =>
          made(
            `clip-${k + 1}`,
            'Tube clip',
            'part',
            step,
            rod(Math.min(CLIP_RADIUS_M, 0.8 * radiusM), standM),
            facing([x, y, faceM]),
            { away: forwards(1) },
          ),
        )
      : []),
  ];
}
