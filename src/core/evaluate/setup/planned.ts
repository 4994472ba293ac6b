import type { Production } from '../../document/production';
import { bringList, type Brought, type PlannedLight } from '../../set/bring';
import { cableOf } from '../../set/cables';
import type { Setup } from '../../set/setup';
import type { LightThing } from '../../set/things';
import { Derivations } from '../derive';
import { circuitsOf } from './circuits';
import { bodyOf } from './sources';

/** A breaker, and what hangs behind it in this setup, all of it fully up. */
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
  const draws = lights.flatMap(({ body, ...light }) =>
    body && body.apparentVa > 0 ? [{ ...light, body }] : [],
  );
  const numberOf = new Map(lights.map(({ thing, number }) => [thing.id, number]));
  return {
    lights,
    circuits: circuitsOf(document.circuits, draws).map(
      ({ name, limitA, otherA, lights: own }): PlannedCircuit => ({
        name,
        limitA,
        amps: own.reduce((sum, { amps }) => sum + amps, otherA),
        lights: own.map(({ id }) => numberOf.get(id)!),
      }),
    ),
    loose: draws.flatMap(({ number, cable }) => (cable.circuitId === null ? [number] : [])),
    bring: bringList(setup, lights, nameIn(document)),
  };
}
