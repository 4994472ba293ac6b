'use client';
import { useEffect } from 'react';

/** Keeps the screen lit while one's hands are full, where the browser allows it. */
export function useAwake(wanted: boolean) {
  useEffect(() => {
    if (!wanted || !('wakeLock' in navigator)) return;
    let held: WakeLockSentinel | null = null;
    let over = false;
    const hold = () => {
      if (document.hidden) return;
      navigator.wakeLock.request('screen').then(
        (lock) => {
          if (over) void lock.release();
          else held = lock;
        },
        // Battery savers refuse: the screen then sleeps as it likes.
        () => undefined,
      );
    };
    hold();
    document.addEventListener('visibilitychange', hold);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', hold);
      void held?.release();
    };
  }, [wanted]);
}
