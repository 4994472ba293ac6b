import type { Shown } from '../lightField';
import { BLOCKS, CELLS, cellsOfBlock } from './cells';
import type { Exit, MouthField } from './mouthField';
import { poseOf } from './poses';

/** What leaves the exits that have to be looked through as small Lambertian sources, block after block. */
export interface ExitPatches {
  sources: Shown[];
  /** first source of each block, and one more: the end */
  from: Int32Array;
}

/** Patches by what the survey found to arrive there, as if it went on by Lambert’s law: what looks are measured by. */
export function exitPatches(field: MouthField): ExitPatches {
  const sources: Shown[] = [];
  const from: number[] = [];
  for (const exit of field.open)
    for (let block = 0; block < BLOCKS; block++) {
      from.push(sources.length);
      for (const cell of cellsOfBlock(block)) {
        const luminousFluxLm = leavingLm(field, exit, cell);
        if (luminousFluxLm > 0)
          sources.push({
            ...poseOf(field, exit, cell),
            luminousFluxLm,
            spread: { class: 'lambert' },
            areaM2: exit.chart.areasM2[cell]!,
          });
      }
    }
  return { sources, from: Int32Array.from([...from, sources.length]) };
}

function leavingLm(field: MouthField, { surface, inside, chart, passes }: Exit, cell: number) {
  const luminance = field.luminance[(surface * 2 + inside) * CELLS + cell]!;
  return luminance * Math.PI * chart.areasM2[cell]! * passes * field.sentLm;
}
