'use client';
import { Dialog } from '@/ui/Dialog';

interface DeleteShotProps {
  name: string;
  builds: number;
  onClose: () => void;
  onDelete: (builds: 'stay' | 'go') => void;
}

/** Asked once: a shot goes, but hours of work hang on its lights. */
export default function DeleteShot({ name, builds, onClose, onDelete }: DeleteShotProps) {
  const lights = builds === 1 ? 'One light was' : `${builds} lights were`;
  return (
    <Dialog title={`Delete “${name}”`} open onClose={onClose}>
      <p>
        {lights} made for this shot. They can stay without a shot, to be given another, or go with
        it. Undo brings back either.
      </p>
      <p className="mt-4 flex flex-wrap gap-3">
        <button type="button" className="press press-main" onClick={() => onDelete('stay')}>
          Delete the shot, keep {builds === 1 ? 'its light' : 'its lights'}
        </button>
        <button type="button" className="press" onClick={() => onDelete('go')}>
          Delete {builds === 1 ? 'both' : 'all of it'}
        </button>
        <button type="button" className="press" onClick={onClose}>
          Leave it
        </button>
      </p>
    </Dialog>
  );
}
