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
export const headAxes = ({ facing }: Pick<SetHead, 'facing'>): [Vector, Vector, Vector] => [
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

const STEPS = 110;
const NEAR_M = 0.0006;
/** Half an edge of a normal’s cube. */
const PROBE_M = 0.0008;

/** Below the shoulders the mannequin is a plain trunk that grows out of them; metres, its own axes. */
const TRUNK = { topM: -0.3, radiusX: 0.168, radiusZ: 0.105, backM: -0.085, seamM: 0.09 };
/** No part of the trunk reaches up here. */
const TRUNK_FROM = TRUNK.topM + TRUNK.seamM;
/** A grown trunk, arms and all, lies within this of its axis. */
const ROUND_M = 0.45;

function trunkDistance(x: number, y: number, z: number): number {
  const { topM, radiusX, radiusZ, backM } = TRUNK;
  const out = (Math.hypot(x / radiusX, (z - backM) / radiusZ) - 1) * radiusZ;
  return Math.max(out, y - topM);
}

/** Distance to the whole figure: the trunk melts into the shoulders. */
function figureDistance(x: number, y: number, z: number, head: number): number {
  if (y > TRUNK_FROM) return head;
  const trunk = trunkDistance(x, y, z);
  const k = TRUNK.seamM;
  const both = Math.max(0, k - Math.abs(head - trunk)) / k;
  return Math.min(head, trunk) - (both * both * k) / 4;
}

const exact = (x: number, y: number, z: number) => figureDistance(x, y, z, headDistance(x, y, z));

/** Way along a ray in a head’s axes to its skin or shirt; −1 past it. */
function toFigure(grid: HeadGrid, from: Vector, way: Vector): number {
  // Within an upright drum that holds it all.
  const [ox, oz] = [from[0], from[2] - TRUNK.backM];
  const a = way[0] * way[0] + way[2] * way[2];
  const b = ox * way[0] + oz * way[2];
  const root = b * b - a * (ox * ox + oz * oz - ROUND_M ** 2);
  if (root < 0 || a < 1e-12) return -1;
  const end = (-b + Math.sqrt(root)) / a;
  let t = Math.max(0, (-b - Math.sqrt(root)) / a);
  for (let step = 0; step < STEPS && t < end; step++) {
    const x = from[0] + t * way[0];
    const y = from[1] + t * way[1];
    const z = from[2] + t * way[2];
    const d = figureDistance(x, y, z, headAt(grid, x, y, z));
    if (d < NEAR_M) return t;
    t += 0.9 * d;
  }
  return -1;
}

/** Distance to head and shoulders: baked for the long way, exact for the last of it, by the ball that holds them outside. */
function headAt(grid: HeadGrid, x: number, y: number, z: number): number {
  const off = Math.hypot(x - CENTRE[0], y - CENTRE[1], z - CENTRE[2]) - REACH;
  if (off > 0.02) return off;
  const [least, most] = [grid.from, grid.to];
  const baking =
    x > least[0] && y > least[1] && z > least[2] && x < most[0] && y < most[1] && z < most[2];
  if (!baking) return headDistance(x, y, z);
  const baked = gridDistance(grid, x, y, z);
  return baked > 1.5 * grid.cellM ? baked - grid.cellM / 2 : headDistance(x, y, z);
}

/** Outward unit normal of the figure by differences over a cube’s corners. */
function figureNormal(x: number, y: number, z: number): Vector {
  const h = PROBE_M;
  const a = exact(x + h, y - h, z - h);
  const b = exact(x - h, y - h, z + h);
  const c = exact(x - h, y + h, z - h);
  const d = exact(x + h, y + h, z + h);
  return unit([a - b - c + d, -a - b + c + d, -a + b - c + d]);
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
      const t = toFigure(this.grid, start, along);
      if (t <= past || t >= best) return;
      best = t;
      const own = plus(start, scaled(along, t));
      hit = {
        at: plus(from, scaled(way, t)),
        normal: outOfHead(head, figureNormal(own[0], own[1], own[2])),
        albedo: headAlbedo(head, own),
        face: -1,
        u: 0,
        v: 0,
        head: index,
      };
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
