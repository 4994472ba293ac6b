'use client';
import { Maximize2, Minimize2 } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { StepNow } from '@/core/evaluate/makingState';
import { Hazard } from '../records/Hazard';
import { useWorkplace } from '../shell/useWorkplace';
import { useSession } from '../shell/Workbench';
import type { InMaking } from './MakeStation';
import { BenchPicture } from './BenchPicture';
import { Clock } from './Clock';
import { Missing } from './Missing';
import { Readings } from './Readings';
import { Ready } from './Ready';
import { StepArrows } from './StepArrows';
import { StepPhotographs } from './StepPhotographs';
import { useAwake } from './useAwake';

/** The one thing to do now: what it is about in the middle, what lies ready at its left, the clock at its right. */
export default function NowSheet(at: InMaking) {
  const { now, making, bench } = at;
  const { say } = useSession();
  const { goTo } = useWorkplace();
  const [picked, setPicked] = useState<string | null>(null);
  const [large, setLarge] = useState(false);
  const root = useRef<HTMLDivElement>(null);
  useAwake(large);
  useEffect(() => {
    // Keys are heard at once where nothing else has them: whoever walks the tabs stays there.
    if (document.activeElement === document.body) root.current?.focus({ preventScroll: true });
  }, []);
  const { steps } = now;
  const shown = steps.find(({ step }) => step.id === picked) ?? now.now ?? steps.at(-1)!;
  const place = steps.indexOf(shown);
  const go = (by: number) => {
    const next = steps[place + by];
    if (next) setPicked(next.step.id);
  };
  const { step, state, missing } = shown;
  const tick = () => {
    if (state === 'done') return;
    if (missing.length > 0) return say(`Not yet: ${missing[0]}`);
    const refused = bench.tick(making, shown);
    if (refused) return say(refused);
    // The next thing lies on the bench by itself.
    setPicked(null);
    say(`Done: ${step.title}.`);
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (event.target !== root.current) return;
    if (event.key === 'ArrowRight') go(1);
    else if (event.key === 'ArrowLeft') go(-1);
    else if (event.key === ' ') tick();
    else return;
    event.preventDefault();
  };
  return (
    <div
      ref={root}
      tabIndex={0}
      role="group"
      aria-label="At the bench: space ticks, arrows move"
      data-making={state}
      data-at={step.id}
      onKeyDown={onKeyDown}
      className={`flex min-h-full flex-col gap-3 ${large ? 'text-[20px]' : ''}`}
    >
      <div className="flex flex-wrap items-center gap-2">
        <StepArrows
          onBack={() => go(-1)}
          onOn={() => go(1)}
          first={place <= 0}
          last={place >= steps.length - 1}
        >
          <p className="figure text-[13px] text-ink-soft" data-step-place>
            {place + 1} of {steps.length}, {step.stage}
          </p>
        </StepArrows>
        <Progress steps={steps} place={place} />
        <button
          type="button"
          className="press flex items-center gap-1.5"
          aria-pressed={large}
          onClick={() => setLarge(!large)}
        >
          {large ? <Minimize2 size={15} aria-hidden /> : <Maximize2 size={15} aria-hidden />}
          Workshop
        </button>
      </div>
      <div
        className={`grid min-h-0 flex-1 gap-5 max-lg:grid-cols-1 ${large ? 'grid-cols-1' : 'grid-cols-[170px_minmax(0,1fr)_190px]'}`}
      >
        {!large && <Ready at={at} step={step} />}
        <div className="flex min-w-0 flex-col gap-2">
          {/* Where something is read off, the readings take the place: wires are a key away. */}
          {!large && shown.asked.length === 0 && <BenchPicture at={at} step={step} />}
          <h2 className={large ? 'text-[38px]' : 'text-[24px]'}>{step.title}</h2>
          <p className="text-ink-soft">{step.why}.</p>
          <p className={large ? 'text-[26px]' : 'text-[17px]'}>
            <span className="font-semibold">Check: </span>
            {step.check}.
          </p>
          {step.hazards.map((hazard) => (
            <p key={hazard} className="border-l-4 border-look pl-2 text-[15px]">
              <Hazard words={hazard} />
            </p>
          ))}
          <Readings at={at} shown={shown} />
          <Missing shown={shown} />
          {step.id === 'look-over' && state !== 'done' && (
            <p>
              <button type="button" className="press" onClick={() => goTo('wire')}>
                To the look-over on Wire
              </button>
            </p>
          )}
          <p className="flex flex-wrap gap-2">
            <button
              type="button"
              data-tick
              className={`press press-main ${large ? '!px-10 !py-4 text-[26px]' : '!px-6 !py-2'}`}
              disabled={missing.length > 0 || state === 'done'}
              onClick={tick}
            >
              {state === 'done' ? 'Done' : state === 'again' ? 'Looked at again: done' : 'Done'}
            </button>
            {shown.tick && (
              <button
                type="button"
                className="press"
                onClick={() => void bench.untick(making, step.id, step.title)}
              >
                Take the tick back
              </button>
            )}
          </p>
          {!large && <StepPhotographs at={at} step={step} />}
        </div>
        {!large && <Clock at={at} shown={shown} />}
      </div>
    </div>
  );
}

/** How far it has come, a stroke a step; the words beside it say the same. */
function Progress({ steps, place }: { steps: readonly StepNow[]; place: number }) {
  const done = steps.filter(({ state }) => state === 'done').length;
  return (
    <>
      <span className="flex min-w-24 flex-1 gap-[2px]" aria-hidden>
        {steps.map(({ step, state }, k) => (
          <span
            key={step.id}
            className={`h-2.5 flex-1 ${state === 'done' ? 'bg-brass' : state === 'again' ? 'bg-look' : 'bg-line'} ${k === place ? 'outline-2 outline-ink' : ''}`}
          />
        ))}
      </span>
      <span className="figure text-[13px] text-ink-soft" data-done={done}>
        {done} done
      </span>
    </>
  );
}
