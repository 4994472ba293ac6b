import type { ResolvedBuild } from '../build/resolvedBuild';
import type { Thing } from '../build/things';
import { CORDS } from '../electrics/cord';
import { ohmPerM } from '../electrics/copper';
import type { Finding } from '../findings/finding';
import type { Circuit } from '../location/circuit';
import type { Site } from '../location/site';
import { amps, threeFigures } from '../quantity';
import { enclosureC } from './caseHeat';
import type { PowerPlan } from './plan';
import { flexBehindBreaker } from './protection';

/** Share of its limit that a lead bears while it lies wound on its drum [common practice; docs/model/power.md]. */
export const WOUND_SHARE = 1 / 3;
/** What even the lightest lead, wound up, carries; an unknown one matters only above it. */
const ANY_LEAD_A = 1.5;
const DROP_LIMIT = 0.03;
const HOT_C = 60;

/** Somebody wires its mains side: a cord is chosen for it, it is no lamp as it was bought. */
const homeMade = ({ wiring }: ResolvedBuild): boolean => wiring.cord.partId !== null;

const isHot = (resolved: ResolvedBuild): boolean =>
  resolved.groups.some(({ unit }) => unit.filament) ||
  (resolved.enclosure !== null && enclosureC(resolved, resolved.enclosure).outerC >= HOT_C);

/** What nobody draws: the way to the outlet, what trips, where it stands, who comes near. */
export function siteFindings(plan: PowerPlan, resolved: ResolvedBuild, site: Site): Finding[] {
  const { circuit } = plan;
  // A window has neither cord nor heat.
  if (plan.lamps === 0 || resolved.wiring.loads.length === 0) return [];
  return [
    ...rcd(resolved, circuit),
    ...weather(resolved, circuit),
    ...lead(plan, circuit, site),
    ...company(resolved, site),
  ];
}

function rcd(resolved: ResolvedBuild, { rcd: has, name, place }: Circuit): Finding[] {
  const own = homeMade(resolved);
  const matters = own || (place !== 'dry' && place !== 'unknown');
  const common = {
    id: 'power.rcd',
    topic: 'power' as const,
    limit: '30 mA, its test button pressed before each use',
    source: 'IEC 60364-4-41 and NEC 210.8; from memory',
    where: { drawing: 'plug', field: 'circuit.rcd' },
  };
  if (has === 'none')
    return [
      {
        ...common,
        severity: matters ? 'stop' : 'look',
        title: 'Nothing trips when somebody is touched',
        message: `“${name}” has no RCD (GFCI): a breaker lets through a thousand times what kills. Plug a portable one into the outlet, and press its test button before each use.`,
        remedies: [
          { label: 'A portable RCD at the outlet', parameters: { 'circuit.rcd': 'plug' } },
        ],
      },
    ];
  if (has === 'unknown')
    return [
      {
        ...common,
        severity: matters ? 'unknown' : 'look',
        title: 'Is there an RCD (GFCI)?',
        message: `Look for a test button at the breaker of “${name}” or on the outlet, and press it. Without one, use a portable one.`,
      },
    ];
  return [
    {
      ...common,
      severity: 'ok',
      title: 'An RCD trips before it kills',
      message:
        'Press its test button before each use: the light must go out. It is no licence to touch anything.',
    },
  ];
}

function weather(resolved: ResolvedBuild, { place, name }: Circuit): Finding[] {
  if (place === 'dry') return [];
  const common = {
    id: 'power.weather',
    topic: 'power' as const,
    source: 'IEC 60529 (IP code) and IEC 60364-7; from memory',
    where: { field: 'circuit.place' },
  };
  if (place === 'unknown')
    return [
      {
        ...common,
        severity: 'unknown',
        title: 'Indoors and dry?',
        message: `Where do the sockets of “${name}” and the light stand? What is made at home has no place in the damp.`,
      },
    ];
  const needed = place === 'wet' ? ['IP65'] : ['IP44', 'IP65'];
  const bought = resolved.groups.every(({ unit }) => needed.includes(unit.body?.weather ?? 'dry'));
  if (!homeMade(resolved) && bought) return [];
  return [
    {
      ...common,
      severity: 'stop',
      title: place === 'wet' ? 'Not in the wet' : 'Not in the damp',
      message: `Water makes a path through open holders, terminals and cord ends; wet hands and ground do the rest. Only lights and couplings marked ${needed[0]} or better, behind an RCD; what is made at home stays dry: light through a window, or run it from a battery.`,
      limit: needed.join(' or '),
    },
  ];
}

