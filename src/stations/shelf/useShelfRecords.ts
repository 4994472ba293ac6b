'use client';
import { useState } from 'react';
import type { Part } from '@/core/materials/part';
import type { Unit } from '@/core/units/unit';
import { useSession } from '../shell/Workbench';
import { useEdits } from '../store/useEdits';

interface Records {
  unit: Unit;
  part: Part;
}

/** The records of one list of the shelf: which one is open, and adding, changing and deleting. */
export function useShelfRecords<K extends keyof Records>(kind: K, records: readonly Records[K][]) {
  const edits = useEdits();
  const { say } = useSession();
  const [openId, setOpenId] = useState<string | null>(null);
  return {
    open: records.find(({ id }) => id === openId),
    openRecord: (record: Records[K]) => setOpenId(record.id),
    close: () => setOpenId(null),
    put: (record: Records[K], label: string) => {
      edits.add(kind, record, label);
      setOpenId(record.id);
    },
    change: (record: Records[K], label: string, set: (target: Records[K]) => void) =>
      edits.record<K>(kind, record.id, `${label} of ${record.name}`, (draft) =>
        set(draft as unknown as Records[K]),
      ),
    remove: (record: Records[K]) => {
      setOpenId(null);
      edits.remove(kind, record, `delete ${record.name}`);
      say(`Deleted ${record.name}. Undo brings it back.`);
    },
  };
}
