import { packEmitters, type Emitter } from '../emitter';
import type { Arrangement } from '../transport/arrangement';
import { SURFACE_COLUMNS as AT } from '../transport/columns';
import { packArrangement, MATTER, SURFACE_STRIDE, type PackedArrangement } from '../transport/pack';
import type { Vector } from '../vector';
import { CELLS, type Chart } from './cells';

/** A lamp of no known size. */
const LAMP_M = 0.01;

export interface Exit {
  surface: number;
  /** side of it that light comes to */
  inside: 0 | 1;
  chart: Chart;
  /** τ, and the exponent of its deflection: −1 full, 0 none */
  passes: number;
  exponent: number;
}

/** Light behind a mouth, made ready to be looked at from anywhere. */
export interface MouthField {
  packed: PackedArrangement;
  charts: readonly Chart[];
  /** by part: luminous exitance a surface side would have if it were white, over π; lm/m² a lamp lumen */
  luminances: readonly Float32Array[];
  exits: readonly Exit[];
  lamps: ReturnType<typeof packEmitters>;
  radiiM: Float64Array;
  /** the box round all lamps and their size */
  lampBox: readonly [Vector, Vector];
  /** what the lamps send, lm */
  sentLm: number;
}

/** @param maps  parts of a survey of this arrangement; at least one */
export function mouthField(arrangement: Arrangement, maps: readonly Float32Array[]): MouthField {
  const packed = packArrangement(arrangement);
  const { charts } = packed;
  const areas = charts.map(({ areasM2 }) => areasM2);
  const luminances = maps.map((map) =>
    map.map((light, k) => {
      const area = areas[Math.floor(k / (2 * CELLS))]![k % CELLS]!;
      return area > 0 ? light / area / Math.PI : 0;
    }),
  );
  const lit = arrangement.emitters.filter(({ luminousFluxLm }) => luminousFluxLm > 0);
  const sentLm = lit.reduce((sum, { luminousFluxLm }) => sum + luminousFluxLm, 0);
  const radiiM = Float64Array.from(lit, ({ radiusM }) => radiusM ?? LAMP_M);
  const lamps = packEmitters(
    lit.map((lamp) => ({ ...lamp, luminousFluxLm: lamp.luminousFluxLm / sentLm })),
  );
  return {
    packed,
    charts,
    luminances,
    exits: exitsOf(packed, charts, luminances),
    lamps,
    radiiM,
    lampBox: boxOf(lit, Math.max(...radiiM)),
    sentLm,
  };
}

function exitsOf(
  { surfaces, surfaceCount }: PackedArrangement,
  charts: readonly Chart[],
  luminances: readonly Float32Array[],
): Exit[] {
  const lit = (surface: number, side: number) =>
    luminances.reduce((sum, map) => {
      const from = (surface * 2 + side) * CELLS;
      return sum + map.subarray(from, from + CELLS).reduce((all, one) => all + one, 0);
    }, 0);
  const found = Array.from({ length: surfaceCount }, (_, surface) => surface).filter(
    (surface) => surfaces[surface * SURFACE_STRIDE + AT.matter] === MATTER.out,
  );
  return found.map((surface) => ({
    surface,
    inside: lit(surface, 0) >= lit(surface, 1) ? 0 : 1,
    chart: charts[surface]!,
    passes: surfaces[surface * SURFACE_STRIDE + AT.pass]!,
    exponent: surfaces[surface * SURFACE_STRIDE + AT.deflection]!,
  }));
}

function boxOf(lamps: readonly Emitter[], by: number): readonly [Vector, Vector] {
  const side = (axis: 0 | 1 | 2, of: (...all: number[]) => number) =>
    lamps.reduce((sum, { positionM }) => of(sum, positionM[axis]), of === Math.min ? 1e9 : -1e9);
  const low = [0, 1, 2].map((axis) => side(axis as 0, Math.min) - by);
  const high = [0, 1, 2].map((axis) => side(axis as 0, Math.max) + by);
  return [low as unknown as Vector, high as unknown as Vector];
}
