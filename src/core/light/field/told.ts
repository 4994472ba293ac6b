import { emitterPasses } from '../illuminance';
import type { Passage } from '../controls';
import { packEmitters, STRIDE, type EmitterField, type Emitter } from '../emitter';
import { desk } from '../../native/native';
import type { Shown } from '../lightField';
import { CELLS } from './cells';
import { frameOf } from './layers';
import { leavingCd, turnedCd, type LayerGrid } from './layerGrid';
import { meet, wayFrom } from './meet';
import type { Exit, MouthField } from './mouthField';
import { poseOf } from './poses';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { PI, max, sqrt } = Math;

// Bound to this module: bundlers read an imported name off its module at every use, millions of times here.
const [getsPast, leftBy, turnedBy, nearest] = [emitterPasses, leavingCd, turnedCd, meet];
const [PER_EMITTER, COUNT] = [STRIDE, CELLS];

/** Numbers of one cell: place, way out, and two directions across it. */
const POSE = 12;

/** An exit whose cells each know what they send where: nothing need be looked for behind it. */
export interface ToldExit {
  exit: Exit;
  grid: LayerGrid | null;
  /** POSE numbers a cell */
  poses: Float64Array;
  /** places of the cells as the kernels of what stands in the way take them */
  places: EmitterField;
  /** other surfaces may stand before it */
  behind: boolean;
  /** by part, what its cells pass: lm a lamp lumen, or a table of directions before the layer turns them */
  parts: readonly (Float32Array | null)[];
  /** of the mean of all parts, what its cells send: lm a lamp lumen, or cd by direction */
  mean: Float32Array | null;
}

/** Exits of a field that are told; their error is how far the parts lie apart. */
export const toldExits = (field: MouthField): ToldExit[] =>
  field.exits.filter(({ told }) => told).map((exit) => toldExit(field, exit));

function toldExit(field: MouthField, exit: Exit): ToldExit {
  const poses = posesOf(field, exit);
  const grid = field.grids[exit.surface]!;
  const place = exit.surface * 2 + 1 - exit.inside;
  const bare = Array.from({ length: CELLS }, (_, cell): Emitter => ({
    positionM: [poses[cell * POSE]!, poses[cell * POSE + 1]!, poses[cell * POSE + 2]!],
    axis: [0, 0, 1],
    luminousFluxLm: 0,
    spread: { class: 'lambert' },
  }));
  return {
    exit,
    grid,
    poses,
    places: packEmitters(bare),
    behind: standsBehind(field, exit, poses),
    parts: grid
      ? field.passing.map((passing) => passing[place]!)
      : field.luminances.map((luminances) => sentBy(exit, luminances)),
    mean: grid ? field.leaving[place]! : sentBy(exit, field.luminance),
  };
}

/** What the cells of an exit that scatters fully send, by a survey’s map. */
function sentBy({ surface, inside, chart, passes }: Exit, luminances: Float32Array): Float32Array {
  const from = (surface * 2 + inside) * CELLS;
  return luminances
    .subarray(from, from + CELLS)
    .map((luminance, cell) => luminance * PI * chart.areasM2[cell]! * passes);
}

function posesOf(field: MouthField, exit: Exit): Float64Array {
  const poses = new Float64Array(CELLS * POSE);
  const frame = new Float64Array(6);
  for (let cell = 0; cell < COUNT; cell++) {
    const { positionM, axis } = poseOf(field, exit, cell);
    frameOf(...axis, frame);
    poses.set([...positionM, ...axis, ...frame], cell * POSE);
  }
  return poses;
}

/** Whether any surface reaches out before a plane exit; round ones may always be in their own way. */
function standsBehind({ packed, charts }: MouthField, { surface }: Exit, poses: Float64Array) {
  const [x, y, z, nx, ny, nz] = poses;
  const corner = new Float64Array(3);
  const before = (px: number, py: number, pz: number) =>
    (px - x!) * nx! + (py - y!) * ny! + (pz - z!) * nz! > 1e-6;
  for (let cell = 0; cell < COUNT; cell++) {
    const o = cell * POSE;
    if (before(poses[o]!, poses[o + 1]!, poses[o + 2]!)) return true;
  }
  for (let other = 0; other < packed.surfaceCount; other++) {
    if (other === surface) continue;
    for (const u of [0, 0.25, 0.5, 0.75, 1])
      for (const v of [0, 0.5, 1]) {
        charts[other]!.middle(u, v, corner);
        if (before(corner[0]!, corner[1]!, corner[2]!)) return true;
      }
  }
  return false;
}

