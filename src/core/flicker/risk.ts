import type { Circuit } from '../location/circuit';
import type { Finding } from '../findings/finding';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { mainsFlickerHz } from './shutter';

/** Most modulation, %, at a frequency that carries little risk to people [std: IEEE 1789-2015; from memory]. */
export function lowRiskPercent(frequencyHz: number): number {
  if (frequencyHz < 90) return 0.025 * frequencyHz;
  return frequencyHz <= 1250 ? 0.08 * frequencyHz : 100;
}

/** Most modulation, %, at a frequency without any known effect [std: IEEE 1789-2015; from memory]. */
export function noEffectPercent(frequencyHz: number): number {
  if (frequencyHz < 90) return 0.01 * frequencyHz;
  return frequencyHz <= 3000 ? 0.0333 * frequencyHz : 100;
}

/** Lamps without a steady driver, and how deep they ripple [typ: from memory]. */
const MAINS_MODULATION = 40;

/** Light that ripples at twice the mains troubles some people long before a camera sees it. */
export function flickerRiskFindings(resolved: ResolvedBuild, circuit: Circuit): Finding[] {
  const rippling = resolved.groups.filter(
    ({ unit }) => unit.flicker === 'mains' && !unit.filament && unit.emission !== 'daylight',
  );
  if (rippling.length === 0) return [];
  const frequencyHz = mainsFlickerHz(circuit.frequencyHz);
  const limit = lowRiskPercent(frequencyHz);
  return [
    {
      id: 'flicker.people',
      topic: 'flicker',
      severity: 'look',
      title: 'Ripple that troubles some people',
      message: `“${rippling[0]!.unit.name}” ripples at ${frequencyHz} Hz, by about ${MAINS_MODULATION} % in lamps of this kind. People sensitive to flicker get headaches, in rare cases worse: ask cast and crew, keep rehearsals short under it, or choose lamps with a steady driver.`,
      limit: `${limit.toFixed(1)} % at ${frequencyHz} Hz for low risk, ${noEffectPercent(frequencyHz).toFixed(1)} % for none`,
      source: 'IEEE 1789-2015; from memory. The ripple is typical of the kind',
      where: resolved.lampsAt,
    },
  ];
}
