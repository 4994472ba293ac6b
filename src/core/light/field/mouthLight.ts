import type { Passage } from '../controls';
import { STRIDE, type EmitterField } from '../emitter';
import { emitterLx, emitterPasses } from '../illuminance';
import type { LightField, Shown } from '../lightField';
import type { Vector } from '../vector';
import { MEAN } from './backward';
import { toldOf } from './gather';
import { FEW_LAMPS } from './images';
import type { LookTable } from './lookTable';
import { shownLx, straightSources } from './straight';
import { toldLx, toldSources } from './told';

// Bound to this module: bundlers read an imported name off its module at every use, millions of times here.
const PER_EMITTER = STRIDE;
const [lampLx, getsPast] = [emitterLx, emitterPasses];

/**
 * The light behind a mouth, read from its table of looks: each patch of its exits by what its block really sends
 * that way, past what stands before it, and the straight light of few lamps as it is.
 * @param scale  everything times so much: what one careful look was over the table
 */
export function mouthLight(
  table: LookTable,
  passages: readonly Passage[] = [],
  scale = 1,
): LightField {
  const ratios = new Float64Array(table.blocks);
  const field: EmitterField = { ...table.packed, controls: passages };
  const few = table.field.lamps.count <= FEW_LAMPS;
  const { from, sources } = table.patches;
  const told = toldOf(table.field);
  const { sentLm } = table.field;
  const illuminance = (pointM: Vector, normal: Vector): number => {
    table.at(pointM, ratios);
    const [px, py, pz] = pointM;
    const [nx, ny, nz] = normal;
    const clear = passages.length === 0;
    let sum = 0;
    for (const exit of told)
      sum += toldLx(table.field, exit, MEAN, passages, pointM, normal) * sentLm;
    for (let block = 0; block < ratios.length; block++) {
      const ratio = ratios[block]!;
      if (ratio === 0) continue;
      let own = 0;
      for (let k = from[block]!; k < from[block + 1]!; k++) {
        const lx = lampLx(field, k * PER_EMITTER, px, py, pz, nx, ny, nz);
        own += clear || lx === 0 ? lx : lx * getsPast(field, k * PER_EMITTER, px, py, pz);
      }
      sum += own * ratio;
    }
    if (few) sum += shownLx(table.field, pointM, normal, passages) * sentLm;
    return sum * scale;
  };
  const sourcesFrom = (pointM: Vector): Shown[] => {
    const own = new Float64Array(table.blocks);
    table.at(pointM, own);
    const patches = [...own].flatMap((ratio, block) =>
      sources
        .slice(from[block]!, from[block + 1]!)
        .map((source) => ({ ...source, luminousFluxLm: source.luminousFluxLm * ratio * scale })),
    );
    const straight = few ? straightSources(table.field, pointM, scale) : [];
    const seen = told.flatMap((exit) => toldSources(exit, pointM, sentLm * scale));
    return [...seen, ...patches, ...straight].filter(({ luminousFluxLm }) => luminousFluxLm > 0);
  };
  return {
    passages,
    illuminance,
    sourcesFrom,
    passing: (others) => mouthLight(table, others, scale),
  };
}
