import type { Build, Production } from '../document/production';
import type { Circuit } from '../document/circuit';
import { REGIONS } from '../power/region';
import { findBuild, loadA, type LoadCache } from './context';

/** What one breaker carries with every light of the production fully up, amperes r.m.s. */
export interface CircuitLoad {
  circuit: Circuit;
  limitA: number;
  limitSource: string;
  otherA: number;
  builds: { id: string; name: string; copies: number; amps: number }[];
  totalA: number;
  over: boolean;
}

/** Every circuit with the builds that hang on it. @param loads keeps what has not changed */
export function circuitLoads(document: Production, loads?: LoadCache): CircuitLoad[] {
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
        amps: loadA(document, build, circuit.voltageV, loads),
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

/** Plugs a build into another circuit. */
export function moveToCircuitInPlace(
  document: Production,
  buildId: Build['id'],
  circuitId: Circuit['id'],
): void {
  const build = findBuild(document, buildId);
  if (build && document.circuits.some(({ id }) => id === circuitId)) build.circuitId = circuitId;
}
