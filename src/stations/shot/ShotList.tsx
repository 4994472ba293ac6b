'use client';
import { USE_NAMES } from '@/core/location/use';
import { shotTargetLx } from '@/core/evaluate/light';
import { show, showText } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { useWorkplace } from '../shell/useWorkplace';
import { useProduction } from '../store/context';

/** The production's shots, each with what it asks for and who answers. */
export function ShotList({ current }: { current: string | null }) {
  const { goTo } = useWorkplace();
  const { units } = useDevice();
  const shots = useProduction((state) => state.document.shots);
  const builds = useProduction((state) => state.document.builds);
  return (
    <ul aria-label="Shots" className="min-h-0 flex-1 overflow-y-auto max-md:max-h-56">
      {shots.map((shot) => {
        const made = builds.filter(({ shotId }) => shotId === shot.id);
        return (
          <li key={shot.id}>
            <button
              type="button"
              aria-current={shot.id === current ? 'true' : undefined}
              onClick={() => goTo('shot', { shot: shot.id, build: made[0]?.id })}
              className={`block w-full border-b border-line px-3 py-2 text-left hover:bg-brass-wash ${shot.id === current ? 'bg-sheet shadow-[inset_4px_0_0_var(--brass)]' : ''}`}
            >
              <span className="block truncate font-semibold">{shot.name}</span>
              <span className="block truncate text-[13px] text-ink-soft">
                {USE_NAMES[shot.use]}, {showText(show(shotTargetLx(shot), 'illuminance', units))}
              </span>
              <span className="block truncate text-[13px] text-ink-soft">
                {made.length ? made.map(({ name }) => name).join(', ') : 'no light yet'}
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}
