import { filamentAtLevel } from '../colour/incandescent';
import { cctOfUv, type Chromaticity } from '../colour/planck';
import type { LampGroup } from '../build/resolvedBuild';
import { mixedLight, mixedRa } from '../units/channels';

/** Watts of one bulb at its group's level: filaments by the IES exponents, LEDs in proportion [typ], by what is mixed. */
export function wattsAtLevel({ unit, level, mixture }: LampGroup): number {
  const ratio = unit.filament ? filamentAtLevel(level).wattsRatio : level;
  return unit.wattsW.value * ratio * (mixedLight(unit.channels, mixture)?.wattsShare ?? 1);
}

/** Place of a mixed colour in CIE 1960 u, v; null for a group on the Planckian locus. */
export const uvMixed = ({ unit, mixture }: LampGroup): Chromaticity | null =>
  mixedLight(unit.channels, mixture)?.uv ?? null;

/** Ra of a group as it is mixed. */
export const raAsMixed = ({ unit, mixture }: LampGroup): number =>
  mixedRa(unit.channels, mixture) ?? unit.criRa.value;

/** Colour temperature of a group at its level, of a mixed colour the nearest; only filaments redden. */
export function cctAtLevel(group: LampGroup): number {
  const { unit, level } = group;
  const uv = uvMixed(group);
  if (uv) return cctOfUv(uv);
  const reddens = unit.filament && level > 0;
  return unit.cctK.value * (reddens ? filamentAtLevel(level).cctRatio : 1);
}

/** Watts of all groups: as dimmed now, and with every dimmer fully up. */
export function buildWatts(groups: readonly LampGroup[]): { nowW: number; fullW: number } {
  return groups.reduce(
    (sum, group) => ({
      nowW: sum.nowW + group.count * wattsAtLevel(group),
      fullW: sum.fullW + group.count * group.unit.wattsW.value,
    }),
    { nowW: 0, fullW: 0 },
  );
}
