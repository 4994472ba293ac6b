import { prepareSpread, QUANTILES, quantilesOf, type Spread } from '../../units/spread';
import type { Vector } from '../vector';
import type { Emitter } from '../emitter';
import { areaVector, cross, dot, minus, scaled, unit } from '../vector';
import {
  FULL_SPREAD_DEG,
  type Arrangement,
  type CavitySurface,
  type SurfaceShape,
} from './arrangement';
import { packEmitters, type EmitterField } from '../emitter';
import { chartsOf, type Chart } from '../field/cells';
import { EMITTER_COLUMNS, SURFACE_COLUMNS as AT } from './columns';

export const SURFACE_STRIDE = 24;
export const EMITTER_STRIDE = 8;
/** Cells along each side of the exit map. */
export const MAP_CELLS = 32;
/** Directions from the mouth's normal in 5° zones, and round it in 15° planes. */
export const ZONES = 18;
export const PLANES = 24;

export const TYPE = { polygon: 0, disc: 1, coneZ: 2, coneY: 3, cap: 4 } as const;
export const MATTER = { wall: 0, out: 1, through: 2 } as const;
const FULL = -1;
const CLASS: Record<Spread['class'], number> = {
  omni: 0,
  forward: 1,
  side: 2,
  tube: 3,
  lambert: 4,
  reflector: 5,
  measured: 6,
};

/**
 * An arrangement laid out for the kernel.
 *
 * One surface takes 24 numbers, one emitter eight; `columns.ts` tells which is which. The exponent of a deflection is
 * −1 for full scattering, 0 for none; an exit's index is −1 for none.
 * One edge of a polygon takes four: inward normal and offset.
 */
export interface PackedArrangement {
  surfaces: Float64Array;
  surfaceCount: number;
  edges: Float64Array;
  emitters: Float64Array;
  emitterCount: number;
  /** inverse distributions of measured emitters, one after another */
  quantiles: Float64Array;
  /** alias table: chance of keeping the drawn emitter, and the one taken instead */
  keep: Float64Array;
  alias: Uint32Array;
  exitCount: number;
  /** maps of the surfaces, for what arrives where */
  charts: readonly Chart[];
  /** lamps that give light, as the illuminance kernels take them: a share of all they send each */
  lamps: EmitterField;
  /** of the ball or face that each of them is */
  radiiM: Float64Array;
  /** shorter ways than this are rounding, metres */
  epsilonM: number;
}

/** Lays an arrangement out for the kernel. Emitters without light are left out. */
export function packArrangement({ surfaces, emitters }: Arrangement): PackedArrangement {
  const data = new Float64Array(surfaces.length * SURFACE_STRIDE);
  const edges: number[] = [];
  let exitCount = 0;
  surfaces.forEach((surface, k) => {
    const at = k * SURFACE_STRIDE;
    packMatter(data, at, surface);
    const exit = data[at + AT.matter] === MATTER.out ? exitCount++ : -1;
    data[at + AT.exit] = exit;
    packShape(data, at, surface.shape, edges);
    if (exit >= 0) packMap(data, at, surface.shape);
  });
  const lit = emitters.filter(({ luminousFluxLm }) => luminousFluxLm > 0);
  const packed = new Float64Array(lit.length * EMITTER_STRIDE);
  const measured = new Map<Spread, number[]>();
  lit.forEach(({ positionM, axis, spread }, k) => {
    const at = k * EMITTER_STRIDE;
    packed.set(positionM, at);
    packed.set(axis, at + EMITTER_COLUMNS.axis);
    packed[at + EMITTER_COLUMNS.kind] = CLASS[spread.class];
    packed[at + EMITTER_COLUMNS.exponent] = prepareSpread(spread).exponent;
    if (spread.class !== 'measured') return;
    const known = [...measured.keys()].indexOf(spread);
    packed[at + EMITTER_COLUMNS.exponent] = (known < 0 ? measured.size : known) * (QUANTILES + 1);
    if (known < 0) measured.set(spread, quantilesOf(prepareSpread(spread).table));
  });
  return {
    surfaces: data,
    surfaceCount: surfaces.length,
    edges: Float64Array.from(edges),
    emitters: packed,
    emitterCount: lit.length,
    quantiles: Float64Array.from([...measured.values()].flat()),
    ...aliasTable(lit),
    exitCount,
    charts: chartsOf(surfaces),
    lamps: lampShares(lit),
    radiiM: Float64Array.from(lit, ({ radiusM }) => radiusM ?? LAMP_M),
    epsilonM: 1e-7 * sizeOf(surfaces),
  };
}

/** A lamp of no known size. */
const LAMP_M = 0.01;

function lampShares(lit: readonly Emitter[]): EmitterField {
  const sentLm = lit.reduce((sum, { luminousFluxLm }) => sum + luminousFluxLm, 0);
  return packEmitters(
    lit.map((lamp) => ({ ...lamp, luminousFluxLm: lamp.luminousFluxLm / sentLm })),
  );
}

