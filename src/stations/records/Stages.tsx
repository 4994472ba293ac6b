import { STAGES, type Stage } from '@/core/build/step';

interface StagesProps<T> {
  steps: readonly T[];
  stageOf: (step: T) => Stage;
  /** the steps of one stage, in their order */
  children: (own: readonly T[]) => React.ReactNode;
}

/** The order of work, stage by stage. */
export function Stages<T>({ steps, stageOf, children }: StagesProps<T>) {
  return STAGES.map((stage) => {
    const own = steps.filter((step) => stageOf(step) === stage);
    if (own.length === 0) return null;
    return (
      <div
        key={stage}
        className="grid grid-cols-[104px_minmax(0,1fr)] gap-x-4 border-t border-line py-2 max-md:grid-cols-1"
      >
        <h3 className="font-display text-[15px] text-ink-soft first-letter:uppercase">{stage}</h3>
        {children(own)}
      </div>
    );
  });
}
