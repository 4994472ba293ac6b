import { readFileSync } from 'node:fs';
import { Bench } from 'tinybench';
import { columnOf } from '@/core/colour/grid';
import { colourFigures } from '@/core/colour/rendering';
import { FLUORESCENT } from '@/core/colour/tables/fluorescent';
import type { Production } from '@/core/document/production';
import { checkProduction } from '@/core/evaluate/checkProduction';
import { solveLadder } from '@/core/power/ladder';
import { evenFeeds } from '@/core/power/tapePlan';
import { readLines } from '@/core/reading/readTable';
import { nightFerry } from '@/demo/nightFerry';
import type { Note } from './benchLight';

/** Forty builds out of the demo's seventeen. */
function forty(): Production {
  const document = nightFerry();
  const { builds } = document;
  return {
    ...document,
    builds: Array.from({ length: 40 }, (_, k) => ({
      ...builds[k % builds.length]!,
      id: `build-${k}` as Production['builds'][number]['id'],
    })),
  };
}

/** Colour, reading, wiring: the numbers to meet. */
export async function benchShelf(note: Note): Promise<void> {
  const lamp = columnOf(FLUORESCENT, 3);
  const lines = readFileSync('src/core/reading/testing/lines.tsv', 'utf8')
    .split('\n')
    .map((line) => line.split('\t')[0]!);
  const pasted = Array.from({ length: 200 }, (_, k) => lines[k % (lines.length - 1)]!).join('\n');
  const document = forty();
  const bench = new Bench({ time: 800, warmupTime: 300 });
  bench
    .add('cri', () => void colourFigures(lamp))
    .add('lines', () => void readLines(pasted))
    .add(
      'ladder',
      () =>
        void solveLadder({
          lengthM: 20,
          loopOhmPerM: 0.33,
          supplyV: 24,
          wattsPerM: 14.4,
          load: 'string',
          feeds: evenFeeds(20, 8).map((atM) => ({ atM, leadOhm: 0.05 })),
          segments: 2000,
        }),
    )
    .add('findings', () => void checkProduction(document));
  await bench.run();
  const median = (name: string) => {
    const result = bench.tasks.find((task) => task.name === name)!.result;
    return 'latency' in result ? result.latency.p50 : NaN;
  };
  note('figures and CRI of one spectrum', median('cri'), 'ms', 2);
  note('200 pasted lines read', median('lines'), 'ms', 100);
  note('ladder of 2000 segments, 8 feeds', median('ladder'), 'ms', 10);
  note('findings of 40 builds', median('findings'), 'ms', 50);
}
