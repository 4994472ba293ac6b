'use client';
import { useEffect } from 'react';
import { tinykeys } from 'tinykeys';
import type { Action } from './useActions';

/** Where single keys mean letters, not commands. */
function isTyping(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement | null;
  return Boolean(target?.closest('input, textarea, select, [contenteditable], [role="dialog"]'));
}

/** Binds every action that has keys; keys with a modifier work inside fields too, undo does not. */
export function useKeys(actions: readonly Action[]): void {
  useEffect(() => {
    const bindings = actions.flatMap(({ id, keys, alsoKeys, run }) => {
      if (!keys) return [];
      const handler = (event: KeyboardEvent) => {
        if (id !== 'commands' && isTyping(event)) return;
        event.preventDefault();
        run();
      };
      return [keys, alsoKeys].flatMap((each) => (each ? [[each, handler] as const] : []));
    });
    const unbind = tinykeys(window, Object.fromEntries(bindings));
    // Tells from outside that keys are heard, which is later than the first paint.
    document.body.dataset.keys = 'heard';
    return unbind;
  }, [actions]);
}
