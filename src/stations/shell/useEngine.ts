'use client';
import { useEffect, useMemo, useState } from 'react';
import { ask as askPool, Cancelled, type Api } from '@/workers/pool';
import { troubles } from './troubles';

/** Typing and dragging change the input many times a second; only what rests is worked out. */
const REST_MS = 120;

export interface Asked<T> {
  answer: T | null;
  busy: boolean;
  /** why there is no answer to the newest input */
  problem: string | null;
}

/**
 * What a worker says of the newest input; the last answer stays until the next one is there. A question
 * that fails is told on the screen, with a way to ask it again.
 */
export function useEngine<T>(
  ask: (engine: Api) => Promise<T>,
  inputs: readonly unknown[],
  /** false keeps the last answer and asks nothing yet */
  ready = true,
): Asked<T> {
  const [round, setRound] = useState(0);
  // One question a set of inputs; the caller names what its question depends on.
  // eslint-disable-next-line react-hooks/exhaustive-deps, react-hooks/use-memo
  const question = useMemo(() => ({ ask }), [...inputs, round]);
  const [answered, setAnswered] = useState<{ question: object; answer: T } | null>(null);
  const [failed, setFailed] = useState<{ question: object; problem: string } | null>(null);
  useEffect(() => {
    if (!ready) return;
    const abort = new AbortController();
    let trouble: number | null = null;
    const wait = setTimeout(() => {
      askPool(question.ask, { signal: abort.signal }).then(
        (answer) => {
          if (!abort.signal.aborted) setAnswered({ question, answer });
        },
        (error: Error) => {
          if (abort.signal.aborted || error instanceof Cancelled) return;
          setFailed({ question, problem: error.message });
          trouble = troubles.getState().tell(error.message, () => setRound((count) => count + 1));
        },
      );
    }, REST_MS);
    return () => {
      clearTimeout(wait);
      abort.abort();
      if (trouble !== null) troubles.getState().settle(trouble);
    };
  }, [question, ready]);
  const problem = failed?.question === question ? failed.problem : null;
  return {
    answer: answered?.answer ?? null,
    busy: answered?.question !== question && problem === null,
    problem,
  };
}
