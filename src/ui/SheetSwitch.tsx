'use client';

interface SheetSwitchProps<Id extends string> {
  label: string;
  sheets: readonly (readonly [id: Id, name: string])[];
  open: Id;
  onOpen: (id: Id) => void;
}

/** Which sheet lies on top: plain buttons in a row, the open one underlined in brass. */
export function SheetSwitch<Id extends string>({
  label,
  sheets,
  open,
  onOpen,
}: SheetSwitchProps<Id>) {
  return (
    <div role="group" aria-label={label} className="no-print flex flex-wrap">
      {sheets.map(([id, name]) => (
        <button
          key={id}
          type="button"
          aria-pressed={id === open}
          onClick={() => onOpen(id)}
          className={`border-b-[3px] px-3 py-1 ${id === open ? 'border-brass' : 'border-transparent text-ink-soft hover:bg-brass-wash'}`}
        >
          {name}
        </button>
      ))}
    </div>
  );
}
