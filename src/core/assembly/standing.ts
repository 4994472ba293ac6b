/** How a body stands in a picture: mounted, worked on now, or still to come. */
export type Standing = 'mounted' | 'now' | 'to come';

/**
 * How a body stands at a step: what that step puts in or works on is being done now.
 * @param putIn  place of the step that puts it in, and `at` of the step that is looked at, in the order of making
 */
export function standingAt(
  { putIn, piece }: { putIn: number; piece: string | null },
  at: number,
  pieces: readonly string[],
): Standing {
  if (putIn === at || (piece !== null && pieces.includes(piece))) return 'now';
  return putIn < at ? 'mounted' : 'to come';
}
