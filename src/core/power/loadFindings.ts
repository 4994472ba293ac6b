import type { Finding, Severity } from '../findings/finding';
import type { ResolvedBuild } from '../build/resolvedBuild';
import type { Part, PartOf } from '../materials/part';
import { threeFigures, amps } from '../quantity';
import { CORDS, thinnestCordFor } from '../electrics/cord';
import type { PowerPlan } from './plan';
import { protectionFindings } from './protection';
import { plugFuseFor } from '../electrics/region';

/** Circuit, cord, drop, plug and inrush: what the current may and may not do. */
export function loadFindings(
  plan: PowerPlan,
  resolved: ResolvedBuild,
  parts: readonly Part[],
): Finding[] {
  // A window hangs on no circuit.
  if (plan.lamps === 0 || resolved.wiring.loads.length === 0) return [];
  return [
    circuitLoad(plan),
    ...cordLimit(plan, resolved, parts),
    ...voltageDrop(plan, resolved),
    ...plugRating(plan, resolved),
    ...protectionFindings(plan, resolved, parts),
    ...inrush(plan, resolved),
    ...supplyVoltage(plan, resolved),
    ...tubeEnds(resolved),
  ];
}

function circuitLoad(plan: PowerPlan): Finding {
  const totalA = plan.fullA + plan.othersA;
  const over = totalA > plan.limitA;
  return {
    id: 'power.circuit',
    topic: 'power',
    severity: over ? 'stop' : 'ok',
    title: over ? 'Too much for the circuit' : 'The circuit carries it',
    message: over
      ? `${amps(totalA)} with every light up (${amps(plan.othersA)} of it from other loads) on “${plan.circuit.name}”: the breaker trips in the middle of a take, or its wiring heats. Move a light to another circuit, or use fewer watts.`
      : `${amps(totalA)} with every light up, ${amps(plan.othersA)} of it from other loads on “${plan.circuit.name}”. What else is plugged in there is for you to find out.`,
    limit: `${amps(plan.limitA)} of a ${plan.circuit.ratedA} A breaker`,
    source: plan.region.continuousSource,
    where: { drawing: 'plug', field: 'circuit' },
  };
}

function cordLimit(plan: PowerPlan, resolved: ResolvedBuild, parts: readonly Part[]): Finding[] {
  const { cord, fullA } = plan;
  if (!cord) return [];
  const { field } = resolved.wiring.cord;
  const where = { drawing: 'cord', field };
  const limit = `${cord.limitA} A, ${cord.name}`;
  if (fullA <= cord.limitA)
    return [
      {
        id: 'power.cord',
        topic: 'power',
        severity: 'ok',
        title: 'The cord carries it',
        message: `${amps(fullA)} at full level. Uncoil it all: wound on a drum it carries about a third.`,
        limit,
        source: cord.source,
        where,
      },
    ];
  const fitting = parts.filter(
    (part) =>
      part.role === 'cord' &&
      CORDS[part.cord].limitA >= fullA &&
      CORDS[part.cord].system === cord.system &&
      // What the old cord was needed for the new one must bring too: its earth.
      (CORDS[part.cord].earthed || !cord.earthed),
  );
  const thinnest = thinnestCordFor(fullA, cord);
  const advice = thinnest
    ? `${CORDS[thinnest].name} carries ${CORDS[thinnest].limitA} A.`
    : 'No flexible cord of this kind carries it: split the lights over two plugs.';
  return [
    {
      id: 'power.cord',
      topic: 'power',
      severity: 'stop',
      title: 'Too much current for the cord',
      message: `${amps(fullA)} at full level through a cord for ${cord.limitA} A: it overheats inside its insulation and can set fire to the board, even if you mean to dim it. ${advice} Halving the watts, or feeding two halves from two plugs, brings it to ${amps(fullA / 2)}.`,
      limit,
      source: cord.source,
      where,
      remedies: field
        ? fitting.map((part) => ({
            label: `Use “${part.name}”`,
            parameters: { [field]: part.id },
          }))
        : [],
    },
  ];
}

const DROP_LIMIT = 0.03;

function voltageDrop(plan: PowerPlan, resolved: ResolvedBuild): Finding[] {
  if (plan.dropV === null) return [];
  const share = plan.dropV / plan.circuit.voltageV;
  const over = share > DROP_LIMIT;
  return [
    {
      id: 'power.drop',
      topic: 'power',
      severity: over ? 'look' : 'ok',
      title: over ? 'The far lamps get less voltage' : 'Little voltage is lost in the cord',
      message: `${threeFigures(plan.dropV)} V (${threeFigures(share * 100)} %) is lost on the way to the last lamp at full level.${over ? ' The last lamps are dimmer and, with filaments, redder: use a thicker or shorter cord.' : ''}`,
      limit: '3 %',
      source: 'Copper after IEC 60028; 3 % is common practice',
      where: { drawing: 'cord', field: resolved.wiring.cord.field },
    },
  ];
}

