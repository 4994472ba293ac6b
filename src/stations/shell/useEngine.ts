'use client';
import { useEffect, useMemo, useState } from 'react';
import { startEngine, type EngineHandle } from '@/workers/engine';

/** Typing and dragging change the input many times a second; only what rests is worked out. */
const REST_MS = 120;

/** What a worker says of the newest input; the last answer stays until the next one is there. */
export function useEngine<T>(
  ask: (engine: EngineHandle['engine']) => Promise<T>,
  inputs: readonly unknown[],
  /** false keeps the last answer and asks nothing yet */
  ready = true,
): { answer: T | null; busy: boolean } {
  // One question a set of inputs; the caller names what its question depends on.
  // eslint-disable-next-line react-hooks/exhaustive-deps, react-hooks/use-memo
  const question = useMemo(() => ({ ask }), inputs);
  const [answered, setAnswered] = useState<{ question: object; answer: T } | null>(null);
  useEffect(() => {
    if (!ready) return;
    let handle: EngineHandle | null = null;
    let current = true;
    const wait = setTimeout(() => {
      handle = startEngine();
      void question.ask(handle.engine).then((answer) => {
        handle?.end();
        if (current) setAnswered({ question, answer });
      });
    }, REST_MS);
    return () => {
      current = false;
      clearTimeout(wait);
      handle?.end();
    };
  }, [question, ready]);
  return { answer: answered?.answer ?? null, busy: answered?.question !== question };
}
