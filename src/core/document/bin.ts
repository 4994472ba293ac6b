const DAY_MS = 86_400_000;

/** A deleted production can be taken back for so long. */
export const BIN_DAYS = 30;

/** When what was deleted then is taken away for good. @param deletedAtMs  since 1970, as is what comes back */
export const goneAtMs = (deletedAtMs: number): number => deletedAtMs + BIN_DAYS * DAY_MS;
/** What was deleted before this is gone by now. */
export const goneBeforeMs = (nowMs: number): number => nowMs - BIN_DAYS * DAY_MS;
