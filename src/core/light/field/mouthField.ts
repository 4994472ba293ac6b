import type { Emitter, EmitterField } from '../emitter';
import type { Arrangement } from '../transport/arrangement';
import { SURFACE_COLUMNS as AT } from '../transport/columns';
import { packArrangement, MATTER, SURFACE_STRIDE, type PackedArrangement } from '../transport/pack';
import type { Vector } from '../vector';
import { CELLS, type Chart } from './cells';
import { imagesOf } from './images';
import { gridsOf, leavingOf, type LayerGrid, type LayerTable } from './layerGrid';
import type { SurveyPart } from './survey';

export interface Exit {
  surface: number;
  /** side of it that light comes to */
  inside: 0 | 1;
  chart: Chart;
  /** its directions are known cell by cell: it scatters fully, or its table tells them */
  told: boolean;
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
  /** those of them that have to be looked through */
  open: readonly Exit[];
  /** the same for the mean of all parts */
  luminance: Float32Array;
  /** by part, what passes partial layers: see SurveyPart */
  passing: readonly (readonly (LayerTable | null)[])[];
  /** what leaves them, of the mean of all parts */
  leaving: readonly (LayerTable | null)[];
  grids: readonly (LayerGrid | null)[];
  lamps: EmitterField;
  /** the same as they were given, those that give light */
  lit: readonly Emitter[];
  radiiM: Float64Array;
  /** few lamps as plane mirrors show them */
  images: ReturnType<typeof imagesOf>;
  /** the box round all lamps and their size */
  lampBox: readonly [Vector, Vector];
  /** what the lamps send, lm */
  sentLm: number;
}

/**
 * @param survey  parts of a survey of this arrangement; at least one
 * @param leaving  what leaves partial layers, where that is known already
 */
export function mouthField(
  arrangement: Arrangement,
  survey: readonly SurveyPart[],
  leaving: MouthField['leaving'] | null = null,
): MouthField {
  const packed = packArrangement(arrangement);
  const { charts } = packed;
  const areas = charts.map(({ areasM2 }) => areasM2);
  const luminances = survey.map(({ arriving }) =>
    arriving.map((light, k) => {
      const area = areas[Math.floor(k / (2 * CELLS))]![k % CELLS]!;
      return area > 0 ? light / area / Math.PI : 0;
    }),
  );
  const lit = arrangement.emitters.filter(({ luminousFluxLm }) => luminousFluxLm > 0);
  const sentLm = lit.reduce((sum, { luminousFluxLm }) => sum + luminousFluxLm, 0);
  const grids = gridsOf(packed);
  const exits = exitsOf(packed, charts, luminances, grids);
  return {
    packed,
    charts,
    luminances,
    luminance: mean(luminances),
    passing: survey.map(({ passing }) => passing),
    leaving: leaving ?? leavingBy(grids, survey),
    grids,
    exits,
    open: exits.filter(({ told }) => !told),
    lamps: packed.lamps,
    lit,
    radiiM: packed.radiiM,
    images: exits.some(({ exponent }) => exponent === 0) ? imagesOf(packed) : [],
    lampBox: boxOf(lit, Math.max(...packed.radiiM)),
    sentLm,
  };
}

/** What leaves partial layers by each side, of the mean of all parts. */
const leavingBy = (grids: readonly (LayerGrid | null)[], survey: readonly SurveyPart[]) =>
  grids.flatMap((grid, surface) =>
    [0, 1].map((side) => {
      const tables = survey.flatMap(({ passing }) => passing[surface * 2 + side] ?? []);
      return grid && tables.length > 0 ? leavingOf(mean(tables, survey.length), grid) : null;
    }),
  );

function mean(tables: readonly Float32Array[], count = tables.length): Float32Array {
  const sum = new Float32Array(tables[0]!.length);
  for (const table of tables) for (let k = 0; k < sum.length; k++) sum[k]! += table[k]! / count;
  return sum;
}

function exitsOf(
  { surfaces, surfaceCount }: PackedArrangement,
  charts: readonly Chart[],
  luminances: readonly Float32Array[],
  grids: readonly (LayerGrid | null)[],
): Exit[] {
  const lit = (surface: number, side: number) =>
    luminances.reduce((sum, map) => {
      const from = (surface * 2 + side) * CELLS;
      return sum + map.subarray(from, from + CELLS).reduce((all, one) => all + one, 0);
    }, 0);
  const found = Array.from({ length: surfaceCount }, (_, surface) => surface).filter(
    (surface) => surfaces[surface * SURFACE_STRIDE + AT.matter] === MATTER.out,
  );
  return found.map((surface) => {
    const exponent = surfaces[surface * SURFACE_STRIDE + AT.deflection]!;
    return {
      surface,
      inside: lit(surface, 0) >= lit(surface, 1) ? 0 : 1,
      chart: charts[surface]!,
      told: exponent < 0 || grids[surface] !== null,
      passes: surfaces[surface * SURFACE_STRIDE + AT.pass]!,
      exponent,
    };
  });
}

function boxOf(lamps: readonly Emitter[], by: number): readonly [Vector, Vector] {
  const side = (axis: 0 | 1 | 2, of: (...all: number[]) => number) =>
    lamps.reduce((sum, { positionM }) => of(sum, positionM[axis]), of === Math.min ? 1e9 : -1e9);
  const low = [0, 1, 2].map((axis) => side(axis as 0, Math.min) - by);
  const high = [0, 1, 2].map((axis) => side(axis as 0, Math.max) + by);
  return [low as unknown as Vector, high as unknown as Vector];
}
