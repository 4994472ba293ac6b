'use client';
import { useState } from 'react';
import type { Part, PartOf } from '@/core/materials/part';
import { stopsFigure } from '@/core/quantity';
import { layersFor } from '@/core/set/layers';
import { solveFill, type HeadReading, type Lit } from '@/core/set/readings';
import type { Setup } from '@/core/set/setup';
import { MOST_COPIES } from '@/core/set/things';
import { useProduction } from '../store/context';
import { percent } from './Line';
import type { SetEdits } from './useSetEdits';

const isLayer = (part: Part): part is PartOf<'diffusion'> => part.role === 'diffusion';

const WANTED = [1.5, 2, 3, 4, 8] as const;

/** The fill that makes a wanted ratio, and one press to have it. */
export function FillSolver({
  id,
  reading,
  setup,
  lit,
  edits,
}: {
  id: string;
  reading: HeadReading;
  setup: Setup;
  lit: readonly Lit[];
  edits: SetEdits;
}) {
  const [wanted, setWanted] = useState(2);
  const layers = useProduction(({ document }) => document.shelf.parts).filter(isLayer);
  const fill =
    setup.things.find((thing) => thing.kind === 'light' && thing.role === 'fill' && thing.on) ??
    // A second key may fill; what stands in the picture or behind who is lit cannot.
    setup.things.find(
      (thing) =>
        thing.kind === 'light' && thing.on && thing.role === 'key' && thing.id !== reading.keyId,
    );
  if (fill?.kind !== 'light' || fill.id === reading.keyId) return null;
  const found = solveFill(lit, id, fill.id, wanted);
  // What is solved is against as many as stand there now.
  const wants = found ? found.lights * fill.copies : 0;
  const sheets = found && found.level < 1 ? layersFor(found.level, layers) : null;
  return (
    <p className="mt-1 flex flex-wrap items-center gap-2">
      <label className="flex items-center gap-1">
        Wanted
        <select
          className="field !w-auto"
          aria-label="Wanted key + fill : fill"
          value={wanted}
          onChange={(event) => setWanted(Number(event.target.value))}
        >
          {WANTED.map((each) => (
            <option key={each} value={each}>
              {each} : 1
            </option>
          ))}
        </select>
      </label>
      {!found ? (
        <span className="text-ink-soft">no level of {fill.name} makes it</span>
      ) : found.level <= 1 ? (
        <button
          type="button"
          className="press !px-2 !py-0.5"
          onClick={() =>
            edits.thing(fill, `level for ${wanted} : 1`, (draft) => {
              if (draft.kind === 'light') draft.level = Math.max(0, Math.min(1, found.level));
            })
          }
        >
          {fill.name} to {percent(found.level)}
        </button>
      ) : (
        <>
          {wants <= MOST_COPIES && (
            <button
              type="button"
              className="press !px-2 !py-0.5"
              onClick={() =>
                edits.thing(fill, `${wants} of it for ${wanted} : 1`, (draft) => {
                  if (draft.kind !== 'light') return;
                  draft.copies = wants;
                  draft.level = found.level / found.lights;
                })
              }
            >
              {wants} of {fill.name}, each at {percent(found.level / found.lights)}
            </button>
          )}
          <span>
            {wants > MOST_COPIES && `${fill.name}: ${wants} like it,`} or{' '}
            {percent(found.timesDistance)} of its distance
          </span>
        </>
      )}
      {sheets && (
        <span className="text-[13px] text-ink-soft" data-figure="layers">
          or about {sheets.names.join(' and ')} before it at full
          {Math.abs(sheets.offStops) >= 0.05 && `, ${stopsFigure(sheets.offStops)} stops off`}
        </span>
      )}
    </p>
  );
}
