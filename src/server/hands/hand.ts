import { parentPort } from 'node:worker_threads';
import { WORK, type WorkName } from './work';

interface Asked {
  name: WorkName;
  task: unknown;
}

/** The other end of `ask.ts`: one task after another, each answered or failed with words. */
parentPort!.on('message', async ({ name, task }: Asked) => {
  try {
    const done = await WORK[name](task as never);
    parentPort!.postMessage({ done });
  } catch (error) {
    parentPort!.postMessage({ failed: (error as Error).message });
  }
});
