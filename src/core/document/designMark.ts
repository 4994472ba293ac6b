import { eightDigits, fnv } from '../fnv';
import type { Build } from './production';

/** A mark of what a sign-off was given for: change the design, and it is another. */
export const designMark = ({ form, parameters, accessories, copies, circuitId }: Build): string =>
  eightDigits(fnv(JSON.stringify([form, parameters, accessories, copies, circuitId])));
