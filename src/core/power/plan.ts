import type { Circuit } from '../location/circuit';
import type { ResolvedBuild } from '../build/resolvedBuild';
import type { Part, PartOf } from '../materials/part';
import { CORDS, type Cord } from '../electrics/cord';
import { ohmPerM } from '../electrics/copper';
import { REGIONS, type Region } from '../electrics/region';
import { buildWatts, wattsAtLevel } from './watts';

/** Everything Wire knows about one build, before it is judged. Amperes are r.m.s. */
export interface PowerPlan {
  circuit: Circuit;
  region: Region;
  nowW: number;
  nowA: number;
  /** with every dimmer fully up, which is what cords and breakers must carry */
  fullW: number;
  fullA: number;
  /** other builds and other loads on the same circuit, fully up */
  othersA: number;
  limitA: number;
  cord: Cord | null;
  /** voltage lost between plug and last lamp, fully up, V */
  dropV: number | null;
  plug: PartOf<'plug'> | null;
  dimmer: PartOf<'dimmer'> | null;
  lamps: number;
}

/** Current of a build at full level: Σ P/(V·pf) [docs/model/power.md]. */
export function fullCurrentA(resolved: ResolvedBuild, voltageV: number): number {
  return resolved.groups.reduce(
    (sum, { count, unit }) =>
      sum + (count * unit.wattsW.value) / (voltageV * unit.powerFactor.value),
    0,
  );
}

/** Voltage lost along the chain: 2·r·Σ Lk·Ik, each length carrying every lamp after it. */
export function chainDropV(resolved: ResolvedBuild, cord: Cord, voltageV: number): number {
  let beyondA = 0;
  let metreAmperes = 0;
  for (const { apparentVa, cordM } of resolved.wiring.loads.toReversed()) {
    beyondA += apparentVa / voltageV;
    metreAmperes += cordM * beyondA;
  }
  return 2 * ohmPerM(cord.areaMm2) * metreAmperes;
}

export function planPower(
  resolved: ResolvedBuild,
  circuit: Circuit,
  othersA: number,
  partById: (id: ResolvedBuild['wiring']['cord']['partId']) => Part | null,
  copies = 1,
): PowerPlan {
  const { wiring, groups } = resolved;
  const region = REGIONS[circuit.region];
  const { nowW, fullW } = buildWatts(groups);
  const part = partById(wiring.cord.partId);
  const cord = part?.role === 'cord' ? CORDS[part.cord] : null;
  const plug = partById(wiring.plug.partId);
  const dimmer = partById(wiring.dimmer.partId);
  const fullA = fullCurrentA(resolved, circuit.voltageV);
  return {
    circuit,
    region,
    nowW,
    nowA: groups.reduce(
      (sum, group) =>
        sum +
        (group.count * wattsAtLevel(group)) / (circuit.voltageV * group.unit.powerFactor.value),
      0,
    ),
    fullW,
    fullA,
    // Further copies of this build hang on the same circuit.
    othersA: othersA + (copies - 1) * fullA,
    limitA: circuit.ratedA * region.continuousShare,
    cord,
    dropV: cord && chainDropV(resolved, cord, circuit.voltageV),
    plug: plug?.role === 'plug' ? plug : null,
    dimmer: dimmer?.role === 'dimmer' ? dimmer : null,
    lamps: groups.reduce((sum, group) => sum + group.count, 0),
  };
}
