/** A moment as file names wear it: 2026-11-28T14-05-09Z. */
export const stampOf = (at: Date): string =>
  `${at.toISOString().slice(0, 19).replaceAll(':', '-')}Z`;
