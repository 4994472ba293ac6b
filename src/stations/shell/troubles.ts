import { createStore } from 'zustand';

/** Questions that came to nothing, told on the screen with a way to ask again. */
interface Trouble {
  id: number;
  message: string;
  again: () => void;
}

interface Troubles {
  list: readonly Trouble[];
  tell: (message: string, again: () => void) => number;
  settle: (id: number) => void;
}

let last = 0;

export const troubles = createStore<Troubles>()((set) => ({
  list: [],
  tell: (message, again) => {
    const id = ++last;
    set(({ list }) => ({
      list: [...list.filter((each) => each.message !== message), { id, message, again }],
    }));
    return id;
  },
  settle: (id) => set(({ list }) => ({ list: list.filter((each) => each.id !== id) })),
}));
