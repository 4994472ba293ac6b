import type { Vector } from '../vector';
import type { Emitter } from '../emitter';

/**
 * The few shapes every closed build is made of; metres, build axes. Cones turn about the z or the y axis, a
 * cylinder being a cone of equal radii; a polygon is plane and convex.
 */
export type SurfaceShape =
  | { kind: 'polygon'; points: readonly Vector[] }
  | { kind: 'disc'; zM: number; innerRadiusM: number; outerRadiusM: number }
  | {
      kind: 'cone';
      axis: 'z' | 'y';
      fromM: number;
      toM: number;
      fromRadiusM: number;
      toRadiusM: number;
    }
  | { kind: 'cap'; centreZM: number; radiusM: number; fromZM: number; toZM: number };

/** A wall keeps ρ of what meets it, the share s of that like a mirror, the rest by Lambert's law. */
export interface WallMatter {
  kind: 'wall';
  reflectance: number;
  mirrorShare: number;
}

/**
 * An infinitely thin layer. What passes goes on inside (`through`) or has left (`out`); an open
 * mouth is a layer of τ = 1 that sends nothing back.
 */
export interface LayerMatter {
  kind: 'layer';
  transmittance: number;
  backReflectance: number;
  /** half-peak full width of a collimated beam after it, degrees; ≥ 110 scatters fully */
  spreadDeg: number;
  leads: 'out' | 'through';
}

export interface CavitySurface {
  name: string;
  shape: SurfaceShape;
  matter: WallMatter | LayerMatter;
}

/**
 * A closed arrangement as the transport engine takes it. Surfaces together must leave no way out
 * but through layers that lead out; the first such layer listed is the mouth.
 */
export interface Arrangement {
  surfaces: readonly CavitySurface[];
  emitters: readonly Emitter[];
}

/** Nothing there: what meets it has left. */
export const OPEN: LayerMatter = {
  kind: 'layer',
  transmittance: 1,
  backReflectance: 0,
  spreadDeg: 0,
  leads: 'out',
};

/** From here on a layer passes and returns by Lambert's law, whatever the arrival [docs/model/transport.md]. */
export const FULL_SPREAD_DEG = 110;

/** Faces of a frustum with rectangles for ends, back in z = 0; every wall of one matter. */
export function frustumWalls(
  back: readonly [widthM: number, heightM: number],
  front: readonly [widthM: number, heightM: number],
  depthM: number,
  matter: WallMatter | LayerMatter,
  name = 'side',
): CavitySurface[] {
  const corner = (end: readonly [number, number], z: number, k: number): Vector => [
    ((k === 0 || k === 3 ? -1 : 1) * end[0]) / 2,
    ((k < 2 ? -1 : 1) * end[1]) / 2,
    z,
  ];
  const names = ['bottom', 'right', 'top', 'left'];
  return names.map((side, k) => {
    const next = (k + 1) % 4;
    return {
      name: `${name}, ${side}`,
      shape: {
        kind: 'polygon',
        points: [
          corner(back, 0, k),
          corner(back, 0, next),
          corner(front, depthM, next),
          corner(front, depthM, k),
        ],
      },
      matter,
    };
  });
}

export const rectangleShape = (widthM: number, heightM: number, zM: number): SurfaceShape => ({
  kind: 'polygon',
  points: [
    [-widthM / 2, -heightM / 2, zM],
    [widthM / 2, -heightM / 2, zM],
    [widthM / 2, heightM / 2, zM],
    [-widthM / 2, heightM / 2, zM],
  ],
});

export const discShape = (radiusM: number, zM: number): SurfaceShape => ({
  kind: 'disc',
  zM,
  innerRadiusM: 0,
  outerRadiusM: radiusM,
});
