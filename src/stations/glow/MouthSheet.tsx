'use client';
import { useMemo, useState } from 'react';
import { MAP_CELLS } from '@/core/light/transport/pack';
import { relativeExitance, type MouthMap } from '@/core/light/transport/result';
import { exportName } from '../shell/actions';
import { useWorkplace } from '../shell/useWorkplace';
import type { AtHand } from '../build/WithBuild';
import { useProduction } from '../store/context';
import { StopsMap } from './StopsMap';

const LINES = [-1, -0.5, -1 / 3, 1 / 3, 0.5, 1];
/** Cells of the map put together while one alone is known worse than this. */
const COARSE = 4;
const SURE = 0.05;

/** How evenly the front glows, as the eye or the lens would see it. */
export default function MouthSheet({ build, readouts }: AtHand) {
  const document = useProduction((state) => state.document);
  const { transport } = useWorkplace();
  const found = readouts.room && transport.known.get(readouts.room.key);
  // While the next one is counted, the map of a moment ago stands back.
  const [last, setLast] = useState<{ of: string; mouth: MouthMap } | null>(null);
  if (found?.mouth && found.mouth !== last?.mouth) setLast({ of: build.id, mouth: found.mouth });
  const fresh = found?.mouth;
  const mouth = fresh ?? (found && last?.of === build.id ? last.mouth : null);
  const by = mouth && mouth.cellError > SURE ? COARSE : 1;
  const values = useMemo(
    () => mouth && flipped(relativeExitance(mouth.shares, mouth.round, by)),
    [mouth, by],
  );
  if (!found || !mouth || !values)
    return (
      <p className="max-w-[60ch] p-4">
        {readouts.room
          ? 'The first photons are on their way…'
          : 'This light has no closed front: its lamps are seen one by one. Layers, a box or a pan would give it a mouth to look at.'}
      </p>
    );
  const cells = MAP_CELLS / by;
  const taken = found.absorbed.filter(({ share }) => share > 0.0005);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_220px] gap-4 max-md:grid-cols-1">
      <div className={fresh ? undefined : 'opacity-60'} aria-busy={!fresh}>
        <StopsMap
          title={`The mouth from the front, cells to ± ${percentOf(mouth.cellError / (by * by))} %`}
          values={values}
          columns={cells}
          rows={cells}
          reference={1}
          scaleWords="against its mean"
          lines={LINES}
          aspect={1}
          fileName={exportName(document, 'mouth', 'png')}
          write={percent}
        />
      </div>
      <div className="text-[13px]">
        <h2 className="text-[15px]">Where the light goes</h2>
        <table className="rows tight w-full">
          <tbody>
            <tr>
              <td>Out by the mouth</td>
              <td className="num" data-efficiency>
                {(found.efficiency * 100).toFixed(1)} %
              </td>
            </tr>
            {found.spilled > 0.0005 && (
              <tr>
                <td>Out beside it</td>
                <td className="num">{(found.spilled * 100).toFixed(1)} %</td>
              </tr>
            )}
            {taken.map(({ name, share }) => (
              <tr key={name}>
                <td>Taken by: {name}</td>
                <td className="num">{(share * 100).toFixed(1)} %</td>
              </tr>
            ))}
            {found.unaccounted > 0 && (
              <tr>
                <td>Not followed to the end</td>
                <td className="num">{(found.unaccounted * 100).toFixed(2)} %</td>
              </tr>
            )}
          </tbody>
        </table>
        <p className="mt-2 text-ink-soft">
          Out by the mouth to ± {(found.standardError * 100).toFixed(2)} %, from{' '}
          {found.photons.toLocaleString('en')} photons of seed {found.seed} with{' '}
          {found.meanBounces.toFixed(1)} bounces each. Evenness min/mean{' '}
          {mouth.uniformity.toFixed(2)} ± {mouth.uniformityError.toFixed(2)} on 8 × 8 cells.
        </p>
        <p className="mt-2 text-ink-soft">
          Straight light of the lamps is summed cell by cell; light by way of walls and layers is
          smoothed over some cells, for it changes slowly.
        </p>
      </div>
    </div>
  );
}

const percentOf = (share: number) => (share * 100).toFixed(1);
const percent = (value: number) => `${Math.round(value * 100)}`;

/** The engine's rows run from below, a picture's from above. */
function flipped<T>(values: readonly T[]): T[] {
  const cells = Math.sqrt(values.length);
  return Array.from({ length: cells }, (_, row) =>
    values.slice((cells - 1 - row) * cells, (cells - row) * cells),
  ).flat();
}
