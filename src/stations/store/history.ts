import type { Edit } from '@/core/document/edit';

/** The same change, taken back: patches and inverse change places. */
export const reversed = (edit: Edit): Edit => ({
  label: `undo ${edit.label}`,
  patches: edit.inverse,
  inverse: edit.patches,
});

/** An edit on its way to the store; its id lets a repeated sending be told from a new change. */
export interface PendingEdit extends Edit {
  id: string;
}

export interface History {
  past: Edit[];
  future: Edit[];
  /** edits made here and not yet acknowledged by the store */
  pending: PendingEdit[];
}

export const emptyHistory: History = { past: [], future: [], pending: [] };

/** Every move hands its edit on as pending, under the id it is given. */
export const recorded = ({ past, pending }: History, edit: Edit, id: string): History => ({
  past: [...past, edit],
  future: [],
  pending: [...pending, { ...edit, id }],
});

export interface Move {
  history: History;
  edit: Edit;
}

export function undone({ past, future, pending }: History, id: string): Move | null {
  const last = past.at(-1);
  if (!last) return null;
  const edit = reversed(last);
  const after = [...pending, { ...edit, id }];
  return { edit, history: { past: past.slice(0, -1), future: [...future, last], pending: after } };
}

export function redone({ past, future, pending }: History, id: string): Move | null {
  const next = future.at(-1);
  if (!next) return null;
  const after = [...pending, { ...next, id }];
  return {
    edit: next,
    history: { past: [...past, next], future: future.slice(0, -1), pending: after },
  };
}
