import type { Finding } from '../findings/finding';
import type { LampGroup, ResolvedBuild } from '../build/resolvedBuild';
import type { PartOf } from '../materials/part';
import { DIMMER_NAMES, LOAD_NAMES, loadKindOf, matchOf } from './dimming';
import type { PowerPlan } from './plan';

/** LED load a leading-edge dimmer takes, as a share of its filament rating [common practice]. */
const LED_SHARE = 0.1;

const SOURCE = 'Dimmer and load types, common practice; ratings printed on the dimmer';

/** Dimmer type against load type, and its least and greatest load [docs/model/power.md]. */
export function dimmerFindings(plan: PowerPlan, resolved: ResolvedBuild): Finding[] {
  const where = { drawing: 'dimmer', field: resolved.wiring.dimmer.field };
  if (!plan.dimmer) return withoutDimmer(resolved);
  const dimmer = plan.dimmer;
  const found = [
    ...resolved.groups.map((group, index) => kindFinding(dimmer, group, index)),
    ...sizeFindings(dimmer, resolved.groups),
  ].filter((finding) => finding !== null);
  return found.map((finding) => ({ ...finding, source: SOURCE, where }));
}

type Judgement = Omit<Finding, 'source' | 'where'>;

function withoutDimmer(resolved: ResolvedBuild): Finding[] {
  const dimmed = resolved.groups.filter((group) => group.level > 0 && group.level < 1);
  if (dimmed.length === 0) return [];
  return [
    {
      id: 'dimmer.none',
      topic: 'dimmer',
      severity: 'look',
      title: 'Dimmed, but no dimmer',
      message: `${dimmed.map((group) => group.name).join(' and ')} is set below full level and nothing is there to do it. Choose a dimmer, switch some bulbs off, or move the light back.`,
      source: 'This design',
      where: { drawing: 'plug', field: resolved.wiring.dimmer.field },
    },
  ];
}

function kindFinding(
  dimmer: PartOf<'dimmer'>,
  { unit }: LampGroup,
  index: number,
): Judgement | null {
  const load = loadKindOf(unit);
  const [match, why] = matchOf(load, dimmer.edge);
  const common = { id: `dimmer.kind.${index}`, topic: 'dimmer' as const };
  if (load === 'unknown-led')
    return {
      ...common,
      severity: 'unknown',
      title: 'Dimmable or not?',
      message: `The label of “${unit.name}” does not say. Look for the word on the box; without it, do not put it on a dimmer.`,
    };
  if (match === 'no')
    return {
      ...common,
      severity: 'stop',
      title: 'These lamps must not be dimmed by this dimmer',
      message: `“${unit.name}”, ${LOAD_NAMES[load]}, on a ${DIMMER_NAMES[dimmer.edge]} dimmer: ${why}. Leave the dimmer out and switch some off instead, or choose ${load === 'tape' ? 'a dimmer that stands behind the supply' : 'lamps marked dimmable'}.`,
    };
  if (match === 'yes') return null;
  return {
    ...common,
    severity: 'look',
    title: 'LED on a leading-edge dimmer',
    message: `It may strobe near the top of the travel and drop out low. Film a test at the shot's shutter, or use a trailing-edge dimmer.`,
  };
}

function sizeFindings(
  dimmer: PartOf<'dimmer'>,
  groups: readonly LampGroup[],
): (Judgement | null)[] {
  const watts = groups.reduce((sum, { count, unit }) => sum + count * unit.wattsW.value, 0);
  const filament = groups.every(({ unit }) => unit.filament);
  const mostW = filament ? dimmer.maximumW : dimmer.maximumW * LED_SHARE;
  // Past what it takes of filament lamps it burns, whatever hangs on it.
  const burns = watts > dimmer.maximumW;
  if (watts > mostW)
    return [
      {
        id: 'dimmer.size',
        topic: 'dimmer',
        severity: burns ? 'stop' : 'look',
        title: 'Too much for the dimmer',
        message: `${Math.round(watts)} W at full level on a dimmer good for ${Math.round(mostW)} W of ${filament ? 'filament lamps' : 'LED lamps'}: ${burns ? 'it burns out, and can catch fire' : 'it may buzz, strobe or fail'}. Choose a bigger dimmer or split the bulbs over two.`,
        limit: `${Math.round(mostW)} W${filament ? '' : ', a tenth of its filament rating'}`,
      },
    ];
  if (watts >= dimmer.minimumW || watts === 0) return [];
  return [
    {
      id: 'dimmer.size',
      topic: 'dimmer',
      severity: 'look',
      title: 'Too little for the dimmer',
      message: `${Math.round(watts)} W is below the ${dimmer.minimumW} W the dimmer needs to run steadily: it flickers. Add a filament bulb as ballast load, or use another dimmer.`,
      limit: `${dimmer.minimumW} W`,
    },
  ];
}
