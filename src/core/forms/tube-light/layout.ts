import type { FormContext } from '../form';
import { mm } from '../../quantity';
import { partOf } from '../kit/lookup';
import { cutMarkOf, cutRows, stripOf, tapeWidthOf } from '../kit/tape';
import type { Problem } from '../../result';
import { type TubeLight } from './parameters';

export function layout(light: TubeLight, context: FormContext) {
  const strip = stripOf(light, context);
  const strandM = Math.max(0, light.tubeLengthM - 2 * light.capM);
  const rows = cutRows(
    Array<number>(light.strands).fill(strandM),
    light.tapeLengthM,
    cutMarkOf(strip),
  );
  return { strip, strandM, rows };
}

/** Wall of a clear tube, and what a cap takes beyond its bore [typ; from memory]. */
const WALL_M = 0.002;
const RIM_M = 0.001;
/** A strand of tape, and a turn of the liner, are so thick [typ]. */
const STRAND_M = 0.003;
const LINER_M = 0.001;

/** Across the outside: what is bought, as long as the bore that is drawn goes into it. */
export function outsideM(light: TubeLight, context: FormContext): number {
  const stock = partOf(context, light.tubePartId, 'stick');
  return Math.max(
    stock?.diameterM ?? light.insideDiameterM + 2 * WALL_M,
    light.insideDiameterM + 2 * RIM_M,
  );
}

export function problems(light: TubeLight, context: FormContext): Problem[] {
  const { strip, strandM } = layout(light, context);
  const width = tapeWidthOf(strip);
  const found: Problem[] = [];
  // Its corners meet the wall first.
  const linerM = light.linerPartId === null ? 0 : light.linerTurns * LINER_M;
  if (light.insideDiameterM - 2 * linerM < Math.hypot(width, 2 * light.strands * STRAND_M))
    found.push({
      code: 'narrow',
      path: 'insideDiameterM',
      message: `Tape ${mm(width)} wide does not go into a tube of Ø ${mm(light.insideDiameterM)} inside.`,
    });
  if (strandM < cutMarkOf(strip))
    found.push({
      code: 'short',
      path: 'tubeLengthM',
      message: `Between its caps the tube holds ${mm(strandM)}; one section of tape is ${mm(cutMarkOf(strip))}.`,
    });
  return found;
}
