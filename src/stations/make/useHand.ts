'use client';
import { useSyncExternalStore } from 'react';

/** Whose hands are at this device; it stays here and is no account. */
const KEY = 'lantern-hand';
const heard = new Set<() => void>();
const subscribe = (listener: () => void) => {
  heard.add(listener);
  return () => void heard.delete(listener);
};
const told = (): string => {
  try {
    return localStorage.getItem(KEY) ?? '';
  } catch {
    return '';
  }
};

export function useHand(): [string, (name: string) => void] {
  const name = useSyncExternalStore(subscribe, told, () => '');
  return [
    name,
    (next) => {
      try {
        localStorage.setItem(KEY, next);
      } catch {
        // A browser that keeps nothing forgets the name with the page.
      }
      heard.forEach((listener) => listener());
    },
  ];
}
