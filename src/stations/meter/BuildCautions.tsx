import { recordsOf } from '@/core/evaluate/forecastShare';
import { gateOf } from '@/core/power/wire';
import { isFilament } from '@/core/units/classes';
import { useProduction } from '../store/context';
import { useSessionBuild } from './useSessionBuild';

/**
 * What can hurt whoever meters a light that is built: while its power-up gate is shut it is not switched on to be metered either.
 * A light nobody named is taken to be hot.
 */
export function BuildCautions({ buildId }: { buildId: string | null }) {
  const document = useProduction((state) => state.document);
  const readouts = useSessionBuild(buildId);
  const build = document.builds.find(({ id }) => id === buildId);
  const hot = !build || recordsOf(document, build).units.some(isFilament);
  const shut = readouts !== null && !gateOf(readouts.findings).open;
  return (
    <div className="border-l-4 border-look pl-2 text-[13.5px]" data-cautions={hot ? 'hot' : 'cool'}>
      {shut && (
        <p className="font-semibold text-stop" data-gate="shut">
          Its power-up gate on Wire is shut: do not switch it on to meter it. Mend what Wire says
          first; the simulated meter needs no power.
        </p>
      )}
      <p>
        On an outlet with RCD (GFCI), fixed so that it cannot fall; unplug it before you change
        anything. Do not look into it, and do not leave it lit alone.
      </p>
      {hot && (
        <p className="mt-1 font-semibold">
          Filament and halogen lamps burn cloth, paper and skin: keep them clear, and let them cool
          for ten minutes.
        </p>
      )}
    </div>
  );
}
