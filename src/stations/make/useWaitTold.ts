'use client';
import { useEffect, useRef } from 'react';
import type { MakingNow } from '@/core/evaluate/makingState';
import { useSession } from '../shell/Workbench';

/** Says when a waiting is over: to those who hear the page, and in the window's title while it is elsewhere. */
export function useWaitTold(now: MakingNow | null) {
  const { say } = useSession();
  const running = useRef<ReadonlySet<string>>(new Set());
  const waits = now?.steps.filter(({ wait }) => wait !== null) ?? [];
  const left = waits.filter(({ wait }) => wait!.leftMin > 0).map(({ step }) => step.id);
  const key = left.join(' ');
  useEffect(() => {
    const still = new Set(key === '' ? [] : key.split(' '));
    const over = waits.filter(({ step }) => running.current.has(step.id) && !still.has(step.id));
    running.current = still;
    if (over.length === 0) return;
    const words = `The waiting is over: ${over.map(({ step }) => step.title).join(', ')}`;
    say(words);
    if (!document.hidden) return;
    const before = document.title;
    document.title = words;
    const back = () => {
      if (!document.hidden) document.title = before;
    };
    document.addEventListener('visibilitychange', back);
    return () => document.removeEventListener('visibilitychange', back);
    // Only what runs matters; the words follow from it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
}
