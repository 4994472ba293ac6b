import type { Vector } from './vector';
import type { ReflectingSurface } from './surfaces';
import { areaVector, cross, dot, minus } from './vector';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { abs, hypot, sqrt } = Math;

/**
 * What stands in the light's way: opaque plates (leaves, flags, a skirt's sides), opaque walls of
 * revolution about the light's axis (a hood, a round skirt), and grids; metres, build axes.
 */
export type Control =
  | Plate
  | RoundWall
  | { kind: 'ring'; name: string; zM: number; innerRadiusM: number; outerRadiusM: number }
  | { kind: 'grid'; name: string; zM: number; cellM: number; depthM: number; openShare: number };

/** Opaque wall of revolution about the light's axis. */
export interface RoundWall {
  kind: 'round';
  name: string;
  fromM: number;
  toM: number;
  fromRadiusM: number;
  toRadiusM: number;
  /** of its inside; nothing is sent back where it is not given */
  reflectance?: number;
}

/** Opaque, plane and convex. */
export interface Plate {
  kind: 'plate';
  name: string;
  points: readonly Vector[];
  /** of both sides; nothing is sent back where it is not given */
  reflectance?: number;
}

/** Share of the light that gets from one point to another past a control, 0…1. */
export type Passage = (
  ax: number,
  ay: number,
  az: number,
  bx: number,
  by: number,
  bz: number,
) => number;

/** Controls made ready for many rays. */
export const prepareControls = (controls: readonly Control[]): Passage[] =>
  controls.map((control) => {
    switch (control.kind) {
      case 'plate':
        return plate(control.points);
      case 'round':
        return round(control);
      case 'ring':
        return ring(control);
      case 'grid':
        return grid(control);
    }
  });

/** Share of the light from a that reaches b past all of them. */
export function passes(passages: readonly Passage[], a: Vector, b: Vector): number {
  let share = 1;
  for (const passage of passages) {
    share *= passage(a[0], a[1], a[2], b[0], b[1], b[2]);
    if (share === 0) return 0;
  }
  return share;
}

/** A convex plane plate blocks the ways that cross it [shadow plane, docs/model/light.md]. */
function plate(points: readonly Vector[]): Passage {
  const normal = areaVector(points);
  const [nx, ny, nz] = normal;
  const offset = dot(normal, points[0]!);
  const edges = points.map((from, k) => {
    const inward = cross(normal, minus(points[(k + 1) % points.length]!, from));
    return [...inward, dot(inward, from)] as const;
  });
  return (ax, ay, az, bx, by, bz) => {
    const before = nx * ax + ny * ay + nz * az - offset;
    const after = nx * bx + ny * by + nz * bz - offset;
    if (before * after >= 0) return 1;
    const t = before / (before - after);
    const [x, y, z] = [ax + t * (bx - ax), ay + t * (by - ay), az + t * (bz - az)];
    return edges.every(([ex, ey, ez, reach]) => ex * x + ey * y + ez * z >= reach) ? 0 : 1;
  };
}

/** A flat ring about the axis blocks the ways that cross it; what begins on it goes forwards. */
function ring({ zM, innerRadiusM, outerRadiusM }: Extract<Control, { kind: 'ring' }>): Passage {
  return (ax, ay, az, bx, by, bz) => {
    if (az >= zM === bz >= zM) return 1;
    const t = (zM - az) / (bz - az);
    const r = hypot(ax + t * (bx - ax), ay + t * (by - ay));
    return r >= innerRadiusM && r <= outerRadiusM ? 0 : 1;
  };
}

/** Boards that stand behind open lamps: no light goes through them. */
export const boardControls = (surfaces: readonly ReflectingSurface[]): Control[] =>
  surfaces.map((surface) =>
    surface.kind === 'annulus'
      ? {
          kind: 'ring',
          name: 'board',
          zM: surface.heightM,
          innerRadiusM: surface.innerRadiusM,
          outerRadiusM: surface.outerRadiusM,
        }
      : {
          kind: 'plate',
          name: 'board',
          points: [
            [-surface.widthM / 2, -surface.lengthM / 2, surface.heightM],
            [surface.widthM / 2, -surface.lengthM / 2, surface.heightM],
            [surface.widthM / 2, surface.lengthM / 2, surface.heightM],
            [-surface.widthM / 2, surface.lengthM / 2, surface.heightM],
          ],
        },
  );

/** A cone about the axis blocks the ways that cross its wall. */
function round({ fromM, toM, fromRadiusM, toRadiusM }: RoundWall): Passage {
  const slope = (toRadiusM - fromRadiusM) / (toM - fromM);
  return (ax, ay, az, bx, by, bz) => {
    const [dx, dy, dz] = [bx - ax, by - ay, bz - az];
    const r = fromRadiusM + slope * (az - fromM);
    const a = dx * dx + dy * dy - slope * slope * dz * dz;
    const b = ax * dx + ay * dy - slope * r * dz;
    const c = ax * ax + ay * ay - r * r;
    const inside = b * b - a * c;
    if (inside < 0 || a === 0) return 1;
    const root = sqrt(inside);
    for (const t of [(-b - root) / a, (-b + root) / a]) {
      const z = az + t * dz;
      if (t > 1e-9 && t < 1 && z > fromM && z < toM && r + slope * t * dz > 0) return 0;
    }
    return 1;
  };
}

/**
 * A grid of square cells passes its open area on the axis and nothing beyond atan(cell/depth) on either
 * axis; in between the walls of a cell shade it evenly: (1 − depth·tan/cell) each way [docs/model/light.md].
 */
function grid({ zM, cellM, depthM, openShare }: Extract<Control, { kind: 'grid' }>): Passage {
  const ratio = depthM / cellM;
  return (ax, ay, az, bx, by, bz) => {
    if (az > zM || bz <= zM) return 1;
    const dz = bz - az;
    const across = 1 - (ratio * abs(bx - ax)) / dz;
    const along = 1 - (ratio * abs(by - ay)) / dz;
    return across > 0 && along > 0 ? openShare * across * along : 0;
  };
}

/** What black cloth sends back [typ]. */
export const BLACK_CLOTH = 0.05;

/** Four plates of equal depth round a rectangle in the plane z, straight forwards. */
export function rectangularSkirt(
  name: string,
  widthM: number,
  heightM: number,
  zM: number,
  depthM: number,
  sides: readonly ('left' | 'right' | 'top' | 'bottom')[] = ['left', 'right', 'top', 'bottom'],
  reflectance = BLACK_CLOTH,
): Plate[] {
  const [x, y, far] = [widthM / 2, heightM / 2, zM + depthM];
  const edges: Record<(typeof sides)[number], readonly [number, number, number, number]> = {
    left: [-x, -y, -x, y],
    right: [x, -y, x, y],
    top: [-x, y, x, y],
    bottom: [-x, -y, x, -y],
  };
  return sides.map((side) => {
    const [x0, y0, x1, y1] = edges[side];
    return {
      kind: 'plate',
      name: `${name}, ${side}`,
      reflectance,
      points: [
        [x0, y0, zM],
        [x1, y1, zM],
        [x1, y1, far],
        [x0, y0, far],
      ],
    };
  });
}
