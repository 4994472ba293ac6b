import { wrap, type Remote } from 'comlink';
import type { Engine } from './engine.worker';

export interface EngineHandle {
  engine: Remote<Engine>;
  /** stops whatever is under way */
  end: () => void;
}

/** A worker with the core in it; ended and made anew rather than interrupted. */
export function startEngine(): EngineHandle {
  const worker = new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' });
  return { engine: wrap<Engine>(worker), end: () => worker.terminate() };
}
