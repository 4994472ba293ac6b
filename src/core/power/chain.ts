import type { ResolvedBuild } from '../build/resolvedBuild';
import { CORDS } from '../electrics/cord';
import type { Finding, Severity } from '../findings/finding';
import type { Site } from '../location/site';
import { SITE_RECORD } from '../location/site';
import { optionLabel } from '../record/field';
import type { PowerPlan } from './plan';
import { CIRCUIT_RECORD } from '../location/circuit';
import { WOUND_SHARE } from './siteFindings';

/** One thing the current passes, and that must bear it or stop it. */
export interface ChainLink {
  id:
    | 'breaker'
    | 'rcd'
    | 'socket'
    | 'lead'
    | 'plug'
    | 'cord'
    | 'dimmer'
    | 'gear'
    | 'holder'
    | 'lamps';
  name: string;
  /** what stands there, in words */
  what: string;
  /** what it bears and what goes through it, in the same unit; null where nothing is rated or known */
  load: { value: number; limit: number; unit: 'A' | 'W' } | null;
  /** the worst that was found about it */
  severity: Severity;
}

const fieldOf = (record: typeof CIRCUIT_RECORD | typeof SITE_RECORD, name: string) =>
  record.fields.find(({ field }) => field === name)!;
const said = (record: typeof CIRCUIT_RECORD | typeof SITE_RECORD, name: string, value: unknown) =>
  optionLabel(fieldOf(record, name), value);

/** What is not known weighs more here than what is only to be looked at. */
const WORST_FIRST: readonly Severity[] = ['stop', 'unknown', 'look', 'ok'];

type Found = Pick<Finding, 'severity' | 'where'>;

/** The worst found about some fields or shapes; fine where nothing was found. */
function worst(
  findings: readonly Found[],
  fields: readonly (string | undefined)[],
  drawings: readonly string[],
): Severity {
  const about = findings.filter(({ where }) =>
    where.field ? fields.includes(where.field) : where.drawing && drawings.includes(where.drawing),
  );
  return (
    WORST_FIRST.find((severity) => about.some((finding) => finding.severity === severity)) ?? 'ok'
  );
}

/**
 * The chain of protection from the breaker to the lamps, in the order current takes: each link with its
 * rating, what goes through it at full level, and the worst that was found about it.
 */
export function chainOf(
  plan: PowerPlan,
  resolved: ResolvedBuild,
  site: Site,
  findings: readonly Finding[],
): ChainLink[] {
  const { circuit, fullA, fullW } = plan;
  const { wiring, tape } = resolved;
  const through = (limit: number | null): ChainLink['load'] =>
    limit === null ? null : { value: fullA, limit, unit: 'A' };
  const lead = site.leadCord === 'unknown' ? null : CORDS[site.leadCord];
  return [
    {
      id: 'breaker',
      name: 'Breaker',
      what: circuit.name,
      load: { value: fullA + plan.othersA, limit: plan.limitA, unit: 'A' },
      severity: worst(findings, ['circuit', 'circuit.ratedA', 'circuit.otherLoadW'], []),
    },
    {
      id: 'rcd',
      name: plan.region.trips,
      what: said(CIRCUIT_RECORD, 'rcd', circuit.rcd),
      load: null,
      severity: worst(findings, ['circuit.rcd'], []),
    },
    {
      id: 'socket',
      name: 'Socket',
      what: `earth ${said(CIRCUIT_RECORD, 'earthPin', circuit.earthPin)}; ${said(CIRCUIT_RECORD, 'place', circuit.place)}`,
      load: null,
      severity: worst(findings, ['circuit.earthPin', 'circuit.place'], []),
    },
    {
      id: 'lead',
      name: 'Lead',
      what: said(SITE_RECORD, 'lead', site.lead),
      load:
        site.lead === 'none' || site.lead === 'unknown' || !lead
          ? null
          : through(lead.limitA * (site.lead === 'drum' ? WOUND_SHARE : 1)),
      severity: worst(findings, ['site.lead', 'site.leadCord', 'site.leadLengthM'], []),
    },
    {
      id: 'plug',
      name: 'Plug',
      what: plan.plug
        ? `${plan.plug.name}${plan.plug.fuseA === null ? '' : `, fuse ${plan.plug.fuseA} A`}`
        : notChosen(wiring.plug.field),
      load: through(plan.plug && Math.min(plan.plug.ratedA, plan.plug.fuseA ?? Infinity)),
      severity: worst(findings, [wiring.plug.field], ['plug']),
    },
    {
      id: 'cord',
      name: 'Cord',
      what: plan.cord?.name ?? notChosen(wiring.cord.field),
      load: through(plan.cord?.limitA ?? null),
      severity: worst(findings, [wiring.cord.field], ['cord']),
    },
    ...(plan.dimmer || wiring.dimmer.partId
      ? [
          {
            id: 'dimmer' as const,
            name: 'Dimmer',
            what: plan.dimmer?.name ?? 'not on the shelf',
            load: plan.dimmer && {
              value: fullW,
              limit: plan.dimmer.maximumW,
              unit: 'W' as const,
            },
            severity: worst(findings, [wiring.dimmer.field], ['dimmer']),
          },
        ]
      : []),
    ...gear(plan, resolved, findings),
    ...holder(wiring, findings),
    {
      id: 'lamps',
      name: tape ? 'Tape' : plan.lamps === 1 ? 'Lamp' : 'Lamps',
      what: lampWords(resolved),
      load: null,
      severity: worst(
        findings,
        [resolved.lampsAt.field, tape?.feedField, tape?.leadField, tape?.connectorField],
        ['tape', 'seat-0', resolved.lampsAt.drawing],
      ),
    },
  ];
}

/** What was bought whole has neither to choose. */
const notChosen = (field: string | undefined): string =>
  field === undefined ? 'as it comes' : 'none chosen';

function gear(
  { fullW }: PowerPlan,
  { tape, wiring }: ResolvedBuild,
  findings: readonly Finding[],
): ChainLink[] {
  if (tape) {
    const { supply, supplies } = tape;
    return [
      {
        id: 'gear',
        name: supplies > 1 ? `${supplies} supplies` : 'Supply',
        what: supply ? `${supply.name}, ${supply.voltageV} V` : 'none chosen',
        load: supply && { value: fullW, limit: supply.ratedW * supplies, unit: 'W' },
        severity: worst(findings, [tape.supplyField, tape.outputsField], ['supply']),
      },
    ];
  }
  if (!wiring.ballast) return [];
  return [
    {
      id: 'gear',
      name: 'Ballast',
      what: wiring.ballast.name,
      load: null,
      severity: worst(findings, ['ballastPartId'], ['ballast']),
    },
  ];
}

function holder(
  { holder: held }: ResolvedBuild['wiring'],
  findings: readonly Finding[],
): ChainLink[] {
  if (!held) return [];
  return [
    {
      id: 'holder',
      name: 'Holder',
      what: held.name,
      load: { value: held.mostW, limit: held.ratedW, unit: 'W' },
      severity: held.mostW > held.ratedW ? 'stop' : worst(findings, [held.field], []),
    },
  ];
}

function lampWords({ groups, tape }: ResolvedBuild): string {
  const [first] = groups;
  if (!first) return 'none chosen';
  if (tape || groups.length === 1)
    return groups.length === 1 && first.count > 1
      ? `${first.count} × ${first.unit.name}`
      : first.unit.name;
  return groups.map(({ count, unit }) => `${count} × ${unit.name}`).join(', ');
}
