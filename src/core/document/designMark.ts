import type { Build } from './production';

/** FNV-1a over UTF-16 units, as eight hexadecimal digits [std: Fowler, Noll, Vo]. */
function fnv(text: string): string {
  let h = 0x811c9dc5;
  for (let k = 0; k < text.length; k++) h = Math.imul(h ^ text.charCodeAt(k), 0x01000193);
  return (h >>> 0).toString(16).padStart(8, '0');
}

/** A mark of what a sign-off was given for: change the design, and it is another. */
export const designMark = ({ form, parameters, accessories, copies, circuitId }: Build): string =>
  fnv(JSON.stringify([form, parameters, accessories, copies, circuitId]));
