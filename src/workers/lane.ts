import { releaseProxy, wrap, type Remote } from 'comlink';
import type { HandApi } from './hand.worker';

export type Api = Remote<HandApi>;
export type Ask<T> = (api: Api) => Promise<T>;

/** What waits longest for nobody: a picture under the hand, photons, a table that may come later. */
const PRIORITIES = ['now', 'soon', 'later'] as const;
type Priority = (typeof PRIORITIES)[number];

export interface AskOptions {
  priority?: Priority;
  /** a question nobody waits for any more is not begun; one that runs is not listened to */
  signal?: AbortSignal;
  /** longest it may take before its worker counts as dead */
  patienceMs?: number;
}

/** Longest a single piece of work may take on a slow machine; pieces are cut to a tenth of that. */
const PATIENCE_MS = 60_000;

interface Job {
  ask: Ask<unknown>;
  priority: Priority;
  signal?: AbortSignal;
  patienceMs: number;
  resolve: (value: unknown) => void;
  reject: (reason: Error) => void;
}

export class WorkerLost extends Error {}
export class Cancelled extends Error {}

/** A worker as the pool needs it; tests hand in one that runs in the same thread. */
export interface LiveWorker {
  worker: Pick<Worker, 'terminate' | 'addEventListener'>;
  remote: Api;
}
export type MakeWorker = () => LiveWorker;

export const makeWorker: MakeWorker = () => {
  const worker = new Worker(new URL('./hand.worker.ts', import.meta.url), { type: 'module' });
  return { worker, remote: wrap<HandApi>(worker) };
};

/**
 * One worker with a line before it. It is made when first asked, stays warm, and is made anew when it has
 * died; what it was doing then fails with words, what waits goes on.
 */
export class Lane {
  private live: LiveWorker | null = null;
  private readonly line: Job[] = [];
  private running: { job: Job; fail: (reason: Error) => void } | null = null;

  constructor(private readonly make: MakeWorker) {}

  /** how many questions stand in it, the running one too */
  get load(): number {
    return this.line.length + (this.running ? 1 : 0);
  }

  /** busy with something nobody waits for any more */
  get idling(): boolean {
    return this.running?.job.signal?.aborted === true && this.line.length === 0;
  }

  call<T>(ask: Ask<T>, { priority = 'soon', signal, patienceMs = PATIENCE_MS }: AskOptions = {}) {
    return new Promise<T>((resolve, reject) => {
      if (signal?.aborted) return reject(new Cancelled('Nobody waits for it.'));
      const job: Job = {
        ask,
        priority,
        signal,
        patienceMs,
        resolve: resolve as (value: unknown) => void,
        reject,
      };
      signal?.addEventListener('abort', () => this.withdraw(job), { once: true });
      const rank = PRIORITIES.indexOf(priority);
      const at = this.line.findIndex((each) => PRIORITIES.indexOf(each.priority) > rank);
      this.line.splice(at < 0 ? this.line.length : at, 0, job);
      void this.work();
    });
  }

  /** Ends the worker, whatever it is doing. What waits gets a new one. */
  end(reason: Error = new WorkerLost('The helper was stopped.')): void {
    this.live?.worker.terminate();
    this.live = null;
    this.running?.fail(reason);
  }

  private withdraw(job: Job): void {
    const at = this.line.indexOf(job);
    if (at >= 0) this.line.splice(at, 1);
    job.reject(new Cancelled('Nobody waits for it.'));
  }

  private async work(): Promise<void> {
    if (this.running) return;
    const job = this.line.shift();
    if (!job) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const failed = new Promise<never>((_, reject) => {
      this.running = { job, fail: reject };
    });
    timer = setTimeout(
      () => this.end(new WorkerLost('A helper of this page stopped answering.')),
      job.patienceMs,
    );
    try {
      job.resolve(await Promise.race([job.ask(this.started().remote), failed]));
    } catch (error) {
      job.reject(error instanceof Error ? error : new Error(String(error)));
    } finally {
      clearTimeout(timer);
      timer = undefined;
      this.running = null;
      void this.work();
    }
  }

  private started(): LiveWorker {
    if (this.live) return this.live;
    const live = this.make();
    this.live = live;
    const lost = (event: Event) => {
      if (this.live !== live) return;
      const { message } = event as ErrorEvent;
      this.end(new WorkerLost(`A helper of this page failed${message ? `: ${message}` : ''}.`));
    };
    live.worker.addEventListener('error', lost);
    live.worker.addEventListener('messageerror', lost);
    return live;
  }

  /** Lets a worker go that is not needed any more. */
  release(): void {
    this.live?.remote[releaseProxy]();
    this.end();
  }
}
