'use client';
import type { GalleryEntry } from '@/core/evaluate/gallery';
import { newBuild } from '../shell/actions';
import { useWorkplace } from '../shell/useWorkplace';
import { useProduction, useProductionStore } from '../store/context';
import { useEdits } from '../store/useEdits';
import { FormGallery } from './FormGallery';

/** Teaches by one example, and offers every form as the first move. */
export function NoBuild() {
  const store = useProductionStore();
  const edits = useEdits();
  const { shotId, goTo } = useWorkplace();
  const shots = useProduction((state) => state.document.shots);
  const shot = shots.find(({ id }) => id === shotId);
  const start = (entry: GalleryEntry) => {
    if (!shot) return;
    const build = newBuild(store.getState().document, entry.formId, shot.id, entry.parameters);
    edits.add('build', build, `start ${build.name}`);
    goTo('build', { build: build.id });
  };
  return (
    <div className="p-6">
      <h2 className="text-2xl">
        {shot ? `No light yet for “${shot.name}”` : 'A light begins with a shot'}
      </h2>
      <p className="mt-2 mb-4 max-w-2xl">
        In <em>Night Ferry</em> the ticket clerk is lit by sixteen small globes on a metre of
        painted board: three watts each, soft, with a ring in her eyes.
      </p>
      {shot ? (
        <>
          <p className="mb-4">
            <button
              type="button"
              className="press press-main"
              onClick={() => goTo('ask', { shot: shot.id })}
            >
              What should I build?
            </button>{' '}
            Every form, lamp and fixture weighed for this shot; or begin with a form:
          </p>
          <FormGallery shotId={shot.id} action="Start" onPick={start} />
        </>
      ) : (
        <button type="button" className="press press-main" onClick={() => goTo('shot')}>
          Describe a shot
        </button>
      )}
    </div>
  );
}
