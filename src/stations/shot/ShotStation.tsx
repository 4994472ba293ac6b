'use client';
import { lazyPanel } from '@/ui/lazyPanel';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { StationsStrip } from '../shell/StationsStrip';
import { useWorkplace } from '../shell/useWorkplace';
import { useProduction } from '../store/context';
import { ShotList } from './ShotList';
import { ShotSheet } from './ShotSheet';

const NewShotDialog = lazyPanel(() => import('./NewShotDialog'));

export function ShotStation() {
  const shots = useProduction((state) => state.document.shots);
  const { shotId } = useWorkplace();
  const [asking, setAsking] = useState(false);
  const shot = shots.find(({ id }) => id === shotId);
  return (
    <div className="grid h-full grid-cols-[210px_minmax(0,1fr)] bg-sheet max-md:block">
      <div className="flex min-h-0 flex-col border-r border-line bg-paper">
        <ShotList current={shotId} />
        <p className="border-t border-line p-3">
          <button
            type="button"
            className="press flex w-full items-center justify-center gap-1"
            onClick={() => setAsking(true)}
          >
            <Plus size={15} aria-hidden /> New shot
          </button>
        </p>
      </div>
      <div className="min-h-0 overflow-y-auto px-4 py-1.5">
        {shot ? <ShotSheet key={shot.id} shot={shot} /> : <NoShot onAsk={() => setAsking(true)} />}
      </div>
      {asking && <NewShotDialog onClose={() => setAsking(false)} />}
    </div>
  );
}

function NoShot({ onAsk }: { onAsk: () => void }) {
  return (
    <div className="mx-auto max-w-3xl p-6">
      <h2 className="text-2xl">What do you want to light?</h2>
      <p className="mt-3">
        In <em>Night Ferry</em>: a ticket clerk’s face, 1.2 m from the light, ISO 800 at f/2.8,
        soft, 4000 K. That asks for 123 lx.
      </p>
      <p className="mt-5">
        <button type="button" className="press press-main" onClick={onAsk}>
          Describe a shot
        </button>
      </p>
      <h3 className="mt-8 mb-2 text-lg">From there the work goes on like this</h3>
      <StationsStrip />
    </div>
  );
}
