import type { Origin } from '../origin';

/** A ring in the plane z = heightM, facing +z, that gives light back evenly by Lambert's law. */
export interface AnnulusSurface {
  kind: 'annulus';
  innerRadiusM: number;
  outerRadiusM: number;
  heightM: number;
  reflectance: number;
  /** where it comes from; typical where nobody says */
  origin?: Origin;
}

/** A rectangle round the axis in the plane z = heightM, facing +z, reflecting by Lambert's law. */
export interface RectangleSurface {
  kind: 'rectangle';
  widthM: number;
  /** along y */
  lengthM: number;
  heightM: number;
  reflectance: number;
  /** where it comes from; typical where nobody says */
  origin?: Origin;
}

export type ReflectingSurface = AnnulusSurface | RectangleSurface;
