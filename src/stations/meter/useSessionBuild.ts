import { useMemo } from 'react';
import { evaluate } from '@/core/evaluate/evaluate';
import type { WorkedOut } from '@/core/evaluate/readouts';
import { useProduction } from '../store/context';
import { useWorkplace } from '../shell/useWorkplace';

/** Readouts of the light a session is of; null for one of something else. */
export function useSessionBuild(buildId: string | null): WorkedOut | null {
  const document = useProduction((state) => state.document);
  const { build, readouts, derivations } = useWorkplace();
  // What is open already is not worked out again, nor without its simulation.
  const here = build?.id === buildId;
  const other = useMemo(() => {
    const found = buildId === null || here ? null : evaluate(document, buildId, { derivations });
    return found?.ok && found.value.kind === 'worked out' ? found.value : null;
  }, [document, buildId, here, derivations]);
  return here ? readouts : other;
}
