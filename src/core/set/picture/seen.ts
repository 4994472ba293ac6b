import { cross, dot, minus, plus, scaled, unit, type Vector } from '../../light/vector';
import { gridDistance, type HeadGrid } from '../../mannequin/grid';
import { CENTRE, headDistance, REACH } from '../../mannequin/head';
import { EYE_COLOURS, eyePart, LIP, materialAt, MATERIALS, SHIRT } from '../../mannequin/surface';
import { SKINS } from '../../mannequin/skin';
import type { Bands, Face } from '../faces';
import { normalOf } from '../faces';
import type { SetHead } from '../scene';
import type { PictureScene } from './pictureScene';

/** What lies at the end of a ray. */
export interface Hit {
  at: Vector;
  normal: Vector;
  albedo: Bands;
  /** of the scene; −1 for a head */
  face: number;
  /** of a face, shares of its edges */
  u: number;
  v: number;
  /** of the scene; −1 for a face */
  head: number;
}

interface FlatFace {
  corner: Vector;
  normal: Vector;
  across: Vector;
  along: Vector;
  uu: number;
  vv: number;
  albedo: Bands;
}

const flat = (face: Pick<Face, 'corner' | 'across' | 'along'>, albedo: Bands): FlatFace => ({
  corner: face.corner,
  across: face.across,
  along: face.along,
  normal: normalOf(face),
  uu: dot(face.across, face.across),
  vv: dot(face.along, face.along),
  albedo,
});

/** A head’s own axes in the set: x its left, y up, z where it looks. */
const headAxes = ({ facing }: Pick<SetHead, 'facing'>): [Vector, Vector, Vector] => [
  cross([0, 0, 1], facing),
  [0, 0, 1],
  facing,
];

export const intoHead = (head: SetHead, place: Vector): Vector => {
  const [x, y, z] = headAxes(head);
  const off = minus(place, head.at);
  return [dot(off, x), dot(off, y), dot(off, z)];
};

const outOfHead = (head: SetHead, way: Vector): Vector => {
  const [x, y, z] = headAxes(head);
  return plus(plus(scaled(x, way[0]), scaled(y, way[1])), scaled(z, way[2]));
};

const STEPS = 90;
const NEAR_M = 0.0006;

/** Way along a ray in a head’s axes to its skin; −1 past it. */
function toHead(grid: HeadGrid, from: Vector, way: Vector): number {
  const off = minus(from, CENTRE);
  const b = dot(off, way);
  const inside = b * b - (dot(off, off) - REACH * REACH);
  if (inside < 0) return -1;
  const end = -b + Math.sqrt(inside);
  let t = Math.max(0, -b - Math.sqrt(inside));
  for (let step = 0; step < STEPS && t < end; step++) {
    const [x, y, z] = [from[0] + t * way[0], from[1] + t * way[1], from[2] + t * way[2]];
    const baked = gridDistance(grid, x, y, z);
    const d = baked > 1.5 * grid.cellM ? baked - grid.cellM / 2 : headDistance(x, y, z);
    if (d < NEAR_M) return t;
    t += 0.9 * d;
  }
  return -1;
}

/** Half an edge of a normal’s cube. */
const PROBE_M = 0.0005;

/** Outward unit normal by differences over a cube’s corners. */
function skinNormal(x: number, y: number, z: number): Vector {
  const h = PROBE_M;
  const a = headDistance(x + h, y - h, z - h);
  const b = headDistance(x - h, y - h, z + h);
  const c = headDistance(x - h, y + h, z - h);
  const d = headDistance(x + h, y + h, z + h);
  return unit([a - b - c + d, -a - b + c + d, -a + b - c + d]);
}

/** Below the shoulders the mannequin is a plain trunk. */
const TRUNK = { topM: -0.33, radiusX: 0.188, radiusZ: 0.11, backM: -0.085 };

/** Way to an upright elliptic trunk under the shoulders, down to the floor or the seat. */
function toTrunk(from: Vector, way: Vector, downM: number): number {
  const { topM, radiusX: a, radiusZ: b, backM } = TRUNK;
  const [ox, oz] = [from[0] / a, (from[2] - backM) / b];
  const [dx, dz] = [way[0] / a, way[2] / b];
  const [qa, qb, qc] = [dx * dx + dz * dz, ox * dx + oz * dz, ox * ox + oz * oz - 1];
  const root = qb * qb - qa * qc;
  if (root < 0 || qa < 1e-12) return -1;
  const t = (-qb - Math.sqrt(root)) / qa;
  const y = from[1] + t * way[1];
  return t > 0 && y < topM && y > downM ? t : -1;
}

