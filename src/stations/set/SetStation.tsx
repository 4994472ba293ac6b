'use client';
import { useWorkplace } from '../shell/useWorkplace';
import { useProduction } from '../store/context';
import { SetBench } from './SetBench';
import { useSetups } from './useSetups';

/** Several lights in one room, and what the camera makes of them. */
export function SetStation() {
  const setups = useProduction(({ document }) => document.setups);
  const { setupId, shotId } = useWorkplace();
  const setup =
    setups.find(({ id }) => id === setupId) ??
    setups.find((each) => each.shotId === shotId) ??
    setups[0];
  return setup ? <SetBench key={setup.id} setup={setup} /> : <NoSetup />;
}

function NoSetup() {
  const setups = useSetups();
  return (
    <section className="max-w-2xl p-6" data-setup="none">
      <h2 className="text-2xl">A light never stands alone</h2>
      <p className="mt-2">
        Walls send its light back, the ceiling lamp adds another colour, and the glass behind the
        actor shows it to the camera. Put the lights of a shot into its room here, before anything
        is carried in: drag them about, and see what the camera sees.
      </p>
      <button type="button" className="press press-strong mt-4" onClick={setups.begin}>
        Begin a setup
      </button>
    </section>
  );
}
