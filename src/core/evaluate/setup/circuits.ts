import { REGIONS } from '../../electrics/region';
import type { Circuit } from '../../location/circuit';
import type { Cable } from '../../set/cables';
import type { LightBody } from '../../set/scene';
import type { LightThing } from '../../set/things';

/** A breaker, and the lights of a setup behind it. */
export interface SetCircuit {
  id: string;
  name: string;
  /** what it may carry for long */
  limitA: number;
  /** what else is on it, by its own record */
  otherA: number;
  /** by light, all of it and fully up */
  lights: readonly { id: string; amps: number }[];
}

/** A light of a setup, what stands there for it, and what it hangs on. */
interface Plugged {
  thing: LightThing;
  body: Pick<LightBody, 'apparentVa'>;
  cable: Pick<Cable, 'circuitId'>;
}

/** Breakers that lights of a setup hang on, however far any of them is turned up now: for the page and for the plan to print. */
export const circuitsOf = (
  circuits: readonly Circuit[],
  plugged: readonly Plugged[],
): SetCircuit[] =>
  circuits.flatMap(({ id, name, ratedA, region, voltageV, otherLoadW }): SetCircuit[] => {
    const lights = plugged
      .filter(({ cable }) => cable.circuitId === id)
      .map(({ thing, body }) => ({
        id: thing.id,
        amps: (thing.copies * body.apparentVa) / voltageV,
      }));
    return lights.length === 0
      ? []
      : [
          {
            id,
            name,
            limitA: ratedA * REGIONS[region].continuousShare,
            otherA: otherLoadW / voltageV,
            lights,
          },
        ];
  });
