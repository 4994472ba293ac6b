import type { Command } from '@/core/document/edit';
import type { Production } from '@/core/document/production';
import type { Problem } from '@/core/result';

/** What made one revision out of the one before it. */
export interface Step {
  revision: number;
  commands: readonly Command[];
}

/** A production as it is handed out: of the newest version, whatever lies in the table. */
export interface Stored {
  revision: number;
  document: Production;
}

/** The same with the last of what made it, without a gap, oldest first. */
export interface Standing extends Stored {
  steps: readonly Step[];
}

/** What all have made together, for a window that knows an older revision. */
export interface Beside extends Stored {
  /** what was done since that revision; null where that is not known any more */
  since: readonly Command[] | null;
}

/** What was done since a revision; null where that is not known any more. */
function doneSince({ revision, steps }: Standing, base: number): Command[] | null {
  const since = steps.filter((step) => step.revision > base);
  return since.length === revision - base ? since.flatMap(({ commands }) => commands) : null;
}

export const besideOf = (now: Standing, base: number): Beside => ({
  revision: now.revision,
  document: now.document,
  since: doneSince(now, base),
});

/** A stored production that this version cannot read. It is kept as it is. */
export class UnreadableProduction extends Error {
  constructor(
    readonly raw: unknown,
    readonly problems: Problem[],
  ) {
    const [first] = problems;
    super(
      `This production cannot be read by this version of Lantern Jar (${first?.path ?? ''}: ${first?.message ?? ''}). It is kept as it is; its file can still be fetched.`,
    );
  }
}
