'use client';
import { Command } from 'cmdk';
import { Dialog } from '@/ui/Dialog';
import { useProduction } from '../store/context';
import type { Action } from './useActions';
import { useWorkplace } from './useWorkplace';

/** Type a few letters of what you want; Enter does it. */
export default function CommandBox({
  actions,
  onClose,
}: {
  actions: readonly Action[];
  onClose: () => void;
}) {
  const builds = useProduction((state) => state.document.builds);
  const { station, goTo } = useWorkplace();
  const shown = actions.filter(({ id }) => id !== 'commands');
  const row =
    'flex cursor-pointer justify-between gap-4 rounded px-3 py-1.5 data-[selected=true]:bg-brass-wash';
  return (
    <Dialog title="What do you want to do?" open onClose={onClose}>
      <Command label="Commands">
        <Command.Input autoFocus placeholder="Type a few letters" className="field mb-2" />
        <Command.List className="max-h-[46vh] overflow-y-auto">
          <Command.Empty className="px-3 py-2 text-ink-soft">Nothing by that name.</Command.Empty>
          {builds.map((build) => (
            <Command.Item
              key={build.id}
              value={`Open ${build.name} ${build.id}`}
              className={row}
              onSelect={() => {
                onClose();
                goTo(station, { build: build.id });
              }}
            >
              Open “{build.name}”
            </Command.Item>
          ))}
          {shown.map((action) => (
            <Command.Item
              key={action.id}
              value={action.label}
              className={row}
              onSelect={() => {
                onClose();
                action.run();
              }}
            >
              {action.label}
              {action.keyName && (
                <kbd className="figure text-[13px] text-ink-soft">{action.keyName}</kbd>
              )}
            </Command.Item>
          ))}
        </Command.List>
      </Command>
    </Dialog>
  );
}
