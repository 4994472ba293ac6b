'use client';
import { useMemo, useState } from 'react';
import type { Model } from '@/core/assembly/model';
import { standingAt, type Standing } from '@/core/assembly/standing';
import type { Step } from '@/core/build/step';
import type { AtHand } from '../build/WithBuild';
import type { Asked } from '../shell/useEngine';
import { Turntable } from './assembly/Turntable';
import type { InMaking } from './MakeStation';
import { StepArrows } from './StepArrows';
import { StepPhotographs } from './StepPhotographs';

/**
 * How a light goes together: every piece in its place, to be turned and taken apart; what a step puts in is lit, what
 * comes after it only outlined.
 */
export default function AssemblySheet({
  build,
  readouts,
  making,
  assembled: { answer, busy, problem },
}: AtHand & { making: InMaking | undefined; assembled: Asked<Model | null> }) {
  const { steps } = readouts;
  const [picked, setPicked] = useState(making?.now.now?.step.id ?? null);
  const [apart, setApart] = useState(0);
  const at = steps.findIndex(({ id }) => id === picked);
  const step = steps[at] ?? null;
  return (
    <div
      data-assembly={answer ? (busy ? 'working' : 'ready') : 'awaited'}
      className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_270px] gap-5 max-lg:h-auto max-lg:grid-cols-1"
    >
      <figure className="flex min-h-0 flex-col max-lg:h-[70dvh]">
        {answer ? (
          <Picture model={answer} step={step} at={at} apart={apart} name={build.name} />
        ) : (
          <p role="status" className="flex-1 text-ink-soft">
            {problem ?? 'Putting it together…'}
          </p>
        )}
      </figure>
      <div className="flex min-h-0 flex-col gap-3 overflow-y-auto max-lg:overflow-visible">
        <label className="block text-[14px]">
          <span className="flex justify-between">
            Taken apart <span className="figure text-ink-soft">{Math.round(apart * 100)} %</span>
          </span>
          <input
            type="range"
            className="w-full accent-[var(--brass)]"
            min={0}
            max={1}
            step={0.02}
            value={apart}
            onChange={(event) => setApart(Number(event.target.value))}
          />
        </label>
        <StepChoice steps={steps} at={at} onChoose={(to) => setPicked(steps[to]?.id ?? null)} />
        {answer && <Things model={answer} step={step} at={at} />}
        {making && step && <StepPhotographs at={making} step={step} />}
        <p className="mt-auto text-[13px] text-ink-soft">
          Sizes and places are those of the drawing. Wires, screws and glue are not shown; bought
          things are shown as big as they are, not as they look.
        </p>
      </div>
    </div>
  );
}

/** A step, or the whole light where none is chosen. */
function StepChoice({
  steps,
  at,
  onChoose,
}: {
  steps: readonly Step[];
  at: number;
  onChoose: (to: number) => void;
}) {
  return (
    <div role="group" aria-label="As it stands at a step">
      <div className="flex items-center gap-2">
        <StepArrows
          onBack={() => onChoose(at < 0 ? steps.length - 1 : at - 1)}
          onOn={() => onChoose(at + 1)}
          first={at === 0}
          last={at < 0}
        >
          <p
            className="figure flex-1 text-center text-[13px] text-ink-soft"
            data-assembly-step={at}
          >
            {at < 0 ? 'Finished' : `Step ${at + 1} of ${steps.length}, ${steps[at]!.stage}`}
          </p>
        </StepArrows>
      </div>
      <h2 className="mt-1 text-[17px]">{steps[at]?.title ?? 'The whole light'}</h2>
      {steps[at] && <p className="text-[14px] text-ink-soft">{steps[at].check}.</p>}
    </div>
  );
}

/** How every body stands at a step; all are mounted in the finished light. */
const standings = (model: Model, step: Step | null, at: number): Standing[] =>
  model.bodies.map((body) => (step ? standingAt(body, at, step.pieces) : 'mounted'));

interface Shown {
  model: Model;
  step: Step | null;
  at: number;
}

function Picture({ model, step, at, apart, name }: Shown & { apart: number; name: string }) {
  const standing = useMemo(() => standings(model, step, at), [model, step, at]);
  const lit = standing.filter((each, k) => each === 'now' && model.bodies[k]!.counts).length;
  return (
    <Turntable
      model={model}
      standing={standing}
      apart={apart}
      label={`${name} in three dimensions, ${model.bodies.filter(({ counts }) => counts).length} things${lit ? `, ${lit} of them put in now` : ''}`}
    />
  );
}

/** What is put in now, or all of it, alike things together. */
function Things({ model, step, at }: Shown) {
  const standing = standings(model, step, at);
  const counts = new Map<string, number>();
  model.bodies.forEach(({ name, counts: alone }, k) => {
    if (!alone) return;
    if (at < 0 || standing[k] === 'now') counts.set(name, (counts.get(name) ?? 0) + 1);
  });
  if (counts.size === 0)
    return <p className="text-[14px] text-ink-soft">This step puts nothing new in its place.</p>;
  return (
    <ul className="text-[14px]" aria-label={at < 0 ? 'All of it' : 'Put in or worked on now'}>
      {[...counts].map(([name, count]) => (
        <li key={name} className="flex justify-between border-b border-line py-0.5">
          {name} {count > 1 && <span className="figure text-ink-soft">× {count}</span>}
        </li>
      ))}
    </ul>
  );
}