function headAlbedo(head: SetHead, [x, y, z]: Vector): Bands {
  const skin: Bands = SKINS[head.skin].albedo;
  switch (materialAt(x, y, z)) {
    case MATERIALS.eye:
      return EYE_COLOURS[eyePart(x, y, z)];
    case MATERIALS.shirt:
      return SHIRT;
    case MATERIALS.lip:
      return [skin[0] * LIP[0], skin[1] * LIP[1], skin[2] * LIP[2]];
    default:
      return skin;
  }
}

/** Looks along rays of one scene. */
export class Looker {
  private readonly faces: FlatFace[];
  private readonly glasses: FlatFace[];

  constructor(
    private readonly scene: PictureScene,
    private readonly grid: HeadGrid,
  ) {
    this.faces = scene.faces.map((face) => flat(face, face.reflectance));
    this.glasses = scene.glasses.map(({ face, mirror }) =>
      flat(face, mirror ? NOTHING : BEHIND_GLASS),
    );
  }

  /** The nearest thing along a ray; null for the night outside. @param past  way left out at its start */
  look(from: Vector, way: Vector, past = 1e-4): Hit | null {
    let best = Infinity;
    let hit: Hit | null = null;
    const meet = (face: FlatFace, index: number): void => {
      const down = dot(way, face.normal);
      // Its back is another face’s front, or the wall of a room looked into from outside.
      if (down >= -1e-9) return;
      const t = dot(minus(face.corner, from), face.normal) / down;
      if (t <= past || t >= best) return;
      const at = plus(from, scaled(way, t));
      const off = minus(at, face.corner);
      const [u, v] = [dot(off, face.across) / face.uu, dot(off, face.along) / face.vv];
      if (u < 0 || u > 1 || v < 0 || v > 1) return;
      best = t;
      hit = { at, normal: face.normal, albedo: face.albedo, face: index, u, v, head: -1 };
    };
    this.faces.forEach(meet);
    this.glasses.forEach((glass, k) => meet(glass, GLASS - k));
    this.scene.heads.forEach((head, index) => {
      const start = intoHead(head, from);
      const [x, y, z] = headAxes(head);
      const along: Vector = [dot(way, x), dot(way, y), dot(way, z)];
      const t = toHead(this.grid, start, along);
      if (t > past && t < best) {
        best = t;
        const at = plus(from, scaled(way, t));
        const own = plus(start, scaled(along, t));
        const normal = outOfHead(head, skinNormal(own[0], own[1], own[2]));
        hit = { at, normal, albedo: headAlbedo(head, own), face: -1, u: 0, v: 0, head: index };
      }
      const trunk = toTrunk(start, along, -head.at[2] * 0.55);
      if (trunk > past && trunk < best) {
        best = trunk;
        const own = plus(start, scaled(along, trunk));
        const out = unit([
          own[0] / TRUNK.radiusX ** 2,
          0,
          (own[2] - TRUNK.backM) / TRUNK.radiusZ ** 2,
        ]);
        hit = {
          at: plus(from, scaled(way, trunk)),
          normal: outOfHead(head, out),
          albedo: SHIRT,
          face: -1,
          u: 0,
          v: 0,
          head: index,
        };
      }
    });
    return hit;
  }

  /** Of a hit on a glass: which, and how much of what it mirrors comes back. */
  glassAt({ face }: Hit): { share: number } | null {
    const glass = face <= GLASS ? this.scene.glasses[GLASS - face] : undefined;
    return glass ? { share: glass.mirror ? MIRROR : PANE } : null;
  }
}

/** Indices of glasses go down from here. */
const GLASS = -2;
/** Of light straight on: glass of index 1.5 sends back 4 % at each of its two sides [std: Fresnel]. */
const PANE = 0.08;
/** Silvered glass [typ]. */
const MIRROR = 0.88;
const NOTHING: Bands = [0, 0, 0];
/** What is framed behind glass: paper with something printed on it [typ]. */
const BEHIND_GLASS: Bands = [0.32, 0.3, 0.26];

export const reflected = (way: Vector, normal: Vector): Vector =>
  minus(way, scaled(normal, 2 * dot(way, normal)));
