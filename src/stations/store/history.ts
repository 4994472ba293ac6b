import type { Edit } from '@/core/document/edit';

/** The same change, taken back: patches and inverse change places. */
export const reversed = (edit: Edit): Edit => ({
  label: `undo ${edit.label}`,
  patches: edit.inverse,
  inverse: edit.patches,
});

export interface History {
  past: Edit[];
  future: Edit[];
  /** edits made here and not yet acknowledged by the store */
  pending: Edit[];
}

export const emptyHistory: History = { past: [], future: [], pending: [] };

export const recorded = ({ past, pending }: History, edit: Edit): History => ({
  past: [...past, edit],
  future: [],
  pending: [...pending, edit],
});

export function undone({
  past,
  future,
  pending,
}: History): { history: History; edit: Edit } | null {
  const last = past.at(-1);
  if (!last) return null;
  const edit = reversed(last);
  return {
    edit,
    history: { past: past.slice(0, -1), future: [...future, last], pending: [...pending, edit] },
  };
}

export function redone({
  past,
  future,
  pending,
}: History): { history: History; edit: Edit } | null {
  const next = future.at(-1);
  if (!next) return null;
  return {
    edit: next,
    history: { past: [...past, next], future: future.slice(0, -1), pending: [...pending, next] },
  };
}
