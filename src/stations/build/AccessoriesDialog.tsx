'use client';
import { Plus, X } from 'lucide-react';
import { nanoid } from 'nanoid';
import { ACCESSORIES } from '@/core/accessories';
import { accessorySchema } from '@/core/accessories/carried';
import { addRecord, removeRecord } from '@/core/document/edit';
import type { Build } from '@/core/document/production';
import { Dialog } from '@/ui/Dialog';
import { useSession } from '../shell/Workbench';
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
  const { pointed } = useSession();
  const add = (kind: string) => {
    const accessory = ACCESSORIES.get(kind)!;
    const added = accessorySchema.parse({ id: nanoid(8), kind, parameters: accessory.defaults() });
    const label = `${accessory.name.toLowerCase()} for ${build.name}`;
    edits.make(label, addRecord({ kind: 'accessory', of: build.id }, added));
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
              disabled={build.accessories.length >= MOST}
              onClick={() => add(id)}
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
