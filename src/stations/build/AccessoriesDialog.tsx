'use client';
import { Plus, X } from 'lucide-react';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { ACCESSORIES } from '@/core/accessories';
import { addRecord, removeRecord } from '@/core/document/edit';
import type { Build } from '@/core/document/production';
import { accessorySchema } from '@/core/accessories/carried';
import { Dialog } from '@/ui/Dialog';
import { ask } from '@/workers/pool';
import { useSession } from '../shell/Workbench';
import { useProductionStore } from '../store/context';
import { useEdits } from '../store/useEdits';

const MOST = 12;

/** What a build carries besides its form: stand, hood, grid and the like. */
export default function AccessoriesDialog({
  build,
  onClose,
}: {
  build: Build;
  onClose: () => void;
}) {
  const edits = useEdits();
  const store = useProductionStore();
  const { pointed } = useSession();
  const [adding, setAdding] = useState<string | null>(null);
  const add = async (kind: string) => {
    const accessory = ACCESSORIES.get(kind)!;
    setAdding(kind);
    const { document } = store.getState();
    const id = nanoid(8);
    const added = await ask(async (api) => api.starterAccessory(document, build.id, kind, id), {
      priority: 'soon',
    }).catch(() => null);
    setAdding(null);
    const label = `${accessory.name.toLowerCase()} for ${build.name}`;
    // Without a worker it comes with nothing chosen.
    const record = added ?? accessorySchema.parse({ id, kind, parameters: accessory.defaults() });
    edits.make(label, addRecord({ kind: 'accessory', of: build.id }, record));
    pointed.getState().openGroup(accessory.name);
    onClose();
  };
  const remove = (id: string, name: string) =>
    edits.make(
      `take ${name.toLowerCase()} off ${build.name}`,
      removeRecord({ kind: 'accessory', id, of: build.id }),
    );
  return (
    <Dialog title="Accessories" open onClose={onClose}>
      {build.accessories.length > 0 && (
        <ul className="mb-4 space-y-1">
          {build.accessories.map(({ id, kind }) => {
            const name = ACCESSORIES.get(kind)?.name ?? kind;
            return (
              <li key={id} className="flex items-center justify-between border-b border-line py-1">
                {name}
                <button
                  type="button"
                  className="press !px-2"
                  aria-label={`Take off ${name.toLowerCase()}`}
                  onClick={() => remove(id, name)}
                >
                  <X size={15} aria-hidden />
                </button>
              </li>
            );
          })}
        </ul>
      )}
      <h3 className="text-lg">Add</h3>
      <ul className="mt-1 grid grid-cols-2 gap-2 max-md:grid-cols-1">
        {[...ACCESSORIES.values()].map(({ id, name, summary }) => (
          <li key={id}>
            <button
              type="button"
              className="press flex h-full w-full items-start gap-2 text-left"
              disabled={build.accessories.length >= MOST || adding !== null}
              aria-busy={adding === id}
              onClick={() => void add(id)}
            >
              <Plus size={15} aria-hidden className="mt-1 shrink-0" />
              <span>
                {name}
                <span className="block text-[12.5px] text-ink-soft">{summary}</span>
              </span>
            </button>
          </li>
        ))}
      </ul>
    </Dialog>
  );
}
