import type { Production } from '../../document/production';
import { bringList, type Brought, type PlannedLight } from '../../set/bring';
import { cableOf } from '../../set/cables';
import type { Setup } from '../../set/setup';
import type { LightThing } from '../../set/things';
import { REGIONS } from '../../electrics/region';
import { Derivations } from '../derive';
import { bodyOf } from './sources';

/** A breaker, and what hangs behind it in this setup, fully up. */
interface PlannedCircuit {
  name: string;
  /** what it may carry for long */
  limitA: number;
  amps: number;
  /** numbers of the lights on it */
  lights: readonly number[];
}

/** A setup as it is put up: its lights numbered, how each is fed, and what has to be there. */
export interface SetPlan {
  lights: readonly PlannedLight[];
  circuits: readonly PlannedCircuit[];
  /** numbers of lights that draw and hang on nothing anybody knows */
  loose: readonly number[];
  bring: readonly Brought[];
}

const nameIn = (document: Production) => (light: LightThing) =>
  [...document.builds, ...document.fixtures, ...document.shelf.units].find(
    ({ id }) => id === light.buildId || id === light.fixtureId || id === light.unitId,
  )?.name ?? `${light.name} (what it was is deleted)`;

export function plannedSet(
  document: Production,
  setup: Setup,
  derive = new Derivations(),
): SetPlan {
  const lights = setup.things
    .filter((thing): thing is LightThing => thing.kind === 'light')
    .map((thing, k): PlannedLight => {
      const body = bodyOf(document, thing, derive);
      return { number: k + 1, thing, body, cable: cableOf(setup, thing, body) };
    });
  const draws = lights.filter(({ body }) => (body?.wattsW ?? 0) > 0);
  return {
    lights,
    circuits: document.circuits.flatMap((circuit): PlannedCircuit[] => {
      const own = draws.filter(({ cable }) => cable.circuitId === circuit.id);
      const va = own.reduce(
        (sum, { body, thing }) => sum + thing.copies * body!.apparentVa,
        circuit.otherLoadW,
      );
      return own.length
        ? [
            {
              name: circuit.name,
              limitA: circuit.ratedA * REGIONS[circuit.region].continuousShare,
              amps: va / circuit.voltageV,
              lights: own.map(({ number }) => number),
            },
          ]
        : [];
    }),
    loose: draws.flatMap(({ number, cable }) => (cable.circuitId === null ? [number] : [])),
    bring: bringList(setup, lights, nameIn(document)),
  };
}
