'use client';
import { Tabs } from 'radix-ui';

interface SheetsProps<Id extends string> {
  /** what lies there, for those who hear it */
  label: string;
  sheets: readonly (readonly [id: Id, name: string])[];
  open: Id;
  onOpen: (id: Id) => void;
  /** beside the tabs */
  beside?: React.ReactNode;
  /** how the sheet that lies on top is laid out */
  className?: string;
  children: React.ReactNode;
}

/**
 * Sheets of which one lies on top: tabs in a row, walked with the arrow keys, the open one underlined in
 * brass, and the sheet itself below.
 */
export function Sheets<Id extends string>({
  label,
  sheets,
  open,
  onOpen,
  beside,
  className = 'relative min-h-0 flex-1 overflow-y-auto p-4',
  children,
  ...rest
}: SheetsProps<Id> & { [data: `data-${string}`]: string | undefined }) {
  return (
    <Tabs.Root
      className="contents"
      value={open}
      onValueChange={(id) => onOpen(id as Id)}
      activationMode="automatic"
    >
      <div className="no-print flex flex-wrap items-center gap-x-2 border-b border-line px-4 py-1">
        <Tabs.List aria-label={label} className="flex flex-wrap">
          {sheets.map(([id, name]) => (
            <Tabs.Trigger
              key={id}
              value={id}
              className="border-b-[3px] border-transparent px-2 py-1 text-ink-soft hover:bg-brass-wash data-[state=active]:border-brass data-[state=active]:text-ink"
            >
              {name}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        {beside}
      </div>
      <Tabs.Content value={open} className={className} {...rest}>
        {children}
      </Tabs.Content>
    </Tabs.Root>
  );
}
