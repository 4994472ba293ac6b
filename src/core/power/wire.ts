import type { TapeRun } from '../build/wiring';
import type { ResolvedBuild } from '../build/resolvedBuild';
import type { Finding } from '../findings/finding';
import type { Circuit } from '../location/circuit';
import { loadKindOf, type LoadKind } from './dimming';
import type { PowerPlan } from './plan';
import type { Region } from '../electrics/region';
import type { TapePlan } from './tapePlan';

/** What the Wire station shows of one build besides its findings. Amperes are r.m.s. */
export interface Wire {
  nowW: number;
  nowA: number;
  fullW: number;
  fullA: number;
  othersA: number;
  limitA: number;
  dropV: number | null;
  cord: { name: string; limitA: number; earthed: boolean } | null;
  plug: { name: string; ratedA: number; fuseA: number | null } | null;
  dimmer: { name: string; edge: 'leading' | 'trailing' } | null;
  circuit: Pick<Circuit, 'id' | 'name' | 'ratedA' | 'voltageV' | 'frequencyHz'>;
  wires: Region['wires'];
  /** the same, short enough for a drawing */
  marks: Region['marks'];
  /** rows of the dimming table its lamps belong to */
  loads: LoadKind[];
  lamps: number;
  tape: (TapePlan & { run: TapeRun }) | null;
}

export function wireOf(plan: PowerPlan, tape: TapePlan | null, resolved: ResolvedBuild): Wire {
  const { circuit, cord, plug, dimmer } = plan;
  return {
    nowW: plan.nowW,
    nowA: plan.nowA,
    fullW: plan.fullW,
    fullA: plan.fullA,
    othersA: plan.othersA,
    limitA: plan.limitA,
    dropV: plan.dropV,
    cord: cord && { name: cord.name, limitA: cord.limitA, earthed: cord.earthed },
    plug: plug && { name: plug.name, ratedA: plug.ratedA, fuseA: plug.fuseA },
    dimmer: dimmer && { name: dimmer.name, edge: dimmer.edge },
    circuit: {
      id: circuit.id,
      name: circuit.name,
      ratedA: circuit.ratedA,
      voltageV: circuit.voltageV,
      frequencyHz: circuit.frequencyHz,
    },
    wires: plan.region.wires,
    marks: plan.region.marks,
    loads: [...new Set(resolved.groups.map(({ unit }) => loadKindOf(unit)))],
    lamps: plan.lamps,
    tape: tape && resolved.tape && { ...tape, run: resolved.tape },
  };
}

/** Looked at by a person before the first power-up, whatever the findings say [common practice]. */
export const LOOK_OVER = [
  'Unplugged. Every terminal tight, no strand outside it.',
  'Every cable held where it enters: a tug moves nothing inside.',
  'Polarity right: live to the centre or brass, + to +, − to −.',
  'Metal parts earthed, or everything double-insulated.',
  'Back closed: no terminal can be touched.',
  'The plug’s fuse and the breaker are those of the plan.',
  'Nothing that burns within reach; the light stands on something that does not.',
  'An outlet with an RCD (GFCI), within reach, hands off when it is switched on.',
] as const;

interface Gate {
  open: boolean;
  stops: Finding[];
  /** what nobody knows yet and should look up or measure */
  unknown: Finding[];
}

/** The power-up gate: one stop keeps it shut until the design changes. */
export function gateOf(findings: readonly Finding[]): Gate {
  const stops = findings.filter(({ severity }) => severity === 'stop');
  return {
    open: stops.length === 0,
    stops,
    unknown: findings.filter(({ severity }) => severity === 'unknown'),
  };
}
