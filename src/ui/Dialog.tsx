'use client';
import { Dialog as Radix } from 'radix-ui';
import { X } from 'lucide-react';
import { usePanelTurn } from './panelTurns';

interface DialogProps {
  title: string;
  open: boolean;
  /** left out where the panel must be answered: then nothing but its own buttons lifts it off */
  onClose?: () => void;
  /** where it stands: in the middle, over most of the sheet, or along its right edge */
  place?: 'middle' | 'side' | 'wide';
  /** comes by itself, not by a press: waits until no other panel is open */
  waits?: boolean;
  children: React.ReactNode;
}

const PLACES = {
  middle: 'left-1/2 top-[12vh] w-[min(640px,94vw)] -translate-x-1/2 max-h-[76vh]',
  wide: 'left-1/2 top-[6vh] w-[min(1080px,96vw)] -translate-x-1/2 max-h-[88vh]',
  side: 'right-0 top-0 h-full w-[min(460px,96vw)]',
};

/** A panel of paper laid over the bench; Escape or a press beside it lifts it off. */
export function Dialog(props: DialogProps) {
  const { title, open, onClose, place = 'middle', waits = false, children } = props;
  const seen = usePanelTurn(open, waits);
  return (
    <Radix.Root open={seen} onOpenChange={(next) => !next && onClose?.()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-black/45" />
        <Radix.Content
          aria-describedby={undefined}
          onEscapeKeyDown={(event) => {
            const typing = (event.target as HTMLElement | null)?.closest('[data-typed]');
            if (typing) event.preventDefault();
          }}
          className={`fixed z-50 flex flex-col border border-line-strong bg-sheet shadow-xl ${PLACES[place]}`}
        >
          <div className="flex items-start justify-between gap-4 border-b border-line px-5 py-3">
            <Radix.Title className="text-xl">{title}</Radix.Title>
            {onClose && (
              <Radix.Close className="press" aria-label="Close">
                <X size={16} aria-hidden />
              </Radix.Close>
            )}
          </div>
          <div className="overflow-y-auto px-5 py-4" tabIndex={0} role="group" aria-label={title}>
            {children}
          </div>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
