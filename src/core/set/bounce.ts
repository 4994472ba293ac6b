import { dot, minus, plus, scaled, type Vector } from '../light/vector';
import { normalOf, type Face } from './faces';
import { luminanceOf } from './finish';
import { axesOf } from './pose';
import type { Lit } from './readings';
import { poseOf, sceneOf } from './scene';
import type { Setup } from './setup';
import type { LightThing } from './things';

/** What sends less on swallows a beam, and is not what it is aimed at. */
const BLACK = 0.05;

/** What a light may be aimed at: everything that stands in the set and sends light back. */
const surfaces = (setup: Setup): Face[] =>
  sceneOf(setup, new Map()).faces.filter(({ reflectance }) => luminanceOf(reflectance) > BLACK);

/** How far along a way a face’s lit side is met, m; null past its edges, or from behind. */
function meets(face: Face, from: Vector, way: Vector): number | null {
  const normal = normalOf(face);
  const facing = dot(way, normal);
  if (facing >= -1e-9) return null;
  const far = dot(minus(face.corner, from), normal) / facing;
  if (far <= 1e-6) return null;
  const on = minus(plus(from, scaled(way, far)), face.corner);
  const share = (edge: Vector) => dot(on, edge) / dot(edge, edge);
  const inside = (value: number) => value >= -1e-9 && value <= 1 + 1e-9;
  return inside(share(face.across)) && inside(share(face.along)) ? far : null;
}

/** Where the middle of a light’s beam first meets a surface, and which; null where it goes out of the set. */
export function aimedAt(setup: Setup, light: LightThing): { at: Vector; on: string } | null {
  const { at: from, z } = axesOf(poseOf(light));
  let nearest: { far: number; on: string } | null = null;
  for (const face of surfaces(setup)) {
    const far = meets(face, from, z);
    if (far !== null && far < (nearest?.far ?? Infinity)) nearest = { far, on: face.of ?? face.id };
  }
  return nearest && { at: plus(from, scaled(z, nearest.far)), on: nearest.on };
}

/** Less of a face’s light than this nobody asks the way of [common practice]. */
const COUNTS = 0.12;

/** Lights most of whose light on somebody’s face gets there by way of surfaces, and that count there. */
export function bouncedLights(lit: readonly Lit[]): string[] {
  const heads = new Set(lit.flatMap(({ light }) => Object.keys(light.heads)));
  const found = [...heads].flatMap((id) => {
    const parts = lit.map(({ light, state }) => {
      const head = light.heads[id];
      const straight = state.factor * (head?.direct.front ?? 0);
      const around = head ? state.factor * luminanceOf(head.bounced.front) : 0;
      return { id: light.id, straight, around };
    });
    const all = parts.reduce((sum, { straight, around }) => sum + straight + around, 0);
    return parts
      .filter(({ straight, around }) => around > straight && around > COUNTS * all)
      .map((part) => part.id);
  });
  return [...new Set(found)];
}
