'use client';
import { Compass, Lightbulb } from 'lucide-react';
import { useState } from 'react';
import type { Shot } from '@/core/location/shot';
import { lazyPanel } from '@/ui/lazyPanel';
import { StationsStrip } from '../shell/StationsStrip';
import { useWorkplace } from '../shell/useWorkplace';
import { useProduction } from '../store/context';

const FormDialog = lazyPanel(() => import('../build/FormDialog'));

/** The lights that are built for a shot, and the way to the first or the next. */
export function ShotLights({ shot }: { shot: Shot }) {
  const { goTo } = useWorkplace();
  const builds = useProduction((state) => state.document.builds);
  const [choosing, setChoosing] = useState(false);
  const own = builds.filter(({ shotId }) => shotId === shot.id);
  return (
    <section aria-label="Lights for this shot" className="border-t border-line pt-2">
      <p className="flex flex-wrap items-center gap-2 text-sm">
        <button
          type="button"
          aria-haspopup="dialog"
          className={`press flex items-center gap-1.5 ${own.length === 0 ? 'press-main' : ''}`}
          onClick={() => setChoosing(true)}
        >
          <Lightbulb size={16} aria-hidden />
          {own.length === 0 ? 'Build a light for this' : 'Another light for this'}
        </button>
        <button
          type="button"
          className="press flex items-center gap-1.5"
          onClick={() => goTo('ask', { shot: shot.id })}
        >
          <Compass size={16} aria-hidden /> What should I build?
        </button>
        {own.map(({ id, name, standing }) => (
          <button
            key={id}
            type="button"
            className="underline decoration-line-strong underline-offset-4"
            onClick={() => goTo('build', { build: id })}
          >
            {name}
            {standing === 'in use' ? '' : ' (an idea)'}
          </button>
        ))}
      </p>
      {builds.length === 0 && (
        <div className="mt-4">
          <StationsStrip />
        </div>
      )}
      {choosing && <FormDialog build={null} shotId={shot.id} onClose={() => setChoosing(false)} />}
    </section>
  );
}