function packMatter(data: Float64Array, at: number, { matter }: CavitySurface): void {
  if (matter.kind === 'wall') {
    data[at + AT.matter] = MATTER.wall;
    data[at + AT.pass] = matter.reflectance;
    data[at + AT.upTo] = matter.reflectance * matter.mirrorShare;
    return;
  }
  data[at + AT.matter] = matter.leads === 'out' ? MATTER.out : MATTER.through;
  data[at + AT.pass] = matter.transmittance;
  data[at + AT.upTo] = matter.transmittance + matter.backReflectance;
  data[at + AT.deflection] = deflection(matter.spreadDeg);
}

/** Exponent m of the cos^m round a photon's own way whose full width at half the peak is the spread. */
function deflection(spreadDeg: number): number {
  if (spreadDeg >= FULL_SPREAD_DEG) return FULL;
  if (spreadDeg < 0.5) return 0;
  return Math.log(0.5) / Math.log(Math.cos((spreadDeg * Math.PI) / 360));
}

function packShape(data: Float64Array, at: number, shape: SurfaceShape, edges: number[]): void {
  switch (shape.kind) {
    case 'polygon':
      data[at] = TYPE.polygon;
      return packPolygon(data, at, shape.points, edges);
    case 'disc':
      data[at] = TYPE.disc;
      data[at + AT.discZ] = shape.zM;
      data[at + AT.innerSquared] = shape.innerRadiusM ** 2;
      data[at + AT.outerSquared] = shape.outerRadiusM ** 2 * (1 + 1e-9);
      return;
    case 'cone':
      data[at] = shape.axis === 'z' ? TYPE.coneZ : TYPE.coneY;
      data[at + AT.coneFrom] = shape.fromM;
      data[at + AT.coneTo] = shape.toM;
      data[at + AT.coneRadius] = shape.fromRadiusM;
      data[at + AT.coneSlope] = (shape.toRadiusM - shape.fromRadiusM) / (shape.toM - shape.fromM);
      return;
    case 'cap':
      data[at] = TYPE.cap;
      data.set([shape.centreZM, shape.radiusM, shape.fromZM, shape.toZM], at + AT.capZ);
  }
}

function packPolygon(
  data: Float64Array,
  at: number,
  points: readonly Vector[],
  edges: number[],
): void {
  const normal = unit(areaVector(points));
  data.set(normal, at + AT.normal);
  data[at + AT.offset] = dot(normal, points[0]!);
  data[at + AT.edges] = edges.length;
  data[at + AT.edgesEnd] = edges.length + 4 * points.length;
  points.forEach((from, k) => {
    const along = minus(points[(k + 1) % points.length]!, from);
    const inward = unit(cross(normal, along));
    edges.push(...inward, dot(inward, from));
  });
}

/** Plane exits map by two axes, cones by angle and height; a disc lies in its bounding square. */
function packMap(data: Float64Array, at: number, shape: SurfaceShape): void {
  const set = (origin: Vector, u: Vector, v: Vector) => {
    data.set(origin, at + AT.origin);
    data.set(scaled(u, 1 / dot(u, u)), at + AT.across);
    data.set(scaled(v, 1 / dot(v, v)), at + AT.up);
  };
  if (shape.kind === 'polygon') {
    const [a, b, , d] = shape.points as readonly [Vector, Vector, Vector, Vector];
    set(a, minus(b, a), minus(d ?? b, a));
  }
  if (shape.kind === 'disc') {
    const r = shape.outerRadiusM;
    set([-r, -r, shape.zM], [2 * r, 0, 0], [0, 2 * r, 0]);
  }
  if (shape.kind === 'cone') {
    // Round it the kernel counts by angle; along its axis by this second one.
    const along: Vector = shape.axis === 'z' ? [0, 0, 1] : [0, 1, 0];
    set(scaled(along, shape.fromM), along, scaled(along, shape.toM - shape.fromM));
  }
}

/** Walker's alias method, so that any number of emitters costs one draw [Walker 1977; from memory]. */
function aliasTable(emitters: readonly Emitter[]) {
  const count = emitters.length;
  const total = emitters.reduce((sum, { luminousFluxLm }) => sum + luminousFluxLm, 0);
  const keep = new Float64Array(count).fill(1);
  const alias = new Uint32Array(count);
  const share = emitters.map(({ luminousFluxLm }) => (luminousFluxLm * count) / total);
  const small = share.flatMap((value, k) => (value < 1 ? [k] : []));
  const large = share.flatMap((value, k) => (value >= 1 ? [k] : []));
  while (small.length && large.length) {
    const low = small.pop()!;
    const high = large.at(-1)!;
    keep[low] = share[low]!;
    alias[low] = high;
    share[high] = share[high]! - (1 - share[low]!);
    if (share[high] < 1) small.push(large.pop()!);
  }
  return { keep, alias };
}

function sizeOf(surfaces: readonly CavitySurface[]): number {
  const reach = surfaces.map(({ shape }) => {
    switch (shape.kind) {
      case 'polygon':
        return Math.max(...shape.points.flat().map(Math.abs));
      case 'disc':
        return Math.max(shape.outerRadiusM, Math.abs(shape.zM));
      case 'cone':
        return Math.max(shape.fromRadiusM, shape.toRadiusM, Math.abs(shape.toM));
      case 'cap':
        return shape.radiusM + Math.abs(shape.centreZM);
    }
  });
  return Math.max(1e-3, ...reach);
}
