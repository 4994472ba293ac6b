import type { StepNow } from '@/core/evaluate/makingState';

/** Exactly what keeps a step from being ticked, and that its design has changed since. */
export function Missing({ shown: { missing, state } }: { shown: StepNow }) {
  return (
    <>
      {state === 'again' && (
        <p role="status" className="bg-brass-wash p-2 text-[14px]">
          It was done, but for something that is no longer so: look at it again.
        </p>
      )}
      {missing.length > 0 && (
        <div className="border-l-4 border-stop pl-2 text-[14px]" data-missing={missing.length}>
          <p className="font-semibold">Not yet:</p>
          <ul className="list-disc pl-5">
            {missing.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        </div>
      )}
    </>
  );
}
