import { Lane, makeWorker, type Ask, type AskOptions, type MakeWorker } from './lane';

export { Cancelled, WorkerLost, type Api, type Ask, type AskOptions } from './lane';

/** One worker of the pool, as those see it who share a piece of work out to all of them. */
export interface Hand {
  call: <T>(ask: Ask<T>, options?: AskOptions) => Promise<T>;
}

const MOST_HANDS = 4;
/** Questions are whole; two at a time leave the light its processors. */
const QUESTION_LANES = 2;

/**
 * The page's workers. Photons and pictures are shared out to all hands, as many as there are
 * processors; questions go to lanes of their own, so that a long table never holds a picture up.
 */
export class Pool {
  private readonly questions: Lane[];
  readonly hands: readonly Hand[];

  constructor(make: MakeWorker, processors: number) {
    const count = Math.max(1, Math.min(MOST_HANDS, processors));
    this.hands = Array.from({ length: count }, () => new Lane(make));
    this.questions = Array.from({ length: QUESTION_LANES }, () => new Lane(make));
  }

  /** Asks one thing. @throws WorkerLost, Cancelled, or what the answering code threw */
  ask<T>(ask: Ask<T>, options: AskOptions = {}): Promise<T> {
    const lanes = this.questions.toSorted((a, b) => a.load - b.load);
    const [free] = lanes;
    // One that works on what nobody waits for is ended rather than waited for.
    if (free!.load > 0) lanes.find(({ idling }) => idling)?.end();
    const [next] = this.questions.toSorted((a, b) => a.load - b.load);
    return next!.call(ask, { priority: 'later', ...options });
  }
}

let pool: Pool | null = null;

/** The pool of this page; null where workers are not allowed. */
function pagePool(): Pool | null {
  if (typeof Worker === 'undefined') return null;
  return (pool ??= new Pool(makeWorker, navigator.hardwareConcurrency || 2));
}

export const lightHands = (): readonly Hand[] => pagePool()?.hands ?? [];

/** Asks one thing of the page's pool. */
export function ask<T>(question: Ask<T>, options?: AskOptions): Promise<T> {
  const found = pagePool();
  return found
    ? found.ask(question, options)
    : Promise.reject(new Error('This browser allows no workers, so this cannot be worked out.'));
}
