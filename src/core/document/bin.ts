const DAY_MS = 86_400_000;

/** A deleted production can be taken back for so long. */
export const BIN_DAYS = 30;

/** When it is taken away for good. */
export const goneAt = (deletedAt: Date): Date => new Date(deletedAt.getTime() + BIN_DAYS * DAY_MS);
/** What was deleted before this is gone. */
export const goneBefore = (now: Date): Date => new Date(now.getTime() - BIN_DAYS * DAY_MS);
