'use client';
import { useMemo } from 'react';
import {
  addRecord,
  changeRecord,
  type AnyRecord,
  type Change,
  type ListKind,
  type RecordKind,
  type RecordOf,
} from '@/core/document/edit';
import { removeWhole } from '@/core/document/records';
import { useProductionStore } from './context';

/**
 * Changes of the document as screens make them: by kind and id. Each answers with the reason when it
 * is not taken, null when it is.
 */
export function useEdits() {
  const store = useProductionStore();
  return useMemo(() => {
    const make = (label: string, change: Change) => store.getState().change(label, change);
    return {
      make,
      record: <K extends RecordKind>(
        kind: K,
        id: string,
        label: string,
        recipe: (draft: RecordOf[K]) => void,
      ) => make(label, changeRecord({ kind, id }, recipe)),
      add: (kind: ListKind, record: { id: string }, label: string) =>
        make(label, addRecord({ kind }, record)),
      /** takes it out together with what names it */
      remove: (kind: ListKind, record: Pick<AnyRecord, 'id'>, label: string) =>
        make(label, removeWhole(kind, record.id)),
    };
  }, [store]);
}
