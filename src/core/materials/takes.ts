import type { Part, PartOf } from './part';

/** Plastic that is no foam and no board of flutes is heavier than this [typ]. */
const SOLID_KG_PER_M3 = 900;
/** Foam is lighter than sheets that let light through [typ]. */
const FOAM_KG_PER_M3 = 150;
/** Wood thinner than this gives, and metal [practice]. */
const STIFF_M = { wood: 0.005, no: 0.001 };
/** What a label says of sheets that pass no light, and of tubes that do, in the languages labels are read in. */
const NO_LIGHT = /mirror|spiegel|miroir|espejo|black|schwarz|noir|negro/i;
const CLEAR = /clear|transparent|klar|glas|acryl|polycarb|cristal/i;

const isSheet = (part: Part): part is PartOf<'sheet'> => part.role === 'sheet';
const passesLight = ({ burns, densityKgPerM3, name }: PartOf<'sheet'>): boolean =>
  burns === 'foam' && densityKgPerM3 >= FOAM_KG_PER_M3 && !NO_LIGHT.test(name);
const isPipe = (part: Part): part is PartOf<'stick'> =>
  part.role === 'stick' && part.profile === 'round' && part.wallM > 0;

interface Takes {
  /** what the place wants, as the field's hint says it */
  wants: string;
  /** why a part is not it */
  whyNot: string;
  fits: (part: Part) => boolean;
}

/** What a place in a build takes, beyond the role of the part; the figures and the name of a part tell. */
export const TAKES = {
  metal: {
    wants: 'sheet metal',
    whyNot: 'no metal',
    fits: (part) => isSheet(part) && part.burns === 'no',
  },
  translucent: {
    wants: 'a sheet that lets light through',
    whyNot: 'lets no light through',
    fits: (part) => isSheet(part) && passesLight(part),
  },
  opaque: {
    wants: 'a sheet that keeps light in',
    whyNot: 'lets light through',
    fits: (part) => isSheet(part) && !(passesLight(part) && part.densityKgPerM3 >= SOLID_KG_PER_M3),
  },
  stiff: {
    wants: 'wood from 5 mm on, or metal from 1 mm on',
    whyNot: 'gives under a load',
    fits: (part) =>
      isSheet(part) && part.burns !== 'foam' && part.thicknessM >= STIFF_M[part.burns],
  },
  pipe: { wants: 'pipe', whyNot: 'no pipe', fits: isPipe },
  batten: {
    wants: 'a batten or a pipe that does not bend: wood from 15 mm, metal',
    whyNot: 'bends too easily',
    fits: (part) => part.role === 'stick' && part.diameterM >= 0.015 && part.stiffnessGPa >= 5,
  },
  clearTube: {
    wants: 'a clear tube',
    whyNot: 'no clear tube',
    fits: (part) => isPipe(part) && CLEAR.test(part.name),
  },
  vessel: {
    wants: 'a tin, pan or bucket',
    whyNot: 'no vessel',
    fits: (part) => part.role === 'hardware' && part.kind === 'other',
  },
} as const satisfies Record<string, Takes>;
export type TakesId = keyof typeof TAKES;

/** Why a part does not go into such a place; null when it does. */
export const unfit = (takes: TakesId | undefined, part: Part): string | null =>
  takes === undefined || TAKES[takes].fits(part) ? null : TAKES[takes].whyNot;

/** Whether any of a thing on the shelf is there already. */
export const isOwned = ({ onHand }: { onHand: number }): boolean => onHand > 0;

/** What is owned first, then what is cheapest; a price nobody knows comes last. */
export const byOwnedThenPrice = (a: Part, b: Part): number =>
  Number(isOwned(b)) - Number(isOwned(a)) ||
  (a.priceMinor ?? Infinity) - (b.priceMinor ?? Infinity) ||
  0;

/** Parts a place takes, of its role and its kind. */
export const fitting = (
  parts: readonly Part[],
  { role, takes }: { role: Part['role']; takes?: TakesId },
): Part[] => parts.filter((part) => part.role === role && unfit(takes, part) === null);

/** Parts for a place: those that fit, what is owned first; then the others. */
export function sortedFor(parts: readonly Part[], takes: TakesId | undefined): Part[] {
  const rank = (part: Part) => (unfit(takes, part) ? 2 : isOwned(part) ? 0 : 1);
  return parts.toSorted((a, b) => rank(a) - rank(b));
}
