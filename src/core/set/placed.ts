import type { Passage } from '../light/controls';
import type { LightField } from '../light/lightField';
import type { Vector } from '../light/vector';
import { inTheWay, type Face, type Patch } from './faces';
import { axesOf, placeInto, turnedInto, type Pose } from './pose';

/** A head or another thing round enough to be taken as a ball where it throws a shadow. */
export interface Ball {
  centre: Vector;
  radiusM: number;
}

/** What stands in a set and lets no light through. */
export interface Standing {
  faces: readonly Face[];
  balls: readonly Ball[];
}

/** A light of its own field where it stands. */
export interface Placed {
  field: LightField;
  /** plane of its own axes that its light leaves by */
  frontM: number;
  pose: Pose;
}

/** A ball that lies across the way; one that holds an end is that end's own. */
export function ballInTheWay({ centre: [cx, cy, cz], radiusM }: Ball): Passage {
  const most = radiusM * radiusM;
  return (ax, ay, az, bx, by, bz) => {
    const x = bx - ax;
    const y = by - ay;
    const z = bz - az;
    const ox = cx - ax;
    const oy = cy - ay;
    const oz = cz - az;
    const t = (ox * x + oy * y + oz * z) / (x * x + y * y + z * z);
    // Nearest at an end, or holding one, it is not across.
    if (t <= 0 || t >= 1 || ox * ox + oy * oy + oz * oz < most) return 1;
    const nx = ox - x * t;
    const ny = oy - y * t;
    const nz = oz - z * t;
    if (nx * nx + ny * ny + nz * nz >= most) return 1;
    const ex = cx - bx;
    const ey = cy - by;
    const ez = cz - bz;
    return ex * ex + ey * ey + ez * ez < most ? 1 : 0;
  };
}

/** Lux straight from a light on a small surface. */
export type Direct = (pointM: Vector, normal: Vector) => number;

/**
 * A light as it reaches the set: its own field with what stands there in its way, turned into the light's axes. Each of its small
 * sources is hidden by itself, so that a large front throws a soft shadow.
 */
export function directFrom({ field, frontM, pose }: Placed, standing?: Standing): Direct {
  const axes = axesOf(pose);
  const into = (place: Vector) => placeInto(axes, place, frontM);
  const lit = standing
    ? field.passing([
        ...field.passages,
        ...inTheWay(standing.faces, into),
        ...standing.balls.map(({ centre, radiusM }) =>
          ballInTheWay({ centre: into(centre), radiusM }),
        ),
      ])
    : field;
  return (pointM, normal) => lit.illuminance(into(pointM), turnedInto(axes, normal));
}

/** The same on every patch. */
export const directOn = (direct: Direct, patches: readonly Patch[]): Float64Array =>
  Float64Array.from(patches, ({ centre, normal }) => direct(centre, normal));
