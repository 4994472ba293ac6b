import type { BoughtSize } from '../../build/bought';

/** Sizes of one thing bought, as they are drawn and as its record says; each with the parameter that draws it. */
export const boughtSizes = (
  of: { form: string; name: string; ref: string; sameM: number },
  sizes: readonly (readonly [
    id: string,
    what: string,
    drawnM: number,
    boughtM: number,
    field: string,
  ])[],
): BoughtSize[] =>
  sizes.map(([id, what, drawnM, boughtM, field]) => ({
    id: `${of.form}.${id}`,
    name: of.name,
    what,
    drawnM,
    boughtM,
    sameM: of.sameM,
    field,
    ref: of.ref,
  }));
