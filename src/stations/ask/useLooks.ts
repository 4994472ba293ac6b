'use client';
import { useEffect, useState } from 'react';
import type { Production } from '@/core/document/production';
import type { Answer } from '@/core/evaluate/search/answers';
import type { Look } from '@/core/evaluate/search/look';
import { ask } from '@/workers/pool';

/** Edge of a face, pixels, and rays to each of them. */
const SIZE = 192;
const RAYS = 8;

/** How the answers look, one after the other, once they stand. */
export function useLooks(
  document: Production,
  shotId: string | null,
  answers: readonly Answer[],
  ready: boolean,
): ReadonlyMap<string, Look> {
  const [looks, setLooks] = useState<ReadonlyMap<string, Look>>(new Map());
  const wanted = ready ? answers.map(({ found }) => found.id).join('\n') : null;
  useEffect(() => {
    if (wanted === null || shotId === null) return;
    const abort = new AbortController();
    void (async () => {
      const drawn = new Map<string, Look>();
      for (const { found } of answers) {
        if (abort.signal.aborted) return;
        const look = await ask((api) => api.searchLook(document, shotId, found, SIZE, RAYS), {
          signal: abort.signal,
        }).catch(() => null);
        if (!look || abort.signal.aborted) continue;
        drawn.set(found.id, look);
        setLooks(new Map(drawn));
      }
    })();
    return () => abort.abort();
    // The answers are told by their ids; the document by what they were found in.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [wanted, shotId]);
  return looks;
}
