import { createStore } from 'zustand';

/** Questions that came to nothing, told on the screen with a way to ask again. */
interface Trouble {
  id: number;
  message: string;
  /** what that comes to; that something could not be worked out, unless it is said */
  meaning: string;
  again: () => void;
}

interface Troubles {
  list: readonly Trouble[];
  tell: (message: string, again: () => void, meaning?: string) => number;
  settle: (id: number) => void;
}

let last = 0;

export const troubles = createStore<Troubles>()((set) => ({
  list: [],
  tell: (message, again, meaning = 'This could not be worked out.') => {
    const id = ++last;
    set(({ list }) => ({
      list: [...list.filter((each) => each.message !== message), { id, message, meaning, again }],
    }));
    return id;
  },
  settle: (id) => set(({ list }) => ({ list: list.filter((each) => each.id !== id) })),
}));
