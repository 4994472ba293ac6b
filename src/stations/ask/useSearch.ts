'use client';
import { nanoid } from 'nanoid';
import { useEffect, useMemo, useState } from 'react';
import type { Production } from '@/core/document/production';
import type { Derivations } from '@/core/evaluate/derive';
import { questionOf } from '@/core/evaluate/search/question';
import { search, type Helper, type Standing } from '@/core/evaluate/search/run';
import { lightHands, type Hand } from '@/workers/pool';

/** Typing and dragging change a question many times a second; only what rests is searched. */
const REST_MS = 90;
/** No oftener is it worked out what the answers would be by now. */
const TOLD_MS = 250;

/** A worker that is told the question when it does not know it. */
function helperOf(
  hand: Hand,
  key: string,
  document: Production,
  shotId: string,
  signal: AbortSignal,
): Helper {
  return {
    judge: async (task) => {
      const options = { signal };
      const known = await hand.call((api) => api.searchPiece(key, null, shotId, task), options);
      const found =
        known ?? (await hand.call((api) => api.searchPiece(key, document, shotId, task), options));
      if (!found) throw new Error('The shot that was asked about is not there any more.');
      return found;
    },
    refine: (found) =>
      hand.call((api) => api.searchRefined(key, document, shotId, found), { signal }),
  };
}

export interface Searched {
  standing: Standing | null;
  /** how far the question as it stands now has come */
  stage: Standing['stage'] | 'begun';
  problem: string | null;
  stop: () => void;
}

/** What should be built for a shot, found by all workers; a change of the question begins anew. */
export function useSearch(
  document: Production,
  shotId: string | null,
  derivations: Derivations,
): Searched {
  const [standing, setStanding] = useState<{ key: string; so: Standing } | null>(null);
  const [failed, setFailed] = useState<{ key: string; problem: string } | null>(null);
  // A new question for every document; the memo's inputs are what makes it new.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const key = useMemo(() => nanoid(), [document, shotId]);
  const [stopped, setStopped] = useState<string | null>(null);
  useEffect(() => {
    const abort = new AbortController();
    const wait = setTimeout(() => {
      const question = shotId === null ? null : questionOf(document, shotId, derivations);
      const hands = lightHands();
      if (!question || !shotId || stopped === key) return;
      if (hands.length === 0)
        return setFailed({
          key,
          problem: 'This browser allows no workers, so nothing can be searched.',
        });
      const helpers = hands.map((hand) => helperOf(hand, key, document, shotId, abort.signal));
      let last = 0;
      const told = (so: () => Standing, always?: true) => {
        const now = performance.now();
        if (!always && now - last < TOLD_MS) return;
        last = now;
        setStanding({ key, so: so() });
      };
      search(question, helpers, told, abort.signal).then(
        (found) => {
          if (found && !abort.signal.aborted) setStanding({ key, so: found });
        },
        (error: Error) => {
          if (!abort.signal.aborted) setFailed({ key, problem: error.message });
        },
      );
    }, REST_MS);
    return () => {
      clearTimeout(wait);
      abort.abort();
    };
    // The key is the question.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, stopped]);
  return {
    // What was known of the last question stays until something is known of this one.
    standing: standing?.so ?? null,
    stage: standing?.key === key ? standing.so.stage : 'begun',
    problem: failed?.key === key ? failed.problem : null,
    stop: () => setStopped(key),
  };
}
