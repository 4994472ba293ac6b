import type { TapeRun } from '../build/wiring';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { ofStation, type Finding } from '../findings/finding';
import type { Circuit } from '../location/circuit';
import type { ChainLink } from './chain';
import type { WiringGraph } from './conductors';
import { loadKindOf, type LoadKind } from './dimming';
import type { PowerPlan } from './plan';
import type { Region } from '../electrics/region';
import type { TapePlan } from './tapePlan';

type Figures = 'nowW' | 'nowA' | 'fullW' | 'fullA' | 'othersA' | 'limitA' | 'dropV' | 'lamps';

/** What the Wire station shows of one build besides its findings. Amperes are r.m.s. */
export interface Wire extends Pick<PowerPlan, Figures> {
  cord: { name: string; limitA: number; earthed: boolean } | null;
  plug: { name: string; ratedA: number; fuseA: number | null } | null;
  dimmer: { name: string; edge: 'leading' | 'trailing' } | null;
  circuit: Pick<Circuit, 'id' | 'name' | 'ratedA' | 'voltageV' | 'frequencyHz'>;
  wires: Region['wires'];
  /** rows of the dimming table its lamps belong to */
  loads: LoadKind[];
  tape: (TapePlan & { run: TapeRun }) | null;
  /** every wire from terminal to terminal */
  wiring: WiringGraph;
  /** from the breaker to the lamps */
  chain: ChainLink[];
}

export function wireOf(
  plan: PowerPlan,
  tape: TapePlan | null,
  resolved: ResolvedBuild,
  wiring: WiringGraph,
  chain: ChainLink[],
): Wire {
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
    loads: [...new Set(resolved.groups.map(({ unit }) => loadKindOf(unit)))],
    lamps: plan.lamps,
    tape: tape && resolved.tape && { ...tape, run: resolved.tape },
    wiring,
    chain,
  };
}

/**
 * Looked at by a person before the first power-up, whatever the findings say [common practice]. With the
 * lamps in, a continuity test tells nothing: cold filaments read as a short, LED drivers as nothing.
 */
export const LOOK_OVER = [
  'Unplugged and cold. Every terminal tight, no strand outside it.',
  'Every cord held where it enters: a hard pull moves nothing inside.',
  'Lamps out or loads off: no continuity from live to neutral, none from either to metal.',
  'Polarity right: live to the centre contact or brass, + to +, − to −.',
  'Earth measured: under 0.1 Ω plus the cord’s own from the plug’s earth to every metal part, or all of it is double-insulated.',
  'Back closed: no terminal, supply or ballast can be touched.',
  'Cord gripped in the plug; its fuse and the breaker are those of the plan.',
  'Nothing that burns near it or in its beam; it lies with its light upward on stone, tile or sheet metal.',
  'The RCD (GFCI) trips at its test button; behind it a switched strip, in reach of whoever switches on.',
  'Somebody else is in the room, an extinguisher at hand, and it is never left alone while it warms up.',
] as const;

interface Gate {
  open: boolean;
  stops: Finding[];
  /** what must be known before anything is switched on, and is not */
  missing: Finding[];
  /** what else nobody knows yet: the light may differ, nobody is hurt by it */
  unknown: Finding[];
}

/** Topics of which nothing may stay unknown: what is not chosen, what carries, protects, heats and holds. */
const MUST_BE_KNOWN: ReadonlySet<Finding['topic']> = new Set([
  'form',
  'choice',
  'power',
  'dimmer',
  'tape',
  'earth',
  'heat',
  'hanging',
  'standing',
]);

/** What Wire shows: whatever shuts the gate, wherever it is mended, and everything of its own. */
export function wireFindings(findings: readonly Finding[]): Finding[] {
  const { stops, missing } = gateOf(findings);
  return [...new Set([...stops, ...missing, ...ofStation(findings, 'wire')])];
}

/** The power-up gate: a stop, or something that matters and nobody knows, keeps it shut. */
export function gateOf(findings: readonly Finding[]): Gate {
  const stops = findings.filter(({ severity }) => severity === 'stop');
  const open = findings.filter(({ severity }) => severity === 'unknown');
  const missing = open.filter(({ topic }) => MUST_BE_KNOWN.has(topic));
  return {
    open: stops.length === 0 && missing.length === 0,
    stops,
    missing,
    unknown: open.filter((finding) => !missing.includes(finding)),
  };
}
