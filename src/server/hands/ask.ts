import { existsSync } from 'node:fs';
import { join } from 'node:path';
import type { Worker } from 'node:worker_threads';
import type { Done, Task, WorkName } from './work';

/** More than this waiting, and who asks is told to come again. */
const MOST_WAITING = 60;
const PATIENCE_MS = 110_000;
/** A hand that has had nothing to do for so long gives its memory back. */
const IDLE_MS = 30_000;
/** Of one task; a document of the largest kind with its pack needs a third of it. */
const MOST_MB = 1024;

/** Too much is asked for at once, or a task took too long; the message is fit to show. */
export class HandBusy extends Error {}

interface Waiting {
  name: WorkName;
  task: unknown;
  resolve: (done: unknown) => void;
  reject: (error: Error) => void;
}

/** Made by scripts/buildFront.mjs; while the sources are served there is none, and the work is done here. */
const HAND = join(process.cwd(), '.next', 'hand.mjs');

interface Queue {
  waiting: Waiting[];
  current: { asked: Waiting; timer: NodeJS.Timeout } | null;
  worker: Worker | null;
  idle: NodeJS.Timeout | null;
}
/** Pages and routes are bundled apart; there is one hand for all of them. */
const holder = globalThis as { lanternJarHand?: Queue };
const queue = (holder.lanternJarHand ??= { waiting: [], current: null, worker: null, idle: null });

type Message = { done: unknown } | { failed: string };

function settle(act: (asked: Waiting) => void): void {
  const { current } = queue;
  if (!current) return;
  clearTimeout(current.timer);
  queue.current = null;
  act(current.asked);
  void next();
}

async function hired(): Promise<Worker> {
  if (queue.worker) return queue.worker;
  const threads = await import('node:worker_threads');
  // Not as `new Worker(…)`: the bundler of pages would look for the file while it is not made yet.
  const worker: Worker = Reflect.construct(threads.Worker, [
    HAND,
    { resourceLimits: { maxOldGenerationSizeMb: MOST_MB } },
  ]);
  queue.worker = worker;
  worker.unref();
  worker.on('message', (message: Message) =>
    settle(({ resolve, reject }) =>
      'failed' in message ? reject(new Error(message.failed)) : resolve(message.done),
    ),
  );
  const lost = (error?: Error) => {
    // Of one that was let go, or has told already why it died, nobody waits for anything.
    if (queue.worker !== worker) return;
    queue.worker = null;
    settle(({ reject }) => reject(error ?? new HandBusy('This was given up. Try again.')));
  };
  worker.on('error', lost);
  worker.on('exit', () => lost());
  return worker;
}

function rest(): void {
  queue.idle = setTimeout(() => {
    void queue.worker?.terminate();
    queue.worker = null;
  }, IDLE_MS);
  queue.idle.unref();
}

async function next(): Promise<void> {
  if (queue.current) return;
  const asked = queue.waiting.shift();
  if (!asked) return rest();
  if (queue.idle) clearTimeout(queue.idle);
  const timer = setTimeout(() => {
    const { worker } = queue;
    queue.worker = null;
    void worker?.terminate();
    settle(({ reject }) => reject(new HandBusy('This took too long and was given up.')));
  }, PATIENCE_MS);
  queue.current = { asked, timer };
  try {
    (await hired()).postMessage({ name: asked.name, task: asked.task });
  } catch (error) {
    settle(({ reject }) => reject(error as Error));
  }
}

/**
 * Has something done beside the thread that answers, one task after another.
 * @throws HandBusy when too many wait, or it took too long
 */
export async function ask<N extends WorkName>(name: N, task: Task<N>): Promise<Done<N>> {
  if (!existsSync(HAND)) {
    const { WORK } = await import('./work');
    return (await WORK[name](task as never)) as Done<N>;
  }
  if (queue.waiting.length >= MOST_WAITING)
    throw new HandBusy(`${MOST_WAITING} files are being made already. Try again in a moment.`);
  return new Promise<Done<N>>((resolve, reject) => {
    queue.waiting.push({ name, task, resolve: (done) => resolve(done as Done<N>), reject });
    void next();
  });
}
