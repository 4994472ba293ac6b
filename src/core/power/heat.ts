import type { Finding } from '../findings/finding';
import type { Enclosure, Flammable } from '../build/heat';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { mm } from '../quantity';
import { buildWatts, wattsAtLevel } from './watts';

/** Free-air heat transfer of one face, W/(m²·K) [common practice estimate, docs/model/power.md]. */
const FACE_W_PER_M2_K = 8;
/** Share of radiant heat a painted board keeps [typ]. */
const ABSORBED = 0.5;

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
  const hot = resolved.groups.flatMap(({ unit }) => unit.keepAwayM ?? []);
  if (buildWatts(resolved.groups).fullW === 0) return [];
  const open = resolved.enclosure ? enclosureFindings(resolved, resolved.enclosure) : [];
  if (hot.length === 0) return resolved.enclosure ? open : [coolFinding(resolved)];
  return [
    ...open,
    ...resolved.flammables.map((flammable) => {
      const soft = flammable.burns === 'cloth' || flammable.burns === 'film';
      return clearanceFinding(
        flammable,
        Math.max(...hot.map(({ cloth, other }) => (soft ? cloth : other))),
      );
    }),
    ...layerFinding(resolved),
    burnFinding(resolved),
  ];
}

/** Film, cloth or paper across the mouth, and the nearest glowing wire behind it. */
function layerFinding(resolved: ResolvedBuild): Finding[] {
  const { mouth, frontM, emitters, groups, lampsAt } = resolved;
  if (!mouth || mouth.bounce || mouth.layers.length === 0) return [];
  const planeM = Math.min(mouth.heightOverBackM, frontM);
  const nearest = groups.flatMap(({ unit, emitters: own }) =>
    unit.keepAwayM
      ? own.map((k) => ({
          distanceM: mouth.shape === 'tube' ? mouth.widthM / 2 : planeM - emitters[k]!.positionM[2],
          keepAwayM: unit.keepAwayM!.cloth,
        }))
      : [],
  );
  if (nearest.length === 0) return [];
  const worst = nearest.reduce((a, b) =>
    b.keepAwayM - b.distanceM > a.keepAwayM - a.distanceM ? b : a,
  );
  return [
    clearanceFinding(
      {
        name: 'layer in front',
        burns: 'film',
        distanceM: worst.distanceM,
        ref: lampsAt.drawing,
        field: lampsAt.field,
        raiseFromM: null,
      },
      worst.keepAwayM,
      'layer',
    ),
  ];
}

/** Free air on the outside of a case, W/(m²·K) [common practice estimate, docs/model/power.md]. */
const CASE_W_PER_M2_K = 8;
const ROOM_C = 25;
const WARM_C = 60;

/** Estimated temperature of a case: ΔT = P_heat/(h·A) over a room of 25 °C, at full level. */
export function enclosureC(resolved: ResolvedBuild, { areaM2 }: Enclosure): number {
  const heat = resolved.groups.reduce(
    (sum, { count, unit }) => sum + count * unit.wattsW.value * unit.heatShare,
    0,
  );
  return ROOM_C + heat / (CASE_W_PER_M2_K * areaM2);
}

function enclosureFindings(resolved: ResolvedBuild, enclosure: Enclosure): Finding[] {
  const celsius = Math.round(enclosureC(resolved, enclosure));
  const where = { drawing: enclosure.ref, field: enclosure.field };
  const source = 'ΔT = P/(h·A), h ≈ 8 W/(m²·K), room 25 °C; common practice estimate';
  if (enclosure.closed && resolved.groups.some(({ unit }) => unit.filament))
    return [
      {
        id: 'heat.closed-filament',
        topic: 'heat',
        severity: 'stop',
        title: 'Hot lamps in a closed case',
        message:
          'A filament lamp in a closed case of board, foam or film overheats and sets it on fire. Use LED lamps, or leave the case out.',
        limit: 'no filament lamps in a closed box',
        source: 'Common practice',
        where,
      },
    ];
  const limitC = enclosure.limitC ?? Infinity;
  const severity = celsius >= limitC ? 'stop' : celsius >= WARM_C ? 'look' : 'ok';
  const titles = {
    stop: 'Hotter than its material bears',
    look: 'The case gets hot',
    ok: 'The case stays cool enough',
  };
  return [
    {
      id: 'heat.enclosure',
      topic: 'heat',
      severity,
      title: titles[severity],
      message: `About ${celsius} °C outside at full level, an estimate; the inside is warmer. ${severity === 'ok' ? 'Feel it after ten minutes and after an hour.' : 'Fewer watts, a bigger case or holes at top and bottom cool it; drivers die of heat first.'}`,
      limit: Number.isFinite(limitC)
        ? `${WARM_C} °C; ${limitC} °C for its weakest layer`
        : `${WARM_C} °C`,
      source,
      where,
    },
  ];
}

function clearanceFinding(flammable: Flammable, keepAwayM: number, what = flammable.ref): Finding {
  const { distanceM, ref, name, field, raiseFromM } = flammable;
  const where = { drawing: ref, field };
  const limit = `${mm(keepAwayM)} for these lamps`;
  const source = 'Common practice; the lamp maker’s own distance wins';
  const id = `heat.clearance.${what}`;
  if (distanceM >= keepAwayM - 1e-9)
    return {
      id,
      topic: 'heat',
      severity: 'ok',
      title: `The ${name} keeps its distance`,
      message: `${mm(distanceM)} from the nearest filament. Feel it after ten minutes and after an hour.`,
      limit,
      source,
      where,
    };
  const needed = Math.ceil((keepAwayM - distanceM) * 1000) / 1000;
  return {
    id,
    topic: 'heat',
    severity: 'stop',
    title: `The ${name} is too close to hot lamps`,
    message: `${mm(distanceM)} from the nearest filament: it can scorch and catch fire while nobody looks. Move it away, or use LED lamps.`,
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
  topic: 'heat',
  severity: 'ok',
  title: 'Cool lamps in open air',
  message:
    'Their bases get warm, not hot. Do not close them into a box or wrap them: their drivers die of heat.',
  source: 'Common practice',
  where: resolved.lampsAt,
});

const burnFinding = (resolved: ResolvedBuild): Finding => ({
  id: 'heat.burns',
  topic: 'heat',
  severity: 'look',
  title: 'Lamps that burn fingers',
  message:
    'Filament lamps reach 150 °C and more. Let them cool ten minutes before touching, packing or covering; never touch a halogen capsule with bare fingers; keep cloth and paper away.',
  source: 'Common practice',
  where: resolved.lampsAt,
});