/** Illuminance of a told exit at a point of a surface, by one part of a survey or the mean of all; lux a lamp lumen. */
export function toldLx(
  field: MouthField,
  told: ToldExit,
  part: number,
  passages: readonly Passage[],
  [px, py, pz]: readonly [number, number, number],
  [nx, ny, nz]: readonly [number, number, number],
): number {
  const { exit, grid, poses, places, behind, parts, mean } = told;
  const sent = part < 0 ? mean : parts[part]!;
  if (!sent) return 0;
  if (part < 0 && grid && !behind && passages.length === 0) {
    const lx = toldNative(told, grid, sent, px, py, pz, nx, ny, nz);
    if (lx !== null) return lx;
  }
  const read = part < 0 ? leftBy : turnedBy;
  const { areasM2 } = exit.chart;
  const way = behind ? wayFrom() : null;
  const guarded = passages.length > 0 ? { ...places, controls: passages } : null;
  let sum = 0;
  for (let cell = 0, o = 0; cell < COUNT; cell++, o += POSE) {
    if (areasM2[cell] === 0) continue;
    const dx = px - poses[o]!;
    const dy = py - poses[o + 1]!;
    const dz = pz - poses[o + 2]!;
    const facing = -(dx * nx + dy * ny + dz * nz);
    if (facing <= 0) continue;
    const along = dx * poses[o + 3]! + dy * poses[o + 4]! + dz * poses[o + 5]!;
    if (along <= 0) continue;
    const squared = dx * dx + dy * dy + dz * dz;
    let lx = 0;
    const d = sqrt(squared);
    if (grid) {
      const u = (dx * poses[o + 6]! + dy * poses[o + 7]! + dz * poses[o + 8]!) / d;
      const v = (dx * poses[o + 9]! + dy * poses[o + 10]! + dz * poses[o + 11]!) / d;
      lx = (read(sent, grid, cell, u, v) * facing) / (squared * d);
    } else lx = (sent[cell]! * along * facing) / (PI * squared * squared);
    if (lx === 0) continue;
    if (way) {
      [way.px, way.py, way.pz] = [px, py, pz];
      [way.dx, way.dy, way.dz] = [-dx / d, -dy / d, -dz / d];
      way.on = -1;
      if (nearest(field.packed, way) !== exit.surface && way.t < d * (1 - 1e-6)) continue;
    }
    if (guarded) lx *= getsPast(guarded, cell * PER_EMITTER, px, py, pz);
    sum += lx;
  }
  return sum;
}

const shelf = desk();
/** Tables lie on the shelf, each where it was put, until that is full. */
const MOST_BYTES = 32e6;
let laid = new WeakMap<ToldExit, { poses: number; table: number }>();

/** The same by the kernel; null where there is none. */
function toldNative(
  told: ToldExit,
  { nodes }: LayerGrid,
  table: Float32Array,
  px: number,
  py: number,
  pz: number,
  nx: number,
  ny: number,
  nz: number,
): number | null {
  if (!shelf) return null;
  let place = laid.get(told);
  if (!place) {
    if (shelf.taken > MOST_BYTES) {
      shelf.clear();
      laid = new WeakMap();
    }
    place = { poses: shelf.lay(posesWithAreas(told)), table: shelf.lay(table) };
    laid.set(told, place);
  }
  return shelf.run.toldSum(COUNT, nodes, place.poses, place.table, px, py, pz, nx, ny, nz);
}

function posesWithAreas({ poses, exit }: ToldExit): Float64Array {
  const all = new Float64Array(CELLS * (POSE + 1));
  for (let cell = 0; cell < COUNT; cell++) {
    all.set(poses.subarray(cell * POSE, (cell + 1) * POSE), cell * (POSE + 1));
    all[cell * (POSE + 1) + POSE] = exit.chart.areasM2[cell]! > 0 ? 1 : 0;
  }
  return all;
}

/** Its cells as Lambertian sources that look towards a point as they do. */
export function toldSources(
  { exit, grid, poses, mean }: ToldExit,
  [px, py, pz]: readonly [number, number, number],
  sentLm: number,
): Shown[] {
  if (!mean) return [];
  return Array.from({ length: CELLS }, (_, cell): Shown | null => {
    const o = cell * POSE;
    if (exit.chart.areasM2[cell] === 0) return null;
    const [dx, dy, dz] = [px - poses[o]!, py - poses[o + 1]!, pz - poses[o + 2]!];
    const d = sqrt(dx * dx + dy * dy + dz * dz);
    const cosine = (dx * poses[o + 3]! + dy * poses[o + 4]! + dz * poses[o + 5]!) / d;
    if (cosine <= 0) return null;
    const across = (k: number) => (dx * poses[k]! + dy * poses[k + 1]! + dz * poses[k + 2]!) / d;
    const luminousFluxLm = grid
      ? (leftBy(mean, grid, cell, across(o + 6), across(o + 9)) * PI * sentLm) / max(0.02, cosine)
      : mean[cell]! * sentLm;
    return {
      positionM: [poses[o]!, poses[o + 1]!, poses[o + 2]!],
      axis: [poses[o + 3]!, poses[o + 4]!, poses[o + 5]!],
      luminousFluxLm,
      spread: { class: 'lambert' },
      areaM2: exit.chart.areasM2[cell]!,
    };
  }).filter((source) => source !== null);
}
