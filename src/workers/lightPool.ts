import { wrap, type Remote } from 'comlink';
import type { LightWorker } from './light.worker';

/** One hand of the pool; a call that does not come back in time means the worker has died. */
export interface Hand {
  call: <T>(ask: (worker: Remote<LightWorker>) => Promise<T>) => Promise<T>;
}

const MOST_HANDS = 4;
/** Longest a single piece of work may take on a slow machine; pieces are cut to a tenth of that. */
const PATIENCE_MS = 20_000;

/** Worker that is made when first asked and made anew when it has died. */
class WorkerHand implements Hand {
  private live: { worker: Worker; remote: Remote<LightWorker> } | null = null;

  async call<T>(ask: (worker: Remote<LightWorker>) => Promise<T>): Promise<T> {
    const { worker, remote } = this.started();
    let timer: ReturnType<typeof setTimeout> | undefined;
    const gone = new Promise<never>((_, reject) => {
      const lost = () => reject(new Error('A helper of the light engine stopped answering.'));
      worker.addEventListener('error', lost, { once: true });
      timer = setTimeout(lost, PATIENCE_MS);
    });
    try {
      return await Promise.race([ask(remote), gone]);
    } catch (error) {
      worker.terminate();
      this.live = null;
      throw error;
    } finally {
      clearTimeout(timer);
    }
  }

  private started() {
    if (this.live) return this.live;
    const worker = new Worker(new URL('./light.worker.ts', import.meta.url), { type: 'module' });
    this.live = { worker, remote: wrap<LightWorker>(worker) };
    return this.live;
  }
}

let pool: Hand[] | null = null;

/** The page's hands, as many as its processor has cores; empty where workers are not allowed. */
export function lightHands(): Hand[] {
  if (pool) return pool;
  if (typeof Worker === 'undefined') return (pool = []);
  const count = Math.max(1, Math.min(MOST_HANDS, navigator.hardwareConcurrency || 2));
  pool = Array.from({ length: count }, () => new WorkerHand());
  return pool;
}
