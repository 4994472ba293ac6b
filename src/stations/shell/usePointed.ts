import { createStore, useStore } from 'zustand';

/** What a finding points at on the drawing, and which tray group is open: session state only. */
interface Pointed {
  ref: string | null;
  trayGroup: string | null;
  point: (ref: string | null) => void;
  openGroup: (group: string) => void;
}

export const createPointed = () =>
  createStore<Pointed>()((set) => ({
    ref: null,
    trayGroup: null,
    point: (ref) => set({ ref }),
    openGroup: (trayGroup) => set({ trayGroup }),
  }));

export type PointedStore = ReturnType<typeof createPointed>;
export const usePointedIn = <T>(store: PointedStore, select: (state: Pointed) => T): T =>
  useStore(store, select);
