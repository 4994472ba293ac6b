import type { FormContext } from '../form';
import { mm } from '../../quantity';
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

export function problems(light: TubeLight, context: FormContext): Problem[] {
  const { strip, strandM } = layout(light, context);
  const width = tapeWidthOf(strip);
  const found: Problem[] = [];
  if (light.insideDiameterM < width)
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
