/** Too much is asked for at once, or a task took too long; the message is fit to show. */
export class HandBusy extends Error {
  // Pages and routes are bundled apart: it is known by its name, not by its class.
  override name = 'HandBusy';
}

export type Message = { done: unknown } | { failed: string };

/** One that works beside the thread that answers. */
export interface Hand {
  give: (task: unknown) => void;
  dismiss: () => void;
}

/** What a hand says of itself: the answer to the task it was given, or that it is no more. */
export interface Heard {
  said: (message: Message) => void;
  lost: (why: Error | null) => void;
}

interface Waiting {
  task: unknown;
  resolve: (done: unknown) => void;
  reject: (error: Error) => void;
}

interface Limits {
  mostWaiting: number;
  /** of one task */
  patienceMs: number;
  /** a hand that has had nothing to do for so long gives its memory back */
  idleMs: number;
}

/** One task after another, by one hand: hired when there is work, dismissed when it is idle, late or dead. */
export function handQueue(
  hire: (heard: Heard) => Hand,
  { mostWaiting, patienceMs, idleMs }: Limits,
) {
  const waiting: Waiting[] = [];
  let current: Waiting | null = null;
  let hand: Hand | null = null;
  /** how long the task at hand may take, or how long the hand stays idle */
  let timer: ReturnType<typeof setTimeout> | undefined;

  function settle(act: (asked: Waiting) => void): void {
    const asked = current;
    current = null;
    if (asked) act(asked);
    next();
  }

  function hired(): Hand {
    if (hand) return hand;
    let mine: Hand | null = null;
    // Of one that was let go, or has told already why it died, nobody waits for anything.
    const ifMine = (act: () => void) => {
      if (hand === mine) act();
    };
    mine = hire({
      said: (message) =>
        ifMine(() =>
          settle(({ resolve, reject }) =>
            'failed' in message ? reject(new Error(message.failed)) : resolve(message.done),
          ),
        ),
      lost: (why) =>
        ifMine(() => {
          hand = null;
          settle(({ reject }) => reject(why ?? new HandBusy('This was given up. Try again.')));
        }),
    });
    return (hand = mine);
  }

  function dismiss(): void {
    const gone = hand;
    hand = null;
    gone?.dismiss();
  }

  function wait(ms: number, act: () => void): void {
    clearTimeout(timer);
    timer = setTimeout(act, ms);
    // A server that is stopped waits for neither.
    timer.unref();
  }

  function next(): void {
    if (current) return;
    const asked = waiting.shift();
    if (!asked) return wait(idleMs, dismiss);
    current = asked;
    wait(patienceMs, () => {
      dismiss();
      settle(({ reject }) => reject(new HandBusy('This took too long and was given up.')));
    });
    try {
      hired().give(asked.task);
    } catch (error) {
      settle(({ reject }) => reject(error as Error));
    }
  }

  return {
    /** @throws HandBusy when too many wait, or it took too long */
    ask: (task: unknown): Promise<unknown> => {
      if (waiting.length >= mostWaiting)
        throw new HandBusy(`${mostWaiting} files are being made already. Try again in a moment.`);
      return new Promise((resolve, reject) => {
        waiting.push({ task, resolve, reject });
        next();
      });
    },
  };
}
