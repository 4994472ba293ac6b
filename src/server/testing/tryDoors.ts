import { DOORS } from './doors';
import { mutated } from './mutations';
import { dice } from '../storage/testing/powerCut';

export interface Tried {
  inputs: number;
  /** crashes, and inputs that took too long, one line each */
  faults: string[];
  slowestMs: number;
}

/**
 * So many bad inputs, shared out over all doors; a seed repeats them.
 * @param mostMs  what takes longer is a fault; tests of every day leave time to the soak
 */
export async function tryDoors(inputs: number, seed: number, mostMs = Infinity): Promise<Tried> {
  const random = dice(seed);
  const faults: string[] = [];
  let slowestMs = 0;
  for (let n = 0; n < inputs; n++) {
    const door = DOORS[n % DOORS.length]!;
    const input = mutated(door.samples, random);
    const start = performance.now();
    try {
      await door.take(input);
    } catch (error) {
      faults.push(
        `${door.name}, input ${n} of seed ${seed}: ${(error as Error).message}; ${JSON.stringify(input.slice(0, 200))}`,
      );
    }
    const tookMs = performance.now() - start;
    slowestMs = Math.max(slowestMs, tookMs);
    if (tookMs > mostMs)
      faults.push(`${door.name}, input ${n} of seed ${seed}: ${tookMs.toFixed(0)} ms`);
  }
  return { inputs, faults, slowestMs };
}
