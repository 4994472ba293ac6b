'use client';
import { FORMS } from '@/core/forms';
import { newBuild } from '../shell/actions';
import { useWorkplace } from '../shell/useWorkplace';
import { useProduction, useProductionStore } from '../store/context';

/** Teaches by one example, and offers the first move. */
export function NoBuild() {
  const store = useProductionStore();
  const { shotId, goTo } = useWorkplace();
  const shots = useProduction((state) => state.document.shots);
  const shot = shots.find(({ id }) => id === shotId);
  const start = (formId: string) => {
    if (!shot) return goTo('shot');
    const build = newBuild(store.getState().document, formId, shot.id);
    store.getState().change(`start ${build.name}`, (draft) => void draft.builds.push(build));
    goTo('build', { build: build.id });
  };
  return (
    <div className="mx-auto max-w-xl p-8">
      <h2 className="text-2xl">
        {shot ? `No light yet for “${shot.name}”` : 'A light begins with a shot'}
      </h2>
      <p className="mt-3">
        In <em>Night Ferry</em> the ticket clerk is lit by sixteen small globes on a metre of
        painted board: three watts each, soft, with a ring in her eyes.
      </p>
      <p className="mt-5 flex flex-wrap gap-3">
        {shot ? (
          [...FORMS.values()].map((form) => (
            <button
              key={form.id}
              type="button"
              className="press press-main"
              onClick={() => start(form.id)}
            >
              Start a {form.name.toLowerCase()}
            </button>
          ))
        ) : (
          <button type="button" className="press press-main" onClick={() => goTo('shot')}>
            Describe a shot
          </button>
        )}
      </p>
    </div>
  );
}