function lead(plan: PowerPlan, circuit: Circuit, site: Site): Finding[] {
  const { fullA } = plan;
  if (site.lead === 'none') return [];
  const common = {
    id: 'power.lead',
    topic: 'power' as const,
    source:
      'BS 7671 Table 4F3A and NEC Table 400.5(A)(1), a third while wound on a drum; from memory',
    where: { field: 'site.lead' },
  };
  if (site.lead === 'unknown')
    return fullA <= ANY_LEAD_A
      ? []
      : [
          {
            ...common,
            severity: 'unknown',
            title: 'How does it reach the outlet?',
            message: `${amps(fullA)} at full level: its own cord, an extension lead, a drum? A drum partly wound carries a third and melts from within.`,
          },
        ];
  const wound = site.lead === 'drum';
  if (site.leadCord === 'unknown')
    return fullA <= ANY_LEAD_A
      ? []
      : [
          {
            ...common,
            severity: 'unknown',
            title: 'What does the lead carry?',
            message: `${amps(fullA)} at full level go through it. Read its copper on the sheath (“3 G 1.5”, “14/3”) and enter it.`,
            where: { field: 'site.leadCord' },
          },
        ];
  const flex = CORDS[site.leadCord];
  const limitA = flex.limitA * (wound ? WOUND_SHARE : 1);
  if (fullA > limitA)
    return [
      {
        ...common,
        severity: 'stop',
        title: wound ? 'A wound drum melts' : 'Too much current for the lead',
        message: `${amps(fullA)} through ${flex.name}${wound ? ' that lies wound on its drum, where a third is all it carries: it heats from within and burns' : ': it overheats under carpets and in doors first'}. ${wound && fullA <= flex.limitA ? 'Wind it all off.' : 'Use a thicker lead, or two circuits.'}`,
        limit: `${threeFigures(limitA)} A`,
        remedies:
          wound && fullA <= flex.limitA
            ? [{ label: 'Wind it all off', parameters: { 'site.lead': 'drum-out' } }]
            : [],
      },
    ];
  return [
    {
      ...common,
      severity: 'ok',
      title: 'The lead carries it',
      message: `${amps(fullA)} through ${flex.name}. Never one lead into another, nor strip into strip; keep it off walkways or tape it down.`,
      limit: `${threeFigures(limitA)} A`,
    },
    ...flexBehindBreaker('power.lead-protection', flex, plan, circuit, { field: 'site.leadCord' }),
    ...leadDrop(plan, site, flex.areaMm2),
  ];
}

/** Voltage lost in lead and light together. */
function leadDrop(
  { fullA, dropV, circuit }: PowerPlan,
  { leadLengthM }: Site,
  areaMm2: number,
): Finding[] {
  if (leadLengthM === null) return [];
  const lost = (dropV ?? 0) + 2 * ohmPerM(areaMm2) * leadLengthM * fullA;
  const share = lost / circuit.voltageV;
  if (share <= DROP_LIMIT) return [];
  return [
    {
      id: 'power.lead-drop',
      topic: 'power',
      severity: 'look',
      title: 'The lead costs volts',
      message: `${threeFigures(lost)} V (${threeFigures(100 * share)} %) are lost on ${threeFigures(leadLengthM)} m of lead and in the light: filaments redden, supplies draw more. A shorter or thicker lead.`,
      limit: '3 %',
      source: 'Copper after IEC 60028; 3 % is common practice',
      where: { field: 'site.leadLengthM' },
    },
  ];
}

/** Who comes near it, and whether somebody stays. */
function company(resolved: ResolvedBuild, { reach, attended }: Site): Finding[] {
  const hot = isHot(resolved);
  const own = homeMade(resolved);
  const source = 'Common practice';
  const found: Finding[] = [];
  if (reach === 'anybody')
    found.push({
      id: 'heat.reach',
      topic: 'heat',
      severity: hot ? 'stop' : own ? 'look' : 'ok',
      title: hot ? 'Hot, and anybody can touch it' : 'Anybody can touch it',
      message: hot
        ? 'Children and strangers do not know that it burns: lamps of 150 °C and more. Put it out of reach, above 2.5 m and tied off, or rope the place off and say so.'
        : 'Children pull at cords and poke at holders. Cover every terminal, tie the cord off, and keep somebody beside it.',
      source,
      where: { field: 'site.reach' },
    });
  if (reach === 'unknown' && hot)
    found.push({
      id: 'heat.reach',
      topic: 'heat',
      severity: 'unknown',
      title: 'Who can touch it?',
      message: 'It burns fingers: the crew knows, passers-by and children do not.',
      source,
      where: { field: 'site.reach' },
    });
  if (attended === 'alone')
    found.push({
      id: 'heat.unattended',
      topic: 'heat',
      severity: hot || own ? 'stop' : 'look',
      title: 'Left alone while it is on',
      message:
        'A fire begins with a smell that nobody is there to notice. Switch it off and pull its plug whenever the room is left, over lunch too; an extinguisher (CO₂ or powder) stands near.',
      source,
      where: { field: 'site.attended' },
      remedies: [{ label: 'Somebody stays with it', parameters: { 'site.attended': 'always' } }],
    });
  if (attended === 'unknown' && (hot || own))
    found.push({
      id: 'heat.unattended',
      topic: 'heat',
      severity: 'unknown',
      title: 'Does somebody stay with it?',
      message: 'What is made at home, and whatever is hot, is never left alone while it is on.',
      source,
      where: { field: 'site.attended' },
    });
  return found;
}

/** What is hung over the front besides the build’s own layers. */
export function overThings({ over, overM }: Site): Thing[] {
  if (over === 'nothing' || over === 'unknown') return [];
  return [
    {
      id: 'over',
      name: over === 'cloth' ? 'cloth hung over it' : 'film hung over it',
      burns: over === 'cloth' ? 'cloth' : 'no',
      limitC: null,
      place: { kind: 'ahead', distanceM: overM },
      ref: 'seat-0',
      field: 'site.overM',
      ...(overM < TOUCHING_M ? { covers: true as const } : {}),
    },
  ];
}

/** Nearer than this it lies on the lamp and keeps its heat in. */
const TOUCHING_M = 0.05;

/** Whether something hangs over a hot lamp, where nobody has said. */
export function overFindings(resolved: ResolvedBuild, { over }: Site): Finding[] {
  if (over !== 'unknown' || !resolved.groups.some(({ unit }) => unit.filament)) return [];
  return [
    {
      id: 'heat.over',
      topic: 'heat',
      severity: 'unknown',
      title: 'Does anything hang over it?',
      message:
        'Cloth or paper clipped over a hot lamp catches fire in minutes. Say what hangs there, if anything.',
      source: 'Common practice',
      where: { field: 'site.over' },
    },
  ];
}
