/** Something the user said that cannot be taken as it stands. Programming mistakes throw instead. */
export interface Problem {
  /** Stable machine name, e.g. `too_big`. */
  code: string;
  /** Where in the input: document path or field name; empty for the whole. */
  path: string;
  /** What is wrong, why, and how to put it right, in one plain sentence or two. */
  message: string;
}

export type Result<T> = { ok: true; value: T } | { ok: false; problems: Problem[] };

export const accept = <T>(value: T): Result<T> => ({ ok: true, value });

export const refuse = <T = never>(code: string, message: string, path = ''): Result<T> => ({
  ok: false,
  problems: [{ code, path, message }],
});

/** For states that only a programming mistake can bring about. */
export function assert(condition: unknown, message: string): asserts condition {
  if (!condition) throw new Error(`Broken invariant: ${message}`);
}
