/** Flat patterns of cones, frusta and doors [std: sheet-metal layout, parallel and radial development]. */

export interface ConeBlank {
  innerRadiusM: number;
  outerRadiusM: number;
  /** opening angle of the annular sector */
  angleRad: number;
  slantM: number;
}

/**
 * A cone's wall rolled out flat: an annular sector with R = s·r2/(r2 − r1), r = s·r1/(r2 − r1) and
 * θ = 2π·(r2 − r1)/s, s = √(h² + (r2 − r1)²).
 * @param baseDiameterM, mouthDiameterM  different, > 0
 * @returns null for a cylinder, whose wall is a rectangle
 */
export function coneBlank(
  baseDiameterM: number,
  mouthDiameterM: number,
  lengthM: number,
): ConeBlank | null {
  const small = Math.min(baseDiameterM, mouthDiameterM) / 2;
  const large = Math.max(baseDiameterM, mouthDiameterM) / 2;
  const flare = large - small;
  if (flare < 1e-6) return null;
  const slantM = Math.hypot(lengthM, flare);
  return {
    innerRadiusM: (slantM * small) / flare,
    outerRadiusM: (slantM * large) / flare,
    angleRad: (2 * Math.PI * flare) / slantM,
    slantM,
  };
}

export interface Frustum {
  /** slant height of the top and bottom panels, and of the side panels */
  topSlantM: number;
  sideSlantM: number;
  /** inner angle between neighbouring panels */
  dihedralRad: number;
  /** bevel on each edge so that the two meet: half the dihedral, measured from the face */
  mitreRad: number;
  /** angle between a panel's face and the back plate */
  topFoldRad: number;
  sideFoldRad: number;
}

/**
 * A four-sided pyramid box cut off at the back plate. With tilts a = atan(Δh/2d), b = atan(Δw/2d) the
 * outward normals are (0, cos a, −sin a) and (cos b, 0, −sin b): cos of the dihedral = −sin a·sin b.
 */
export function frustum(
  frontWidthM: number,
  frontHeightM: number,
  backWidthM: number,
  backHeightM: number,
  depthM: number,
): Frustum {
  const [rise, run] = [(frontHeightM - backHeightM) / 2, (frontWidthM - backWidthM) / 2];
  const [a, b] = [Math.atan2(rise, depthM), Math.atan2(run, depthM)];
  const dihedralRad = Math.acos(-Math.sin(a) * Math.sin(b));
  return {
    topSlantM: Math.hypot(depthM, rise),
    sideSlantM: Math.hypot(depthM, run),
    dihedralRad,
    mitreRad: dihedralRad / 2,
    topFoldRad: Math.PI / 2 + a,
    sideFoldRad: Math.PI / 2 + b,
  };
}

/**
 * A barn-door leaf: a trapezoid from its hinge edge to its free edge, with both free corners cut off.
 * @param cornerM how much of each side is cut at the free corners
 */
export function doorLeaf(
  hingeM: number,
  freeM: number,
  lengthM: number,
  cornerM: number,
): [number, number][] {
  const half = hingeM / 2;
  const end = freeM / 2;
  const cut = Math.min(cornerM, end, lengthM / 2);
  // The side's x where the corner cut begins, a cut's length below the free edge.
  const sideX = half + ((end - half) * (lengthM - cut)) / lengthM;
  return cut > 0
    ? [
        [-half, 0],
        [half, 0],
        [sideX, lengthM - cut],
        [end - cut, lengthM],
        [-(end - cut), lengthM],
        [-sideX, lengthM - cut],
      ]
    : [
        [-half, 0],
        [half, 0],
        [end, lengthM],
        [-end, lengthM],
      ];
}
