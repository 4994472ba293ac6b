import type { Build, Production } from '../document/production';
import type { Circuit } from '../location/circuit';
import { REGIONS } from '../electrics/region';
import { Derivations } from './derive';

/** What one breaker carries with every light of the production fully up, amperes r.m.s. */
export interface CircuitLoad {
  circuit: Circuit;
  limitA: number;
  limitSource: string;
  otherA: number;
  builds: { id: string; name: string; copies: number; standing: Build['standing']; amps: number }[];
  totalA: number;
  over: boolean;
}

/** Every circuit with the builds that hang on it; ideas hang there without drawing anything. */
export function circuitLoads(document: Production, derivations = new Derivations()): CircuitLoad[] {
  return document.circuits.map((circuit): CircuitLoad => {
    const region = REGIONS[circuit.region];
    const limitA = circuit.ratedA * region.continuousShare;
    const otherA = circuit.otherLoadW / circuit.voltageV;
    const builds = document.builds
      .filter(({ circuitId }) => circuitId === circuit.id)
      .map((build) => ({
        id: build.id,
        name: build.name,
        copies: build.copies,
        standing: build.standing,
        amps: build.standing === 'in use' ? derivations.amps(document, build, circuit.voltageV) : 0,
      }));
    const totalA = builds.reduce((sum, { amps }) => sum + amps, otherA);
    return {
      circuit,
      limitA,
      limitSource: region.continuousSource,
      otherA,
      builds,
      totalA,
      over: totalA > limitA,
    };
  });
}
