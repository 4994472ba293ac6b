'use client';
import { useEffect, useId, useSyncExternalStore } from 'react';
import { createStore } from 'zustand/vanilla';

/** The panels that want to be seen, in the order they came. */
const panels = createStore<readonly string[]>(() => []);

/**
 * Whether a panel is seen. One that waits comes up when no other is left: two modal panels at once
 * hide each other from whoever listens to the page instead of seeing it. One opened by hand comes up
 * at once, also over another.
 */
export function usePanelTurn(open: boolean, waits: boolean): boolean {
  const id = useId();
  const first = useSyncExternalStore(
    panels.subscribe,
    () => panels.getState()[0] ?? id,
    () => id,
  );
  useEffect(() => {
    if (!open) return;
    panels.setState((all) => [...all, id], true);
    return () => panels.setState((all) => all.filter((other) => other !== id), true);
  }, [open, id]);
  return open && (!waits || first === id);
}
