import type { ResolvedBuild } from '../build/resolvedBuild';
import type { Finding } from '../findings/finding';
import type { Circuit } from '../location/circuit';
import { SITE_RECORD } from '../location/site';
import type { Part } from '../materials/part';
import { earthFindings } from '../power/earth';
import { loadFindings } from '../power/loadFindings';
import type { PowerPlan } from '../power/plan';
import { supplyFindings } from '../power/supplyFindings';

/** What is quickly said against a design while parts are tried by the hundred; the slower engines have their say later. */
export const quickFindings = (
  resolved: ResolvedBuild,
  plan: PowerPlan,
  parts: readonly Part[],
): Finding[] => [
  ...resolved.findings,
  ...loadFindings(plan, resolved, []),
  ...earthFindings(plan, resolved, parts, SITE_RECORD.starts),
  ...(resolved.tape ? supplyFindings(resolved.tape, []) : []),
];

/** Whether a lamp is made for so many volts, a tenth either way, the range of its label in it; one that names none is. */
export const madeForMains = (
  { supplyV, supplyToV }: { supplyV: number | null; supplyToV: number | null },
  voltageV: number,
): boolean =>
  !supplyV || (voltageV >= supplyV * 0.9 && voltageV <= Math.max(supplyV, supplyToV ?? 0) * 1.1);

/** Lamps made for another mains. */
export const wrongVoltage = (
  groups: ResolvedBuild['groups'],
  { voltageV }: Pick<Circuit, 'voltageV'>,
): boolean => groups.some(({ unit }) => !madeForMains(unit, voltageV));
