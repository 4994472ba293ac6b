import { findRecord, isInner, listPlace, type FieldRef } from '@/core/document/edit';
import type { Production } from '@/core/document/production';
import type { StationId } from './stations';

/** Where on screen a record is changed. */
export function placeOf(
  document: Production,
  ref: FieldRef,
): { station: StationId; build?: string; shot?: string } | null {
  const { kind, id } = isInner(ref.kind) ? listPlace(ref)!.owner! : ref;
  if (!findRecord(document, { kind, id })) return null;
  switch (kind) {
    case 'build':
      return { station: 'build', build: id };
    case 'shot':
      return { station: 'shot', shot: id };
    case 'bulb':
    case 'unit':
    case 'part':
      return { station: 'shelf' };
    case 'fixture':
      return { station: 'verdict' };
    default:
      return null;
  }
}

/** A record's name, and the field as its path says it, in words for a list. */
export function nameOf(document: Production, ref: FieldRef): string {
  const owner = isInner(ref.kind) ? listPlace(ref)!.owner! : ref;
  const record = findRecord(document, owner) as { name?: string } | null;
  const what = record?.name ?? `${owner.kind} “${owner.id}”`;
  const field = ref.path
    .filter((key) => key !== 'parameters')
    .join(' ')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase();
  return field ? `${what}: ${field}` : what;
}
