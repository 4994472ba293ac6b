import type { Vector } from '../light/vector';

/**
 * What a thing does in heat. `wood` chars and burns (board, paper, card), `foam` and `film` melt, `cloth`
 * scorches, `no` does neither (sheet metal, plaster, glass); `skin` is somebody; `unknown` is nobody's
 * choice yet.
 */
export type Burns = 'wood' | 'foam' | 'cloth' | 'film' | 'no' | 'skin' | 'unknown';

/** Where a thing stands, metres, in the axes its lamps are told in. */
export type Place =
  /** plane and convex */
  | { kind: 'polygon'; points: readonly Vector[] }
  /** flat ring about the light's axis; a disc has no inner radius */
  | { kind: 'ring'; zM: number; innerRadiusM: number; outerRadiusM: number }
  /** wall of revolution about the light's axis */
  | { kind: 'cone'; fromM: number; toM: number; fromRadiusM: number; toRadiusM: number }
  /** in front of every lamp, so far from its surface */
  | { kind: 'ahead'; distanceM: number };

/** Something near the lamps, whoever brought it: a board, a layer, a door, what a beam falls on, a person. */
export interface Thing {
  /** stable: a changed number never changes it */
  id: string;
  name: string;
  burns: Burns;
  /** softens or scorches at, °C; null where only its kind is known */
  limitC: number | null;
  place: Place;
  /** shape on a drawing, and the parameter that chooses or moves it */
  ref: string;
  field: string;
  /** parameter that moves it away metre for metre, its value now and at most, and what that is at the bench */
  raise?: { field: string; fromM: number; mostM: number; how: string };
  /** lies over the lamp's own face and keeps its heat in */
  covers?: true;
}

/** A case that keeps its lamps' heat in. */
export interface Enclosure {
  /** surface that gives the heat off */
  areaM2: number;
  /** thermal resistance of its walls d/λ, m²·K/W; 0 for cloth, film and metal */
  resistanceM2KPerW: number;
  /** shut all round, or with a mouth closed by layers */
  closed: boolean;
  /** lowest softening or scorching limit among its walls and layers; null when unknown */
  limitC: number | null;
  ref: string;
  field: string;
}

/** A rectangle about the light's axis in the plane z. */
export function uprightAt(widthM: number, heightM: number, zM: number): Place {
  const [x, y] = [widthM / 2, heightM / 2];
  const corner = (sx: number, sy: number): Vector => [sx * x, sy * y, zM];
  return { kind: 'polygon', points: [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)] };
}
