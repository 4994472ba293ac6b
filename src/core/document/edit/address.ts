import type { Production } from '../production';

/** Records that stand in a list of the document itself, and where. */
const LISTS = {
  circuit: ['circuits'],
  shot: ['shots'],
  unit: ['shelf', 'units'],
  part: ['shelf', 'parts'],
  fixture: ['fixtures'],
  build: ['builds'],
  setup: ['setups'],
  making: ['makings'],
  session: ['sessions'],
  picture: ['pictures'],
} as const;

/** Records that stand in a list of another record. */
const INNER = {
  accessory: { of: 'build', list: 'accessories' },
  signOff: { of: 'build', list: 'signOffs' },
  roomLight: { of: 'shot', list: 'roomLights' },
  entry: { of: 'making', list: 'log' },
  thing: { of: 'setup', list: 'things' },
} as const;

export type ListKind = keyof typeof LISTS;
type InnerKind = keyof typeof INNER;
/** `production` is the document's own fields: name, note, money. */
export type RecordKind = 'production' | ListKind | InnerKind;

export const LIST_KINDS = Object.keys(LISTS) as ListKind[];
const INNER_KINDS = Object.keys(INNER) as InnerKind[];
export const RECORD_KINDS: readonly RecordKind[] = ['production', ...LIST_KINDS, ...INNER_KINDS];

/** One record, wherever it stands in its list. */
export interface RecordRef {
  kind: RecordKind;
  id: string;
  /** id of the record it stands in, for accessories and the like */
  of?: string;
}

/** One field of a record; the path goes through plain objects only, never by position in a list. */
export interface FieldRef extends RecordRef {
  path: readonly string[];
}

type Tree = Readonly<Record<string, unknown>>;
export type AnyRecord = Tree & { readonly id: string };

export const isInner = (kind: RecordKind): kind is InnerKind => kind in INNER;
const isListed = (kind: RecordKind): kind is ListKind => kind in LISTS;

/** Lists of inner records a record of this kind has. */
export const innerLists = (kind: RecordKind): { kind: InnerKind; list: string }[] =>
  INNER_KINDS.filter((each) => INNER[each].of === kind).map((each) => ({
    kind: each,
    list: INNER[each].list,
  }));

/** Where a kind's list hangs: the record it belongs to (null for the document) and the keys to it. */
export function listPlace({ kind, of }: Pick<RecordRef, 'kind' | 'of'>): {
  owner: RecordRef | null;
  keys: readonly string[];
} | null {
  if (isListed(kind)) return { owner: null, keys: LISTS[kind] };
  if (isInner(kind) && of !== undefined)
    return { owner: { kind: INNER[kind].of, id: of }, keys: [INNER[kind].list] };
  return null;
}

/** The list a record stands in; null when what should hold it is not there. */
export function listOf(
  document: Production,
  ref: Pick<RecordRef, 'kind' | 'of'>,
): readonly AnyRecord[] | null {
  const place = listPlace(ref);
  const owner = place && (place.owner ? findRecord(document, place.owner) : document);
  if (!owner) return null;
  const found = place.keys.reduce<unknown>((node, key) => (node as Tree | undefined)?.[key], owner);
  return Array.isArray(found) ? (found as AnyRecord[]) : null;
}

/** The record itself; null when it is not in the document. */
export function findRecord(document: Production, ref: RecordRef): AnyRecord | null {
  if (ref.kind === 'production') return document as unknown as AnyRecord;
  return listOf(document, ref)?.find(({ id }) => id === ref.id) ?? null;
}

/** Keys of a record that are no fields: its id, and lists of records of their own. */
export function closedKeys(kind: RecordKind): ReadonlySet<string> {
  const own = ['id', ...innerLists(kind).map(({ list }) => list)];
  if (kind !== 'production') return new Set(own);
  return new Set([...own, 'format', 'version', ...LIST_KINDS.map((each) => LISTS[each][0])]);
}

export const isPlainObject = (node: unknown): node is Record<string, unknown> =>
  typeof node === 'object' && node !== null && !Array.isArray(node);

/** A field's value; undefined where there is none. */
export const valueAt = (record: unknown, path: readonly string[]): unknown =>
  path.reduce<unknown>(
    (node, key) => (isPlainObject(node) && Object.hasOwn(node, key) ? node[key] : undefined),
    record,
  );

/** One key for a record, for maps and sets. */
export const recordKey = ({ kind, id, of }: RecordRef): string => `${kind}:${of ?? ''}/${id}`;
/** One key for a field. A slash cannot stand in an id, so two fields never share one. */
export const fieldKey = (ref: FieldRef): string => [recordKey(ref), ...ref.path].join('/');

export const refOf = ({ kind, id, of }: RecordRef): RecordRef =>
  of === undefined ? { kind, id } : { kind, id, of };

/**
 * The record and field that a problem's document path (`builds.4.accessories.1.parameters.x`) speaks
 * of, so that it can be told where it was made.
 */
export function refOfPath(document: Production, path: string): FieldRef {
  const parts = path.split('.');
  const listed = LIST_KINDS.find((kind) => LISTS[kind].every((key, k) => parts[k] === key));
  if (!listed) return { kind: 'production', id: document.id, path: parts };
  const rest = parts.slice(LISTS[listed].length);
  const record = listOf(document, { kind: listed })?.[Number(rest[0])];
  if (!record) return { kind: 'production', id: document.id, path: parts };
  const inner = innerLists(listed).find(({ list }) => list === rest[1]);
  const item = inner && (record[inner.list] as AnyRecord[] | undefined)?.[Number(rest[2])];
  return inner && item
    ? { kind: inner.kind, id: item.id, of: record.id, path: rest.slice(3) }
    : { kind: listed, id: record.id, path: rest.slice(1) };
}
