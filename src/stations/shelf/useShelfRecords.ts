'use client';
import { useState } from 'react';
import { removeFromShelfInPlace } from '@/core/document/commands';
import type { Part } from '@/core/materials/part';
import type { Unit } from '@/core/units/unit';
import { useSession } from '../shell/Workbench';
import { useProductionStore } from '../store/context';

interface Records {
  units: Unit;
  parts: Part;
}

/** The records of one list of the shelf: which one is open, and adding, changing and deleting. */
export function useShelfRecords<K extends keyof Records>(kind: K, records: readonly Records[K][]) {
  const store = useProductionStore();
  const { say } = useSession();
  const [openId, setOpenId] = useState<string | null>(null);
  return {
    open: records.find(({ id }) => id === openId),
    openRecord: (record: Records[K]) => setOpenId(record.id),
    close: () => setOpenId(null),
    put: (record: Records[K], label: string) => {
      store
        .getState()
        .change(label, (draft) => void (draft.shelf[kind] as Records[K][]).push(record));
      setOpenId(record.id);
    },
    change: (record: Records[K], label: string, set: (target: Records[K]) => void) =>
      store.getState().change(`${label} of ${record.name}`, (draft) => {
        const target = (draft.shelf[kind] as Records[K][]).find(({ id }) => id === record.id);
        if (target) set(target);
      }),
    remove: ({ id, name }: Records[K]) => {
      setOpenId(null);
      store.getState().change(`delete ${name}`, (draft) => removeFromShelfInPlace(draft, kind, id));
      say(`Deleted ${name}. Undo brings it back.`);
    },
  };
}
