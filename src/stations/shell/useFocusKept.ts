import { useEffect, type RefObject } from 'react';

/**
 * Focus never falls to the page itself: when what had it is gone (a dialog that made something, a button of the station
 * one has left), the sheet takes it, so that the next key is heard where one looks.
 */
export function useFocusKept(sheet: RefObject<HTMLElement | null>, ...changes: unknown[]): void {
  useEffect(() => {
    const settle = () => {
      const lost = document.activeElement === null || document.activeElement === document.body;
      if (lost && !document.querySelector('[role=dialog]'))
        sheet.current?.focus({ preventScroll: true });
    };
    // Dialogs give focus back after they have gone from the page.
    const later = () => setTimeout(settle, 0);
    const first = later();
    document.addEventListener('focusout', later);
    return () => {
      clearTimeout(first);
      document.removeEventListener('focusout', later);
    };
    // The list of changes is as long as its caller writes it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, changes);
}
