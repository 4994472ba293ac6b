import type { Production } from '../production';
import {
  closedKeys,
  innerLists,
  isPlainObject,
  LIST_KINDS,
  listOf,
  type RecordKind,
  type RecordRef,
} from './address';
import type { Command } from './command';

/** Deep equality of JSON; the same object is equal at once. */
export function sameJson(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (Array.isArray(a) && Array.isArray(b))
    return a.length === b.length && a.every((each, k) => sameJson(each, b[k]));
  if (!isPlainObject(a) || !isPlainObject(b)) return false;
  const keys = definedKeys(a);
  return (
    keys.length === definedKeys(b).length &&
    keys.every((key) => Object.hasOwn(b, key) && sameJson(a[key], b[key]))
  );
}

const definedKeys = (node: Record<string, unknown>) =>
  Object.keys(node).filter((key) => node[key] !== undefined);

/**
 * The commands that make one document of another, keyed by record. Records are told apart by their
 * id, fields down to single values; lists that hold no records change as a whole.
 */
export function diffDocuments(before: Production, after: Production): Command[] {
  if (before === after) return [];
  const own = diffRecord({ kind: 'production', id: before.id }, before, after);
  return [...own, ...LIST_KINDS.flatMap((kind) => diffList(before, after, { kind }))];
}

function diffList(
  before: Production,
  after: Production,
  place: { kind: RecordKind; of?: string },
): Command[] {
  const old = listOf(before, place) ?? [];
  const next = listOf(after, place) ?? [];
  if (old === next) return [];
  const wanted = new Set(next.map(({ id }) => id));
  const known = new Map(old.map((record) => [record.id, record]));
  const gone = old.filter(({ id }) => !wanted.has(id));
  const order = old.filter(({ id }) => wanted.has(id)).map(({ id }) => id);
  const commands: Command[] = gone.map(({ id }) => ({ do: 'remove', ...place, id }));
  next.forEach((record, at) => {
    const behind = next[at - 1]?.id ?? null;
    const was = known.get(record.id);
    if (!was) {
      commands.push({ do: 'add', ...place, id: record.id, record, after: behind });
      order.splice(at, 0, record.id);
    } else if (order[at] !== record.id) {
      commands.push({ do: 'move', ...place, id: record.id, after: behind });
      order.splice(order.indexOf(record.id), 1);
      order.splice(at, 0, record.id);
    }
    if (was && was !== record) {
      const ref = { ...place, id: record.id };
      commands.push(...diffRecord(ref, was, record));
      for (const { kind } of innerLists(place.kind))
        commands.push(...diffList(before, after, { kind, of: record.id }));
    }
  });
  return commands;
}

/** Fields of one record, lists of inner records left out. */
function diffRecord(ref: RecordRef, before: object, after: object): Command[] {
  const closed = closedKeys(ref.kind);
  const open = (record: object) =>
    Object.fromEntries(Object.entries(record).filter(([key]) => !closed.has(key)));
  return diffFields(ref, [], open(before), open(after));
}

function diffFields(
  ref: RecordRef,
  path: readonly string[],
  before: Record<string, unknown>,
  after: Record<string, unknown>,
): Command[] {
  const keys = new Set([...Object.keys(before), ...Object.keys(after)]);
  return [...keys].flatMap((key): Command[] => {
    const [from, to] = [before[key], after[key]];
    const here = [...path, key];
    if (sameJson(from, to)) return [];
    if (to === undefined) return [{ do: 'unset', ...ref, path: here }];
    if (isPlainObject(from) && isPlainObject(to)) return diffFields(ref, here, from, to);
    return [{ do: 'set', ...ref, path: here, value: to }];
  });
}
