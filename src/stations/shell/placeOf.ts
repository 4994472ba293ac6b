import { findRecord, isInner, listPlace, type FieldRef } from '@/core/document/edit';
import { ACCESSORIES } from '@/core/accessories';
import type { Production } from '@/core/document/production';
import { FORMS } from '@/core/forms';
import type { Field } from '@/core/forms/form';
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
    case 'unit':
    case 'part':
      return { station: 'shelf' };
    case 'fixture':
      return { station: 'verdict' };
    default:
      return null;
  }
}

/** The field a path of a build means, as its form or its accessory describes it. */
export function fieldOf(document: Production, { kind, id, of, path }: FieldRef): Field | null {
  const parameter = path[0] === 'parameters' ? path[1] : undefined;
  const owner = kind === 'accessory' ? of : id;
  const build = document.builds.find((each) => each.id === owner);
  if (!build || parameter === undefined) return null;
  const worn = build.accessories.find((each) => each.id === id);
  const maker = kind === 'accessory' ? ACCESSORIES.get(worn?.kind ?? '') : FORMS.get(build.form);
  return maker?.fields.find((field) => field.parameter === parameter) ?? null;
}

/** Units at the end of a key, as documents write them. */
const KEY_UNITS: Readonly<Record<string, string>> = {
  M: 'm',
  K: 'K',
  W: 'W',
  V: 'V',
  A: 'A',
  Lm: 'lm',
  Lx: 'lx',
  Deg: '°',
  Kg: 'kg',
};

/** A key in words, and the unit it ends in. */
export function wordsOf(key: string): { words: string; unit: string } {
  const parts = key.split(/(?<=[a-z0-9])(?=[A-Z])/);
  const unit = parts.length > 1 ? (KEY_UNITS[parts.at(-1)!] ?? '') : '';
  return { words: (unit ? parts.slice(0, -1) : parts).join(' ').toLowerCase(), unit };
}

/** A record's name, and the field as the tray calls it, or its path in words. */
export function nameOf(document: Production, ref: FieldRef): string {
  const owner = isInner(ref.kind) ? listPlace(ref)!.owner! : ref;
  const record = findRecord(document, owner) as { name?: string } | null;
  const what = record?.name ?? `${owner.kind} “${owner.id}”`;
  const path = ref.path.filter((key) => key !== 'parameters').map((key) => wordsOf(key).words);
  const field = fieldOf(document, ref)?.label ?? path.join(' ');
  return field ? `${what}: ${field}` : what;
}
