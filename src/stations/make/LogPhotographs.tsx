'use client';
import { useProduction } from '../store/context';
import { SmallPicture } from '../records/SmallPicture';
import type { InMaking } from './MakeStation';

/** Everything that was photographed while it was made, by step. */
export function LogPhotographs({ at: { build, making, readouts } }: { at: InMaking }) {
  const pictures = useProduction((state) => state.document.pictures);
  const titles = new Map(readouts.steps.map(({ id, title }) => [id, title]));
  const order = [...titles.keys()];
  const own = pictures
    .filter(({ buildId, copy, stepId }) => buildId === build.id && copy === making.copy && stepId)
    .toSorted((a, b) => order.indexOf(a.stepId!) - order.indexOf(b.stepId!));
  if (own.length === 0) return null;
  return (
    <section className="mt-5" data-photographs={own.length}>
      <h2 className="text-lg">Photographs</h2>
      <ul className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(150px,1fr))] gap-3">
        {own.map((picture) => {
          const { id, stepId, name, caption } = picture;
          const step = titles.get(stepId!) ?? making.ticks[stepId!]?.title ?? 'a step that is gone';
          return (
            <li key={id} className="break-inside-avoid text-[13px]">
              <SmallPicture
                picture={picture}
                alt={caption || `${name}, at ${step}`}
                className="h-28 w-full object-cover"
              />
              <span className="text-ink-soft">{step}</span>
              {caption && <p>{caption}</p>}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
