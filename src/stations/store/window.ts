import { nanoid } from 'nanoid';

/**
 * Which window of this browser this is. The name outlives a reload (session storage) and is held by a
 * lock as long as the page lives, so that other windows know who is there, and a window that was
 * duplicated, session storage and all, takes a name of its own.
 */
const KEY = 'lantern-jar-window';
const lockName = (window: string) => `lantern-jar-window ${window}`;
/** A page that is being left gives its lock up within this time; a living twin never does. */
const PATIENCE_MS = 1500;

let named: Promise<string> | null = null;

export const windowName = (): Promise<string> => (named ??= claim());

async function claim(): Promise<string> {
  const known = remembered();
  const name = known && (await hold(known)) ? known : nanoid(8);
  if (name !== known) await hold(name);
  try {
    sessionStorage.setItem(KEY, name);
  } catch {
    // Then a reload is a new window, and finds the journal of this one as that of a closed window.
  }
  return name;
}

function remembered(): string | null {
  try {
    return sessionStorage.getItem(KEY);
  } catch {
    return null;
  }
}

const locks = (): LockManager | null =>
  typeof navigator !== 'undefined' && 'locks' in navigator ? navigator.locks : null;

/** Holds a name until the page goes; false when another page has it. */
function hold(name: string): Promise<boolean> {
  const manager = locks();
  if (!manager) return Promise.resolve(true);
  return new Promise((answer) => {
    manager
      .request(lockName(name), { signal: AbortSignal.timeout(PATIENCE_MS) }, () => {
        answer(true);
        return leaving();
      })
      .catch(() => answer(false));
  });
}

/**
 * Comes true when the page is left: its name is free for the page that comes in its place at once,
 * and not when the browser has got round to taking it apart. One brought back whole begins anew.
 */
const leaving = (): Promise<void> =>
  new Promise((left) => {
    addEventListener('pagehide', () => left(), { once: true });
    addEventListener('pageshow', ({ persisted }) => persisted && location.reload());
  });

/** Names of the windows that are open now; null where this cannot be known. */
export async function openWindows(): Promise<ReadonlySet<string> | null> {
  const held = (await locks()?.query())?.held;
  if (!held) return null;
  const prefix = lockName('');
  return new Set(
    held.flatMap(({ name }) => (name?.startsWith(prefix) ? [name.slice(prefix.length)] : [])),
  );
}
