import { assert } from '../result';
import { DOCUMENT_VERSION } from './production';

/** Lifts a document from one version to the next; index 0 lifts version 1 to 2. */
export type Migration = (document: Record<string, unknown>) => Record<string, unknown>;

/** Numbered and gapless: one entry for each version before the newest. */
export const MIGRATIONS: readonly Migration[] = [];

export function migrate(
  document: Record<string, unknown>,
  fromVersion: number,
): Record<string, unknown> {
  assert(MIGRATIONS.length === DOCUMENT_VERSION - 1, 'one migration for each older version');
  return MIGRATIONS.slice(fromVersion - 1).reduce((lifted, lift) => lift(lifted), document);
}
