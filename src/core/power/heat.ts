import type { Finding } from '../findings/finding';
import type { Flammable, ResolvedBuild } from '../forms/resolved';
import { show, showText } from '../quantity';
import { isFilament } from '../units/effective';
import { buildWatts, wattsAtLevel } from './watts';

/** Household filament lamp to anything that burns [common practice, handbook 05]. */
export const FILAMENT_CLEARANCE_M = 0.15;
/** Free-air heat transfer of one face, W/(m²·K) [common practice estimate, handbook 05]. */
const FACE_W_PER_M2_K = 8;
/** Share of radiant heat a painted board keeps [typ]. */
const ABSORBED = 0.5;

const mm = (metres: number) => showText(show(metres, 'length', 'metric'));

/** Heat given off as dimmed now, W: each group's watts times its class's share [typ]. */
export function heatW(resolved: ResolvedBuild): number {
  return resolved.groups.reduce(
    (sum, group) => sum + group.count * wattsAtLevel(group) * group.unit.heatShare,
    0,
  );
}

/**
 * Rise of the board under one lamp at full level, all lamps radiating evenly:
 * ΔT = α·Σ P·cos β/(4π·d²) / (2·h). A rough estimate that leaves conduction out.
 */
export function boardRiseK(resolved: ResolvedBuild, flammable: Flammable): number {
  const seat = resolved.emitters[0];
  if (!seat || flammable.distanceM <= 0) return 0;
  const radiant = resolved.groups.flatMap((group) =>
    group.emitters.map((index) => {
      const [x, y] = resolved.emitters[index]!.positionM;
      const away = Math.hypot(x - seat.positionM[0], y - seat.positionM[1]);
      const distance = Math.hypot(away, flammable.distanceM);
      const heat = group.unit.wattsW.value * group.unit.heatShare;
      return (heat * flammable.distanceM) / (4 * Math.PI * distance ** 3);
    }),
  );
  const fluxWPerM2 = radiant.reduce((sum, flux) => sum + flux, 0);
  return (ABSORBED * fluxWPerM2) / (2 * FACE_W_PER_M2_K);
}

export function heatFindings(resolved: ResolvedBuild): Finding[] {
  const hot = resolved.groups.filter((group) => isFilament(group.unit.bulb.kind));
  if (buildWatts(resolved.groups).fullW === 0) return [];
  return [
    ...(hot.length ? resolved.flammables.map(clearanceFinding) : [coolFinding(resolved)]),
    ...(hot.length ? [burnFinding(resolved)] : []),
  ];
}

function clearanceFinding(flammable: Flammable): Finding {
  const { distanceM, ref, name, field, raiseFromM } = flammable;
  const where = { drawing: ref, field };
  const limit = `${mm(FILAMENT_CLEARANCE_M)} for household filament lamps`;
  const source = 'Common practice; the lamp maker’s own distance wins';
  const id = `heat.clearance.${ref}`;
  if (distanceM >= FILAMENT_CLEARANCE_M - 1e-9)
    return {
      id,
      severity: 'ok',
      title: `The ${name} keeps its distance`,
      message: `${mm(distanceM)} from the nearest filament. Feel it after ten minutes and after an hour.`,
      limit,
      source,
      where,
    };
  const needed = Math.ceil((FILAMENT_CLEARANCE_M - distanceM) * 1000) / 1000;
  return {
    id,
    severity: 'stop',
    title: `The ${name} is too close to hot bulbs`,
    message: `${mm(distanceM)} from the nearest filament: it can scorch and catch fire while nobody looks. Move it away, or use LED bulbs.`,
    limit,
    source,
    where,
    remedies:
      raiseFromM === null
        ? []
        : [
            {
              label: `Raise the sockets by ${mm(needed)} on metal or porcelain spacers`,
              parameters: { [field]: raiseFromM + needed },
            },
          ],
  };
}

const coolFinding = (resolved: ResolvedBuild): Finding => ({
  id: 'heat.open-air',
  severity: 'ok',
  title: 'LED bulbs in open air',
  message:
    'Their bases get warm, not hot. Do not close them into a box or wrap them: their drivers die of heat.',
  source: 'Common practice',
  where: resolved.lampsAt,
});

const burnFinding = (resolved: ResolvedBuild): Finding => ({
  id: 'heat.burns',
  severity: 'look',
  title: 'Bulbs that burn fingers',
  message:
    'Filament bulbs reach 150 °C and more. Let them cool ten minutes before touching, packing or covering; never touch a halogen capsule with bare fingers; keep cloth and paper away.',
  source: 'Common practice',
  where: resolved.lampsAt,
});
