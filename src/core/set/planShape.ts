import { toRadians } from '../angle';
import type { Vector } from '../light/vector';
import { axesOf, placeOutOf } from './pose';
import { windowPart, partOf, wallFace } from './roomFaces';
import { faceOf, lookOf, poseOf } from './scene';
import type { Setup } from './setup';
import type { Thing } from './things';

/** From above, or from the right with the camera on the left. */
export type PlanView = 'above' | 'side';

/** How big the front of a light is that a plan draws, m. */
export type FrontOf = (id: string) => { widthM: number; heightM: number };

/** A thing as a plan draws it: lines in the set, its middle, and where it looks. */
export interface PlanShape {
  thing: Thing;
  lines: readonly (readonly Vector[])[];
  at: Vector;
  /** unit; null for what looks nowhere */
  look: Vector | null;
  /** over the floor; null for what stands on it */
  heightM: number | null;
}

type Rect = { pose: ReturnType<typeof poseOf>; widthM: number; heightM: number };

const outline = ({ pose, widthM: w, heightM: h }: Rect): Vector[] => {
  const axes = axesOf(pose);
  return [
    [-w / 2, -h / 2, 0],
    [w / 2, -h / 2, 0],
    [w / 2, h / 2, 0],
    [-w / 2, h / 2, 0],
    [-w / 2, -h / 2, 0],
  ].map((corner) => placeOutOf(axes, corner as unknown as Vector, 0));
};

function rectOf(thing: Thing, front: FrontOf): Rect | null {
  switch (thing.kind) {
    case 'light':
      return { pose: poseOf(thing), ...front(thing.id) };
    case 'card':
    case 'glass':
      return { pose: poseOf(thing), widthM: thing.widthM, heightM: thing.heightM };
    case 'backdrop':
      return {
        pose: poseOf({ ...thing, zM: thing.bottomM + thing.heightM / 2, tiltDeg: 0 }),
        widthM: thing.widthM,
        heightM: thing.heightM,
      };
    case 'object':
      return {
        pose: poseOf({ ...thing, zM: thing.bottomM + thing.heightM, tiltDeg: 90 }),
        widthM: thing.widthM,
        heightM: thing.depthM,
      };
    case 'table':
      return {
        pose: poseOf({ ...thing, zM: thing.heightM, tiltDeg: 90 }),
        widthM: thing.widthM,
        heightM: thing.depthM,
      };
    case 'socket':
      return { pose: poseOf({ ...thing, panDeg: 0, tiltDeg: 90 }), widthM: 0.16, heightM: 0.16 };
    default:
      return null;
  }
}

const RING = 20;
/** A figure from above: shoulders and a head [std: ISO 7250, rounded; from memory]. */
const ellipse = (
  middle: Vector,
  look: Vector,
  halfWideM: number,
  halfDeepM: number,
  zM: number,
): Vector[] =>
  Array.from({ length: RING + 1 }, (_, k) => {
    const angle = toRadians((360 * k) / RING);
    const [a, b] = [Math.cos(angle) * halfWideM, Math.sin(angle) * halfDeepM];
    return [middle[0] + a * look[1] + b * look[0], middle[1] - a * look[0] + b * look[1], zM];
  });

function headShape(thing: Extract<Thing, { kind: 'head' }>): PlanShape {
  const at = faceOf(thing);
  const look = lookOf(thing.panDeg);
  const back = (m: number): Vector => [at[0] - look[0] * m, at[1] - look[1] * m, at[2]];
  const [x, y, z] = at;
  return {
    thing,
    at,
    look,
    heightM: null,
    lines: [
      ellipse(back(0.09), look, 0.225, 0.11, z - 0.3),
      ellipse(back(0.08), look, 0.075, 0.095, z),
      [
        [x, y, z - 0.1],
        [x, y, z + 0.1],
        [back(0.16)[0], back(0.16)[1], z + 0.12],
        [back(0.16)[0], back(0.16)[1], 0],
      ],
    ],
  };
}

/** Anything of a setup as lines. */
export function planShape(thing: Thing, setup: Setup, front: FrontOf): PlanShape {
  if (thing.kind === 'head') return headShape(thing);
  if (thing.kind === 'window') {
    const wall = wallFace(setup.room, thing.wall);
    const { corner, across, along } = partOf(wall, windowPart(thing));
    const to = (u: number, v: number): Vector => [
      corner[0] + u * across[0] + v * along[0],
      corner[1] + u * across[1] + v * along[1],
      corner[2] + u * across[2] + v * along[2],
    ];
    return {
      thing,
      at: to(0.5, 0.5),
      look: null,
      heightM: null,
      lines: [[to(0, 0), to(1, 0), to(1, 1), to(0, 1), to(0, 0)]],
    };
  }
  const rect = rectOf(thing, front)!;
  return {
    thing,
    at: rect.pose.at,
    look: axesOf(rect.pose).z,
    heightM: 'zM' in thing && thing.kind !== 'socket' ? thing.zM : null,
    lines: [outline(rect)],
  };
}
