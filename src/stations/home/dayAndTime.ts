/** A moment as lists show it: the same on every machine, whatever its language. */
export const dayAndTime = (at: string): string => `${at.slice(0, 16).replace('T', ' ')} UTC`;
