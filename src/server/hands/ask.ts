import { existsSync } from 'node:fs';
import { join } from 'node:path';
import * as threads from 'node:worker_threads';
import { handQueue, type Hand, type Heard } from './queue';
import type { Done, Task, WorkName } from './work';

const LIMITS = { mostWaiting: 60, patienceMs: 110_000, idleMs: 30_000 };
/** Of one task; a document of the largest kind with its pack needs a third of it. */
const MOST_MB = 1024;

/** Made by scripts/buildFront.mjs; while the sources are served there is none, and the work is done here. */
const HAND = join(process.cwd(), '.next', 'hand.mjs');

function hire({ said, lost }: Heard): Hand {
  // Not as `new Worker(…)`: the bundler of pages would look for the file while it is not made yet.
  const worker: threads.Worker = Reflect.construct(threads.Worker, [
    HAND,
    { resourceLimits: { maxOldGenerationSizeMb: MOST_MB } },
  ]);
  worker.unref();
  worker.on('message', said);
  worker.on('error', lost);
  worker.on('exit', () => lost(null));
  return {
    give: (task) => worker.postMessage(task),
    dismiss: () => void worker.terminate(),
  };
}

/** Pages and routes are bundled apart; there is one hand for all of them. */
const holder = globalThis as { lanternJarHand?: ReturnType<typeof handQueue> };

/**
 * Has something done beside the thread that answers, one task after another.
 * @throws HandBusy when too many wait, or it took too long
 */
export async function ask<N extends WorkName>(name: N, task: Task<N>): Promise<Done<N>> {
  if (!existsSync(HAND)) {
    const { WORK } = await import('./work');
    return (await WORK[name](task as never)) as Done<N>;
  }
  const queue = (holder.lanternJarHand ??= handQueue(hire, LIMITS));
  return (await queue.ask({ name, task })) as Done<N>;
}
