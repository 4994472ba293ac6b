import { produce } from 'immer';
import type { Production } from '../production';
import type { RecordOf } from './recordOf';
import { findRecord, listOf, refOf, type RecordKind, type RecordRef } from './address';
import { applyCommands } from './apply';
import type { Batch, Command } from './command';
import { diffDocuments } from './diff';

/** What a change does to the document as it stands when it is made. */
export type Change = (document: Production) => Command[];

/**
 * Changes one record and nothing else: the recipe is handed a draft of it, lists of inner records
 * included. A record that is not there is left alone.
 */
export const changeRecord =
  <K extends RecordKind>(
    ref: RecordRef & { kind: K },
    recipe: (draft: RecordOf[K]) => void,
  ): Change =>
  (document) => {
    const record = findRecord(document, ref);
    if (!record) return [];
    const next = produce(record, (draft) => recipe(draft as unknown as RecordOf[K]));
    if (next === record) return [];
    // Compared inside documents that differ in this record alone.
    return diffDocuments(document, withOnly(document, ref, next));
  };

function withOnly(document: Production, ref: RecordRef, next: object): Production {
  if (ref.kind === 'production') return next as Production;
  return produce(document, (draft) => {
    const list = listOf(draft as Production, ref) as { id: string }[];
    list[list.findIndex(({ id }) => id === ref.id)] = next as { id: string };
  });
}

/** Any change of the document, told as commands; for what touches several records. */
export const changeDocument =
  (recipe: (draft: Production) => void): Change =>
  (document) =>
    diffDocuments(
      document,
      produce(document, (draft) => void recipe(draft as Production)),
    );

/** A new record at the end of its list. */
export const addRecord =
  (place: Omit<RecordRef, 'id'>, record: { id: string }): Change =>
  (document) => [
    {
      do: 'add',
      ...refOf({ ...place, id: record.id }),
      record: record as unknown as Record<string, unknown>,
      after: listOf(document, place)?.at(-1)?.id ?? null,
    },
  ];

/** Puts a record behind another of its list; null for the front. */
export const moveRecord =
  (ref: RecordRef, after: string | null): Change =>
  () => [{ do: 'move', ...refOf(ref), after }];

/** Takes a record out. What refers to it is the business of `removeWhole`. */
export const removeRecord =
  (ref: RecordRef): Change =>
  (document) =>
    findRecord(document, ref) ? [{ do: 'remove', ...refOf(ref) }] : [];

/** Several changes in one, each made on what the one before left. */
export const together =
  (...changes: readonly Change[]): Change =>
  (document) => {
    let now = document;
    return changes.flatMap((change) => {
      const commands = change(now);
      const done = applyCommands(now, commands);
      if (!done.ok) return [];
      now = done.value.document;
      return commands;
    });
  };

/** A change carried out; null when it comes to nothing. */
export function makeBatch(
  document: Production,
  id: string,
  label: string,
  change: Change,
): { document: Production; batch: Batch } | null {
  const commands = change(document);
  if (commands.length === 0) return null;
  const done = applyCommands(document, commands);
  if (!done.ok) return null;
  const { inverse } = done.value;
  return { document: done.value.document, batch: { id, label, commands, inverse } };
}
