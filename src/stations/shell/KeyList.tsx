'use client';
import { Dialog } from '@/ui/Dialog';
import type { Action } from './useActions';

const FIELD_KEYS = [
  ['Enter', 'in a field: take what is typed'],
  ['Esc', 'in a field: put the old value back'],
  ['↑ ↓', 'in a field: a step more or less; with Shift ten steps'],
  ['← →', 'on a drawing’s handle: a step; with Shift ten steps'],
  ['Space', 'at the bench: done; ← → the step before and the next'],
] as const;

export default function KeyList({
  actions,
  onClose,
}: {
  actions: readonly Action[];
  onClose: () => void;
}) {
  const keyed = actions.filter(({ keyName }) => keyName);
  return (
    <Dialog title="Keys" open onClose={onClose}>
      <table className="rows w-full">
        <tbody>
          {keyed.map((action) => (
            <tr key={action.id}>
              <td className="figure w-36">{action.keyName}</td>
              <td>{action.label}</td>
            </tr>
          ))}
          {FIELD_KEYS.map(([key, what]) => (
            <tr key={key}>
              <td className="figure">{key}</td>
              <td>{what}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Dialog>
  );
}
