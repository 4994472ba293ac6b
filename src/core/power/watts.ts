import { filamentAtLevel } from '../colour/incandescent';
import type { LampGroup } from '../build/resolvedBuild';

/** Watts of one bulb at its group's level: filaments by the IES exponents, LEDs in proportion [typ]. */
export function wattsAtLevel({ unit, level }: LampGroup): number {
  const ratio = unit.filament ? filamentAtLevel(level).wattsRatio : level;
  return unit.wattsW.value * ratio;
}

/** Colour temperature of a group at its level; only filaments redden. */
export function cctAtLevel({ unit, level }: LampGroup): number {
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
