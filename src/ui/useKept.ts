import { useState } from 'react';

/** Where each station was left: as long as the page lives, and no longer. */
const left = new Map<string, string>();

/** Which of several things lies open, found again when one comes back to the station. */
export function useKept<T extends string>(
  where: string,
  among: readonly T[],
  first: T,
): [T, (value: T) => void] {
  const before = left.get(where) as T | undefined;
  const [value, setValue] = useState<T>(before && among.includes(before) ? before : first);
  return [
    value,
    (next) => {
      left.set(where, next);
      setValue(next);
    },
  ];
}
