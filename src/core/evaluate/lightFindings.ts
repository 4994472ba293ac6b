import type { Shot } from '../location/shot';
import { JUDGED } from '../location/use';
import type { Finding } from '../findings/finding';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { stopsInWords, threeFigures } from '../quantity';
import type { LightResult } from './light';

/** Too dim, too hard, dotted or uneven: what the shooter will see. */
export function lightFindings(light: LightResult, resolved: ResolvedBuild, shot: Shot): Finding[] {
  if (light.totalLx <= 0) return outside(light, resolved);
  return [
    ...outside(light, resolved),
    ...shortOfLight(light, resolved),
    ...hard(light, resolved, shot),
    ...dotted(light, resolved, shot),
    ...uneven(light, resolved, shot),
  ];
}

/** More than this of the light not followed to an end means that lamps stand outside their box. */
const LOST = 0.01;

function outside({ transported }: LightResult, resolved: ResolvedBuild): Finding[] {
  if (!transported || transported.unaccounted <= LOST) return [];
  return [
    {
      id: 'light.outside',
      topic: 'light',
      severity: 'look',
      title: 'Lamps outside their box',
      message: `${Math.round(transported.unaccounted * 100)} % of the light starts outside the walls or finds no way on, and is not counted. Move the lamps in, or make the box deeper.`,
      limit: `${LOST * 100} % not followed to an end`,
      source: 'Balance of the simulation: sent = out + taken + not followed',
      where: resolved.lampsAt,
    },
  ];
}

function shortOfLight(light: LightResult, resolved: ResolvedBuild): Finding[] {
  if (light.marginStops >= -0.25) return [];
  return [
    {
      id: 'light.short',
      topic: 'light',
      severity: 'look',
      title: 'Too little light for this shot',
      message: `${threeFigures(light.totalLx)} lx where ${threeFigures(light.targetLx)} lx are wanted: ${stopsInWords(light.marginStops)}. Add or change bulbs, move nearer, open the lens or raise the ISO.`,
      limit: `${threeFigures(light.targetLx)} lx`,
      source: 'ISO 2720 incident-light equation; from memory',
      where: resolved.lampsAt,
    },
  ];
}

function hard(light: LightResult, resolved: ResolvedBuild, shot: Shot): Finding[] {
  if (light.angleDeg >= shot.softnessDeg) return [];
  const wanted = 2 * Math.tan((shot.softnessDeg * Math.PI) / 360) * shot.distanceM;
  return [
    {
      id: 'light.hard',
      topic: 'softness',
      severity: 'look',
      title: 'Harder than the shot asks for',
      message: `It fills ${light.angleDeg.toFixed(0)}° where ${shot.softnessDeg.toFixed(0)}° are wanted. Only size and distance soften: about ${threeFigures(wanted)} m across at this distance, or move it nearer.`,
      limit: `${shot.softnessDeg.toFixed(0)}°`,
      source: 'Geometry',
      where: { field: 'shot.softnessDeg', drawing: resolved.lampsAt.drawing },
    },
  ];
}

function dotted(light: LightResult, resolved: ResolvedBuild, shot: Shot): Finding[] {
  if (!light.shadows.separate) return [];
  const apart = `${threeFigures(light.shadows.stepM * 1000)} mm apart`;
  const seen = JUDGED[shot.use].person
    ? `a nose throws edges ${apart}, and the eyes show a ring of dots`
    : `whatever stands 25 mm before ${JUDGED[shot.use].subject} throws edges ${apart}`;
  return [
    {
      id: 'light.separate-shadows',
      topic: 'softness',
      severity: 'look',
      title: 'Several thin shadows',
      message: `The gaps are ${threeFigures(light.shadows.gapInGlobes)} globes wide: ${seen}. More bulbs, or a layer in front, joins them.`,
      limit: 'a gap of one globe',
      source: 'Common practice',
      where: resolved.lampsAt,
    },
  ];
}

function uneven(light: LightResult, resolved: ResolvedBuild, shot: Shot): Finding[] {
  const { plusMinusStops } = light.evenness;
  if (plusMinusStops <= shot.evennessStops) return [];
  return [
    {
      id: 'light.uneven',
      topic: 'evenness',
      severity: 'look',
      title: `Uneven over ${JUDGED[shot.use].subject}`,
      message: `± ${threeFigures(plusMinusStops)} stops over the coverage where ± ${shot.evennessStops} is allowed. Move the light back, or light from two sides.`,
      limit: `± ${shot.evennessStops} stops`,
      source: JUDGED[shot.use].evenSource,
      where: { field: 'shot.coverageWidthM', drawing: resolved.lampsAt.drawing },
    },
  ];
}
