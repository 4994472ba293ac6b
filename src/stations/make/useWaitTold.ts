'use client';
import { useEffect, useRef } from 'react';
import { useSession } from '../shell/Workbench';
import type { Copy } from './useMaking';

/** Says when a waiting is over: to those who hear the page, and in the window's title while it is elsewhere. */
export function useWaitTold(copies: readonly Copy[]) {
  const { say } = useSession();
  const running = useRef<ReadonlySet<string>>(new Set());
  const waits = copies.flatMap(({ making, now }) =>
    now.steps.flatMap(({ step, wait }) =>
      wait ? [{ id: `${making.id}/${step.id}`, title: step.title, over: wait.leftMin <= 0 }] : [],
    ),
  );
  const key = waits
    .filter(({ over }) => !over)
    .map(({ id }) => id)
    .join(' ');
  useEffect(() => {
    const still = new Set(key === '' ? [] : key.split(' '));
    const over = waits.filter(({ id }) => running.current.has(id) && !still.has(id));
    running.current = still;
    if (over.length === 0) return;
    const words = `The waiting is over: ${over.map(({ title }) => title).join(', ')}`;
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
