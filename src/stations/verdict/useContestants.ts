'use client';
import { useEffect, useMemo, useState } from 'react';
import type { Production } from '@/core/document/production';
import type { Contestant, ContestRef } from '@/core/evaluate/contest';
import type { Look } from '@/core/evaluate/search/look';
import { ask } from '@/workers/pool';

/** Edge of a face, pixels, and rays to each of them. */
const SIZE = 176;
const RAYS = 8;

export interface Beside {
  ref: ContestRef;
  /** null where it gives no light, undefined while it is worked out */
  found: Contestant | null | undefined;
  look: Look | null;
}

const keyOf = ({ kind, id }: ContestRef) => `${kind} ${id}`;

/** Lights worked out beside each other, then their faces. */
export function useContestants(
  document: Production,
  shotId: string | null,
  refs: readonly ContestRef[],
): { lights: Beside[]; problem: string | null } {
  const [found, setFound] = useState<ReadonlyMap<string, Contestant | null>>(new Map());
  const [looks, setLooks] = useState<ReadonlyMap<string, Look>>(new Map());
  const [problem, setProblem] = useState<string | null>(null);
  const wanted = refs.map(keyOf).join('\n');
  const question = useMemo(() => ({ document, shotId, wanted }), [document, shotId, wanted]);
  useEffect(() => {
    if (question.shotId === null) return;
    const { shotId: shot } = question;
    const abort = new AbortController();
    const options = { signal: abort.signal, priority: 'soon' as const };
    const one = async (ref: ContestRef) => {
      const light = await ask((api) => api.contestant(document, shot, ref), options);
      if (abort.signal.aborted) return;
      setFound((known) => new Map(known).set(keyOf(ref), light));
      return light;
    };
    Promise.all(refs.map(one))
      .then(async (lights) => {
        setProblem(null);
        for (const light of lights) {
          if (!light || abort.signal.aborted) continue;
          const look = await ask(
            (api) => api.searchLook(document, shot, light.judged, SIZE, RAYS),
            options,
          );
          if (look && !abort.signal.aborted)
            setLooks((known) => new Map(known).set(keyOf(light.ref), look));
        }
      })
      .catch((error: Error) => {
        if (!abort.signal.aborted) setProblem(error.message);
      });
    return () => abort.abort();
    // The question names all it depends on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [question]);
  return {
    lights: refs.map((ref) => ({
      ref,
      found: found.get(keyOf(ref)),
      look: looks.get(keyOf(ref)) ?? null,
    })),
    problem,
  };
}
