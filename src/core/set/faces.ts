import { prepareControls, type Passage } from '../light/controls';
import { areaVector, plus, scaled, unit, cross, type Vector } from '../light/vector';

/** A flat rectangle that light falls on from one side: a wall, one side of a card, a table top. Metres, axes of the set. */
export interface Face {
  id: string;
  /** one corner, and the two edges from it; across × along points to the side that light falls on */
  corner: Vector;
  across: Vector;
  along: Vector;
  /** share it sends back by Lambert's law, in each band of colour, 0…1 */
  reflectance: Bands;
  /** share it lets through, which leaves its other side by Lambert's law; that side has the same patches the other way round */
  passes?: number;
  /** what it belongs to: a wall, a thing of the setup */
  of?: string;
  /** cut no coarser than this, m */
  edgeM?: number;
}

/** Red, green and blue of linear light, or any three bands that add up to white. */
export type Bands = readonly [number, number, number];

/** A room to scale: x to the right from above, y away from the front wall, z up. */
export interface Room {
  widthM: number;
  depthM: number;
  heightM: number;
  reflectance: Record<Wall, Bands>;
}

export const WALLS = ['floor', 'ceiling', 'front', 'back', 'left', 'right'] as const;
export type Wall = (typeof WALLS)[number];

/** The six faces of a room, each sending into it. */
export function roomFaces({ widthM: w, depthM: d, heightM: h, reflectance }: Room): Face[] {
  const x: Vector = [w, 0, 0];
  const y: Vector = [0, d, 0];
  const z: Vector = [0, 0, h];
  const placed: Record<Wall, Pick<Face, 'corner' | 'across' | 'along'>> = {
    floor: { corner: [0, 0, 0], across: x, along: y },
    ceiling: { corner: [0, 0, h], across: y, along: x },
    front: { corner: [0, 0, 0], across: z, along: x },
    back: { corner: [0, d, 0], across: x, along: z },
    left: { corner: [0, 0, 0], across: y, along: z },
    right: { corner: [w, 0, 0], across: z, along: y },
  };
  return WALLS.map((wall) => ({ id: wall, ...placed[wall], reflectance: reflectance[wall] }));
}

/** Light that falls on one side unevenly goes on unevenly: a card is cut in so many at least, each way. */
const CARD_CUTS = 6;

/**
 * Both sides of a card; the back's patches are the front's, in the same order but for across and along.
 * @param passes  share it lets through
 * @param cuts  pieces each way at least; what sends hardly anything on wants fewer
 */
export function cardFaces(
  id: string,
  { corner, across, along }: Pick<Face, 'corner' | 'across' | 'along'>,
  front: Bands,
  back: Bands,
  passes = 0,
  cuts = CARD_CUTS,
): Face[] {
  const edgeM = Math.max(Math.hypot(...across), Math.hypot(...along)) / cuts;
  const both = { passes, of: id, edgeM };
  return [
    { id: `${id} front`, corner, across, along, reflectance: front, ...both },
    { id: `${id} back`, corner, across: along, along: across, reflectance: back, ...both },
  ];
}

export const normalOf = ({ across, along }: Pick<Face, 'across' | 'along'>): Vector =>
  unit(cross(across, along));

export const cornersOf = ({
  corner,
  across,
  along,
}: Pick<Face, 'corner' | 'across' | 'along'>): Vector[] => [
  corner,
  plus(corner, across),
  plus(plus(corner, across), along),
  plus(corner, along),
];

/** A piece of a face that is taken as evenly lit. */
export interface Patch {
  face: number;
  centre: Vector;
  normal: Vector;
  areaM2: number;
  corners: readonly Vector[];
}

/** How many pieces a face is cut into each way. */
export const cutsOf = (face: Face, edgeM: number): [across: number, along: number] => {
  const edge = Math.min(edgeM, face.edgeM ?? edgeM);
  const cuts = (side: Vector) => Math.max(1, Math.ceil(Math.hypot(...side) / edge - 1e-9));
  return [cuts(face.across), cuts(face.along)];
};

/** Faces cut into pieces no longer than an edge. @param edgeM  > 0 */
export function patchesOf(faces: readonly Face[], edgeM: number): Patch[] {
  return faces.flatMap((face, index) => {
    const [across, along] = cutsOf(face, edgeM);
    const [du, dv] = [scaled(face.across, 1 / across), scaled(face.along, 1 / along)];
    const normal = normalOf(face);
    return Array.from({ length: across * along }, (_, k): Patch => {
      const from = plus(
        face.corner,
        plus(scaled(du, k % across), scaled(dv, Math.floor(k / across))),
      );
      const corners = cornersOf({ corner: from, across: du, along: dv });
      return {
        face: index,
        centre: scaled(plus(corners[0]!, corners[2]!), 0.5),
        normal,
        areaM2: Math.hypot(...areaVector(corners)) / 2,
        corners,
      };
    });
  });
}

/** Of a way: what lies nearer to an end is what the way begins or ends on, and not in it. */
const CLEAR = 1e-6;

const drawnIn =
  (passage: Passage): Passage =>
  (ax, ay, az, bx, by, bz) => {
    const x = CLEAR * (bx - ax);
    const y = CLEAR * (by - ay);
    const z = CLEAR * (bz - az);
    return passage(ax + x, ay + y, az + z, bx - x, by - y, bz - z);
  };

/**
 * Faces as they stand in the way of light: none goes through them, but for ways that begin or end on them.
 * @param into  other axes to tell them in
 */
export const inTheWay = (
  faces: readonly Face[],
  into = (place: Vector): Vector => place,
): Passage[] =>
  prepareControls(
    faces.map((face) => ({ kind: 'plate', name: face.id, points: cornersOf(face).map(into) })),
  ).map(drawnIn);
