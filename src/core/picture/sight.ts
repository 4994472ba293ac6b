import { materialAt, MATERIALS } from '../mannequin/surface';
import { gridDistance, type HeadGrid } from '../mannequin/grid';
import { CENTRE, EYE, headDistance, REACH } from '../mannequin/head';

/**
 * What the camera sees, by pixel: place (3), normal (3) and material. It does not depend on the light, so
 * that it is worked out once for a size.
 */
export interface Sight {
  size: number;
  frame: FrameId;
  places: Float32Array;
  normals: Float32Array;
  materials: Uint8Array;
  /** share of each pixel that the figure fills: between 0 and 1 along its outline only */
  coverage: Float32Array;
}

/** What a square picture shows: middle and half its width at the face; `band`, which share of its height is drawn. */
export const FRAMES = {
  face: { x: 0, y: -0.035, halfM: 0.2, band: 1 },
  eyes: { x: 0, y: EYE.y, halfM: 0.062, band: 0.23 },
} as const;
export type FrameId = keyof typeof FRAMES;

/** Lens height and distance. */
export const CAMERA = { x: 0, y: 0.0, z: 1.5 } as const;
/** Plane of the wall behind, z. */
const WALL_Z = -0.9;

const EPSILON = 0.00025;
const MOST_STEPS = 72;

/** Rows `first`, `first + every`, … of a square picture; the others stay empty. */
export function seeRows(
  grid: HeadGrid,
  size: number,
  first = 0,
  every = 1,
  frame: FrameId = 'face',
): Sight {
  const sight: Sight = {
    size,
    frame,
    places: new Float32Array(size * size * 3),
    normals: new Float32Array(size * size * 3),
    materials: new Uint8Array(size * size),
    coverage: new Float32Array(size * size),
  };
  for (let row = first; row < size; row += every) {
    if (!inBand(sight, row)) continue;
    for (let column = 0; column < size; column++) seePixel(grid, sight, row, column);
  }
  return sight;
}

/** Rows of a frame that are drawn at all. */
export const inBand = ({ size, frame }: Pick<Sight, 'size' | 'frame'>, row: number): boolean =>
  Math.abs((2 * (row + 0.5)) / size - 1) <= FRAMES[frame].band;

/** Direction of a pixel's ray from the camera, unit length. */
export function pixelRay(
  { size, frame }: Pick<Sight, 'size' | 'frame'>,
  row: number,
  column: number,
): readonly [number, number, number] {
  const { halfM, ...middle } = FRAMES[frame];
  const x = ((2 * (column + 0.5)) / size - 1) * halfM + middle.x - CAMERA.x;
  const y = (1 - (2 * (row + 0.5)) / size) * halfM + middle.y - CAMERA.y;
  const long = Math.hypot(x, y, CAMERA.z);
  return [x / long, y / long, -CAMERA.z / long];
}

function seePixel(grid: HeadGrid, sight: Sight, row: number, column: number): void {
  const [ux, uy, uz] = pixelRay(sight, row, column);
  const at = row * sight.size + column;
  const t = headOnWay(grid, ux, uy, uz);
  const pixelM = (2 * FRAMES[sight.frame].halfM) / sight.size;
  const closest = nearest;
  sight.coverage[at] = t < 0 ? 0 : 1;
  if (t < 0) {
    if (closest < OUTLINE_PIXELS * pixelM) sight.coverage[at] = covered(grid, sight, row, column);
    const toWall = (WALL_Z - CAMERA.z) / uz;
    sight.places.set([CAMERA.x + toWall * ux, CAMERA.y + toWall * uy, WALL_Z], at * 3);
    sight.normals.set([0, 0, 1], at * 3);
    sight.materials[at] = MATERIALS.wall;
    return;
  }
  const [x, y, z] = [CAMERA.x + t * ux, CAMERA.y + t * uy, CAMERA.z + t * uz];
  sight.places.set([x, y, z], at * 3);
  const [nx, ny, nz] = normalAt(x, y, z);
  sight.normals.set([nx, ny, nz], at * 3);
  sight.materials[at] = materialAt(x, y, z);
  if (-(nx * ux + ny * uy + nz * uz) < GRAZING)
    sight.coverage[at] = covered(grid, sight, row, column);
}

/** Cosine to the skin below which a pixel may lie on the outline. */
const GRAZING = 0.25;
/** Rays each way of a pixel on the outline. */
const FINE = 4;
/** An outline is looked for where a ray passes so near to it. */
const OUTLINE_PIXELS = 1.2;

/** Share of a pixel's rays that meet the figure. */
function covered(grid: HeadGrid, sight: Sight, row: number, column: number): number {
  let met = 0;
  for (let i = 0; i < FINE * FINE; i++) {
    const [down, across] = [(Math.floor(i / FINE) + 0.5) / FINE, ((i % FINE) + 0.5) / FINE];
    const [ux, uy, uz] = pixelRay(sight, row - 0.5 + down, column - 0.5 + across);
    if (headOnWay(grid, ux, uy, uz) >= 0) met++;
  }
  return met / FINE ** 2;
}

/** How near the last ray came to the figure before it went away from it again. */
let nearest = Infinity;

/** Way to the figure along a ray from the camera; −1 past it. */
function headOnWay(grid: HeadGrid, ux: number, uy: number, uz: number): number {
  // Into the sphere that holds it all, and out again.
  const [ox, oy, oz] = [CAMERA.x - CENTRE[0], CAMERA.y - CENTRE[1], CAMERA.z - CENTRE[2]];
  const b = ox * ux + oy * uy + oz * uz;
  const inside = b * b - (ox * ox + oy * oy + oz * oz - REACH * REACH);
  nearest = Infinity;
  if (inside < 0) return -1;
  const end = -b + Math.sqrt(inside);
  let t = -b - Math.sqrt(inside);
  let last = 1;
  for (let step = 0; step < MOST_STEPS && t < end; step++) {
    const x = CAMERA.x + t * ux;
    const y = CAMERA.y + t * uy;
    const z = CAMERA.z + t * uz;
    // The baked distance for the long way, the exact one for the last of it.
    const baked = gridDistance(grid, x, y, z);
    const d = baked > 1.5 * grid.cellM ? baked - grid.cellM / 2 : headDistance(x, y, z);
    if (d < EPSILON) return t;
    // Having come near it goes away again: the outline is about there.
    if (d > last && last < nearest) nearest = last;
    // Melted shapes are a little farther than their sum says: a step is kept short of it.
    t += 0.9 * d;
    last = d;
  }
  // A ray that grazes the skin creeps along it: near enough is there.
  return last < 0.003 && t < end ? t : -1;
}

/** Outward unit normal by differences. */
function normalAt(x: number, y: number, z: number): readonly [number, number, number] {
  const h = 0.0005;
  // Four corners of a cube do for the six faces.
  const a = headDistance(x + h, y - h, z - h);
  const b = headDistance(x - h, y - h, z + h);
  const c = headDistance(x - h, y + h, z - h);
  const d = headDistance(x + h, y + h, z + h);
  const nx = a - b - c + d;
  const ny = -a - b + c + d;
  const nz = -a + b - c + d;
  const long = Math.hypot(nx, ny, nz) || 1;
  return [nx / long, ny / long, nz / long];
}
