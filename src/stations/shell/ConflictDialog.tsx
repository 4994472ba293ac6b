'use client';
import { useState } from 'react';
import type { Choice } from '@/core/document/edit';
import { Dialog } from '@/ui/Dialog';
import { useProduction, useProductionStore } from '../store/context';
import { ClashList } from './ClashList';

/** Two windows wrote at once: the user chooses, and until then nothing is sent. */
export default function ConflictDialog() {
  const store = useProductionStore();
  const save = useProduction((state) => state.save);
  const mine = useProduction((state) => state.history.pending.length);
  const [choices, setChoices] = useState<Record<string, Choice>>({});
  if (save.kind !== 'conflict') return null;
  const { clashes, newer, from } = save;
  const open = clashes.filter(({ key }) => !choices[key]).length;
  const changes = `${mine} ${mine === 1 ? 'change' : 'changes'}`;
  return (
    <Dialog title="Changed in another window" open waits>
      <p>
        This production was changed elsewhere since you opened it here. You made {changes} on the
        older state{from === 'before' ? ', before you left the page' : ''}.{' '}
        {clashes.length === 0
          ? 'They touch nothing that was changed there: both fit beside each other.'
          : `${clashes.length === 1 ? 'One place was' : `${clashes.length} places were`} changed in both; say which it shall be. Everything else fits beside each other.`}
      </p>
      <ClashList
        document={newer.document}
        clashes={clashes}
        choices={choices}
        onChoose={(key, choice) => setChoices((before) => ({ ...before, [key]: choice }))}
      />
      <p className="mt-4 flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="press press-main"
          disabled={open > 0}
          onClick={() => store.getState().putMineOnTop(choices)}
        >
          Put my changes on top
        </button>
        <button type="button" className="press" onClick={() => store.getState().takeNewer()}>
          Take the newer state
        </button>
        {open > 0 && (
          <span role="status" className="text-sm text-ink-soft">
            {open} left to choose
          </span>
        )}
      </p>
    </Dialog>
  );
}
