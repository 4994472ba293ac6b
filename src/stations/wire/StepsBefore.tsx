import type { Step } from '@/core/build/step';
import type { WorkedOut } from '@/core/evaluate/readouts';

/** From the last closed cover to the first hour of light. */
const STAGES: readonly Step['stage'][] = ['look over', 'power up', 'dress', 'warm'];

/** What is done around the first power-up, in its order. */
export function StepsBefore({ readouts }: { readouts: WorkedOut }) {
  const steps = readouts.steps.filter(({ stage }) => STAGES.includes(stage));
  if (steps.length === 0) return null;
  return (
    <>
      <h3 className="mt-4 text-base">In this order</h3>
      <ol className="mt-1 grid list-decimal gap-2 pl-5 text-[13px]">
        {steps.map(({ id, title, check, hazards }) => (
          <li key={id}>
            <span className="font-semibold">{title}.</span> {check}.
            {hazards.map((hazard) => (
              <span key={hazard} className="block text-look">
                {hazard}
              </span>
            ))}
          </li>
        ))}
      </ol>
    </>
  );
}
