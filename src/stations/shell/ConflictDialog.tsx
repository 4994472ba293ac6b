'use client';
import { Dialog } from '@/ui/Dialog';
import { useProduction, useProductionStore } from '../store/context';

/** Two windows wrote at once: the user chooses, and until then nothing is sent. */
export default function ConflictDialog() {
  const store = useProductionStore();
  const mine = useProduction((state) => state.history.pending.length);
  return (
    <Dialog title="Changed in another window" open onClose={() => undefined}>
      <p>
        This production was changed elsewhere since you opened it here. You made {mine}{' '}
        {mine === 1 ? 'change' : 'changes'} on the older state.
      </p>
      <p className="mt-4 flex gap-3">
        <button
          type="button"
          className="press press-main"
          onClick={() => store.getState().takeNewer()}
        >
          Take the newer state
        </button>
        <button type="button" className="press" onClick={() => store.getState().putMineOnTop()}>
          Put my changes on top
        </button>
      </p>
    </Dialog>
  );
}