/** Lights stay on for hours: where breakers are derated for that, so is what is plugged in. */
function plugSeverity(fullA: number, { ratedA, fuseA }: PartOf<'plug'>, share: number): Severity {
  if (fullA > (fuseA ?? Infinity) || fullA > ratedA || (share < 1 && fullA >= ratedA))
    return 'stop';
  return fullA > ratedA * share ? 'look' : 'ok';
}

function plugRating(plan: PowerPlan, resolved: ResolvedBuild): Finding[] {
  const { plug, fullA, region } = plan;
  if (!plug) return [];
  const share = region.continuousShare;
  const severity = plugSeverity(fullA, plug, share);
  const fuse = plugFuseFor(fullA, region);
  const advice = fuse === null ? '' : ` A ${fuse} A fuse is the smallest that carries it.`;
  const words = {
    stop: `${amps(fullA)} through “${plug.name}”: it melts or its fuse blows. Choose a stronger one.`,
    look: `${amps(fullA)} for hours through “${plug.name}”: it gets hot. Feel it after ten minutes, or choose a stronger one.`,
    ok: `${amps(fullA)} through “${plug.name}”.`,
    unknown: '',
  };
  const titles = {
    stop: 'Too much current for the plug',
    look: 'The plug gets hot',
    ok: 'The plug carries it',
    unknown: '',
  };
  return [
    {
      id: 'power.plug',
      topic: 'power',
      severity,
      title: titles[severity],
      message: words[severity] + advice,
      limit: `${Math.min(plug.ratedA, plug.fuseA ?? Infinity)} A${share < 1 ? `; ${amps(plug.ratedA * share)} for hours` : ''}`,
      source: 'Rating printed on the plug and its fuse',
      where: { drawing: 'plug', field: resolved.wiring.plug.field },
    },
  ];
}

const INRUSH_LAMPS = 10;

function inrush(plan: PowerPlan, resolved: ResolvedBuild): Finding[] {
  const drivers = resolved.groups
    .filter((group) => group.unit.hasDriver)
    .reduce((sum, group) => sum + group.count, 0);
  if (drivers <= INRUSH_LAMPS) return [];
  return [
    {
      id: 'power.inrush',
      topic: 'power',
      severity: 'look',
      title: 'Many drivers start at once',
      message: `${drivers} lamps with electronics charge at the same instant; the surge can trip a breaker or weld a small switch. Switch on at the outlet strip, in two halves if the breaker trips.`,
      limit: `about ${INRUSH_LAMPS} cheap LED lamps on one switch`,
      source: 'Common practice',
      where: { drawing: 'plug', field: resolved.wiring.plug.field },
    },
  ];
}

/** An LED tube wired at the wrong end is a short, or leaves its free pins live. */
function tubeEnds({ groups, lampsAt }: ResolvedBuild): Finding[] {
  const unread = groups.find(({ unit }) => unit.fedAt === 'unknown');
  if (!unread) return [];
  return [
    {
      id: 'power.tube-ends',
      topic: 'power',
      severity: 'unknown',
      title: 'Which ends are these tubes fed at?',
      message: `“${unread.unit.name}”: some take live and neutral at one end, some live here and neutral there. The wrong way round is a short, or live pins at the free end. It stands on the label of the tube.`,
      source: 'IEC 62776 double-capped LED lamps; from memory',
      where: { drawing: lampsAt.drawing, field: 'unit.fedAt' },
    },
  ];
}

function supplyVoltage(plan: PowerPlan, resolved: ResolvedBuild): Finding[] {
  const { voltageV } = plan.circuit;
  return resolved.groups.flatMap(({ unit: { name, supplyV, supplyToV } }, index): Finding[] => {
    if (supplyV === null) return [];
    const high = voltageV / Math.max(supplyV, supplyToV ?? 0) >= 1.1;
    if (!high && voltageV / supplyV > 0.9) return [];
    const range = supplyToV === null ? supplyV : `${supplyV} to ${supplyToV}`;
    return [
      {
        id: `power.voltage.${index}`,
        topic: 'power',
        severity: high ? 'stop' : 'look',
        title: high
          ? 'More volts than the lamp is made for'
          : 'Fewer volts than the lamp is made for',
        message: `“${name}” is for ${range} V, the circuit gives ${voltageV} V. ${high ? 'It bursts, smokes or burns out at once: choose lamps for this mains.' : 'It glows dim or not at all: choose lamps for this mains.'}`,
        limit: `${range} V ± 10 %`,
        source: 'Voltage printed on the lamp',
        where: resolved.lampsAt,
      },
    ];
  });
}
