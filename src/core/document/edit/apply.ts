import { accept, refuse, type Result } from '../../result';
import type { Production } from '../production';
import {
  closedKeys,
  fieldKey,
  findRecord,
  isPlainObject,
  listOf,
  listPlace,
  recordKey,
  refOf,
  valueAt,
  type AnyRecord,
  type RecordRef,
} from './address';
import type { Batch, Command } from './command';

interface Applied {
  document: Production;
  /** takes it back, last command first */
  inverse: Command[];
}

/**
 * Does commands one after the other; all of them or, with the reason, none.
 * What they do not name is the same object afterwards.
 */
export function applyCommands(document: Production, commands: readonly Command[]): Result<Applied> {
  let now = document;
  const inverse: Command[] = [];
  for (const command of commands) {
    const done = applyOne(now, command);
    if (!done.ok) return done;
    now = done.value.document;
    inverse.unshift(...done.value.inverse);
  }
  return accept({ document: now, inverse });
}

/** Several batches, as far as they go: what does not fit costs itself alone. */
export function applyBatches(
  document: Production,
  batches: readonly Batch[],
): { document: Production; refused: { batch: Batch; message: string }[] } {
  let now = document;
  const refused: { batch: Batch; message: string }[] = [];
  for (const batch of batches) {
    const done = applyCommands(now, batch.commands);
    if (done.ok) now = done.value.document;
    else refused.push({ batch, message: done.problems[0]!.message });
  }
  return { document: now, refused };
}

function applyOne(document: Production, command: Command): Result<Applied> {
  switch (command.do) {
    case 'set':
      return setField(document, command, command.path, command.value);
    case 'unset':
      return setField(document, command, command.path, undefined);
    case 'add':
      return addRecord(document, command);
    case 'remove':
      return removeRecord(document, command);
    case 'move':
      return moveRecord(document, command);
  }
}

const missing = (ref: RecordRef) =>
  refuse<Applied>(
    'no_record',
    `The ${ref.kind} “${ref.id}” is not there any more.`,
    recordKey(ref),
  );

function setField(
  document: Production,
  ref: RecordRef,
  path: readonly string[],
  value: unknown,
): Result<Applied> {
  const record = findRecord(document, ref);
  if (!record) return missing(ref);
  const at = fieldKey({ ...ref, path });
  if (path.length === 0 || closedKeys(ref.kind).has(path[0]!))
    return refuse('bad_path', `“${path.join('.')}” is no field of a ${ref.kind}.`, at);
  const holder = valueAt(record, path.slice(0, -1));
  if (!isPlainObject(holder))
    return refuse('bad_path', `There is no “${path.join('.')}” in this ${ref.kind}.`, at);
  const before = valueAt(record, path);
  const next = changedAt(record, path, value) as AnyRecord;
  const back: Command =
    before === undefined
      ? { do: 'unset', ...refOf(ref), path }
      : { do: 'set', ...refOf(ref), path, value: before };
  return accept({ document: withRecord(document, ref, next), inverse: [back] });
}

/** A copy along the path with one value changed; undefined takes the key away. */
function changedAt(node: unknown, path: readonly string[], value: unknown): unknown {
  const [key, ...rest] = path;
  if (key === undefined) return value;
  const copy = { ...(node as Record<string, unknown>) };
  const next = changedAt(copy[key], rest, value);
  if (next === undefined) delete copy[key];
  else copy[key] = next;
  return copy;
}

function withRecord(document: Production, ref: RecordRef, record: AnyRecord): Production {
  if (ref.kind === 'production') return record as unknown as Production;
  const list = listOf(document, ref)!;
  return withList(
    document,
    ref,
    list.map((each) => (each.id === ref.id ? record : each)),
  );
}

function withList(document: Production, ref: RecordRef, list: readonly AnyRecord[]): Production {
  const { owner, keys } = listPlace(ref)!;
  if (!owner) return changedAt(document, keys, list) as Production;
  const holder = findRecord(document, owner)!;
  return withRecord(document, owner, changedAt(holder, keys, list) as AnyRecord);
}

/** Index behind the named one; the end when it is not there. */
function placeAfter(list: readonly AnyRecord[], after: string | null): number {
  if (after === null) return 0;
  const at = list.findIndex(({ id }) => id === after);
  return at < 0 ? list.length : at + 1;
}

const inserted = (list: readonly AnyRecord[], at: number, record: AnyRecord): AnyRecord[] => [
  ...list.slice(0, at),
  record,
  ...list.slice(at),
];

const beforeOf = (list: readonly AnyRecord[], id: string): string | null =>
  list[list.findIndex((each) => each.id === id) - 1]?.id ?? null;

function addRecord(
  document: Production,
  command: Extract<Command, { do: 'add' }>,
): Result<Applied> {
  const list = listOf(document, command);
  const { record, id } = command;
  if (!list) return missing(command.of ? { kind: command.kind, id: command.of } : command);
  if (record.id !== id)
    return refuse('bad_record', 'A record bears the id it is added under.', recordKey(command));
  if (list.some((each) => each.id === id))
    return refuse('double_id', `The id “${id}” is used twice.`, recordKey(command));
  const next = inserted(list, placeAfter(list, command.after), record as AnyRecord);
  return accept({
    document: withList(document, command, next),
    inverse: [{ do: 'remove', ...refOf(command) }],
  });
}

function removeRecord(document: Production, ref: RecordRef): Result<Applied> {
  const list = listOf(document, ref);
  const record = list?.find(({ id }) => id === ref.id);
  if (!list || !record) return missing(ref);
  return accept({
    document: withList(
      document,
      ref,
      list.filter((each) => each !== record),
    ),
    inverse: [{ do: 'add', ...refOf(ref), record, after: beforeOf(list, ref.id) }],
  });
}

function moveRecord(
  document: Production,
  command: Extract<Command, { do: 'move' }>,
): Result<Applied> {
  const list = listOf(document, command);
  const record = list?.find(({ id }) => id === command.id);
  if (!list || !record) return missing(command);
  const others = list.filter((each) => each !== record);
  return accept({
    document: withList(
      document,
      command,
      inserted(others, placeAfter(others, command.after), record),
    ),
    inverse: [{ do: 'move', ...refOf(command), after: beforeOf(list, command.id) }],
  });
}
