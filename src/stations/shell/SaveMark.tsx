'use client';
import { lazyPanel } from '@/ui/lazyPanel';
import { useProduction } from '../store/context';

const ConflictDialog = lazyPanel(() => import('./ConflictDialog'));

/** Where your work is: kept, on its way, or why not. Nothing asks to be saved. */
export function SaveMark() {
  const save = useProduction((state) => state.save);
  const words = {
    saved: 'Kept',
    waiting: 'Keeping…',
    unanswered: 'Not kept yet',
    refused: 'Not taken',
    conflict: 'Changed elsewhere',
  }[save.kind];
  const bad = save.kind !== 'saved' && save.kind !== 'waiting';
  return (
    <>
      <span
        role="status"
        data-save={save.kind}
        className={`text-[13px] whitespace-nowrap ${bad ? 'font-semibold text-stop' : 'text-ink-soft'}`}
      >
        {words}
      </span>
      {save.kind === 'unanswered' && (
        <p
          role="alert"
          className="no-print fixed inset-x-0 bottom-0 z-30 bg-stop-wash px-6 py-2 text-sm"
        >
          {save.message} Your changes are kept in this browser and are sent again every two seconds.
        </p>
      )}
      {save.kind === 'refused' && (
        <p
          role="alert"
          className="no-print fixed inset-x-0 bottom-0 z-30 bg-stop-wash px-6 py-2 text-sm"
        >
          {save.message} It was taken back here too.
        </p>
      )}
      {save.kind === 'conflict' && <ConflictDialog />}
    </>
  );
}
