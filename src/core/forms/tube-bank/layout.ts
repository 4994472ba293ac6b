import type { FormContext } from '../form';
import { mm } from '../../quantity';
import { partOf } from '../kit/lookup';
import { tubeOf } from '../kit/tubes';
import { BOARD_M, TUBE_ACROSS_M, TUBE_LONG_M } from '../kit/typical';
import type { Problem } from '../../result';
import { type TubeBank } from './parameters';

export function layout(bank: TubeBank, context: FormContext) {
  const tube = tubeOf(bank.unitId, context);
  const longM = (tube?.lengthM ?? TUBE_LONG_M) * bank.linkRun;
  const acrossM = bank.tubeCount * bank.pitchM;
  const upright = bank.orientation === 'upright';
  const [w, h] = upright ? [acrossM, longM] : [longM, acrossM];
  return {
    tube,
    longM,
    upright,
    diameterM: tube?.diameterM ?? TUBE_ACROSS_M,
    rowsM: Array.from(
      { length: bank.tubeCount },
      (_, k) => (k - (bank.tubeCount - 1) / 2) * bank.pitchM,
    ),
    backWidthM: w + 2 * bank.edgeM,
    backHeightM: h + 2 * bank.edgeM,
  };
}

/** From end to end of one row of tubes, on the back's plane. */
export const rowEnds = (
  upright: boolean,
  across: number,
  longM: number,
): readonly [readonly [number, number], readonly [number, number]] =>
  upright
    ? [
        [across, -longM / 2],
        [across, longM / 2],
      ]
    : [
        [-longM / 2, across],
        [longM / 2, across],
      ];

export function problems(bank: TubeBank, context: FormContext): Problem[] {
  const { diameterM } = layout(bank, context);
  const wallM = partOf(context, bank.boardPartId, 'sheet')?.thicknessM ?? BOARD_M;
  const found: Problem[] = [];
  if (bank.pitchM < diameterM)
    found.push({
      code: 'tubes_overlap',
      path: 'pitchM',
      message: `Tubes of Ø ${mm(diameterM)} do not fit ${mm(bank.pitchM)} apart.`,
    });
  if (bank.lipM > bank.standoffM && bank.edgeM < wallM)
    found.push({
      code: 'walls',
      path: 'edgeM',
      message: `Side walls ${mm(wallM)} thick stand where the tubes end: leave ${mm(wallM)} of edge at least.`,
    });
  return found;
}
