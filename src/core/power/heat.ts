import type { ResolvedBuild } from '../build/resolvedBuild';
import { uprightAt, type Thing } from '../build/things';
import type { Finding } from '../findings/finding';
import { mm } from '../quantity';
import { enclosureFindings, ROOM_C } from './caseHeat';
import { exposureOf, hotPoints, type Exposure } from './exposure';
import { buildWatts, wattsAtLevel } from './watts';

/** Heat given off as dimmed now, W: each group's watts times its class's share [typ]. */
export function heatW(resolved: ResolvedBuild): number {
  return resolved.groups.reduce(
    (sum, group) => sum + group.count * wattsAtLevel(group) * group.unit.heatShare,
    0,
  );
}

/** The first thing near the lamps, with what all of them do to it; for the readout of heat. */
export function firstExposure(resolved: ResolvedBuild): Exposure | null {
  const [thing] = resolved.things;
  return thing
    ? exposureOf(
        thing,
        hotPoints(resolved, () => true),
      )
    : null;
}

/** What scorches, melts or smoulders in the long run where its own limit is not known, °C [common practice]. */
const LIMIT_C = { wood: 90, foam: 70, cloth: 90, film: 80 } as const;
/** Bare skin hurts after half a minute, and bright sun is 1000 W/m² [SFPE; from memory]. */
const SKIN_W_PER_M2 = 1500;

/**
 * Whatever stands near hot lamps, judged alike whoever brought it: boards, layers, doors, hoods, grids, what
 * a beam falls on, people.
 */
export function heatFindings(resolved: ResolvedBuild, around: readonly Thing[] = []): Finding[] {
  if (buildWatts(resolved.groups).fullW === 0) return [];
  const things = [...resolved.things, ...layerOf(resolved), ...around];
  const open = resolved.enclosure ? enclosureFindings(resolved, resolved.enclosure) : [];
  const hot = hotPoints(resolved, ({ unit }) => unit.keepAwayM !== null);
  if (hot.length === 0)
    return [
      ...(resolved.enclosure ? open : [coolFinding(resolved)]),
      ...things.flatMap((thing) => (thing.covers ? [coveredCool(thing)] : [])),
    ];
  return [
    ...open,
    ...things.flatMap((thing): Finding[] => {
      if (thing.covers) return [coveredHot(thing)];
      if (thing.burns === 'no') return [];
      return [judged(thing, exposureOf(thing, hot)!)];
    }),
    burnFinding(resolved),
  ];
}

/** From where on a thing scorches, melts or smoulders, °C; Infinity where heat does it no harm or another limit holds. */
const limitOf = ({ burns, limitC }: Thing): number =>
  burns === 'skin' || burns === 'unknown' || burns === 'no'
    ? Infinity
    : Math.min(limitC ?? Infinity, LIMIT_C[burns]);

/** What hot lamps of a build shine on and can harm, with its limit, °C; for readings at the bench. */
export function heatedThings(resolved: ResolvedBuild): { exposure: Exposure; limitC: number }[] {
  const hot = hotPoints(resolved, ({ unit }) => unit.keepAwayM !== null);
  if (hot.length === 0) return [];
  return [...resolved.things, ...layerOf(resolved)].flatMap((thing) => {
    const limitC = limitOf(thing);
    const exposure = thing.covers || limitC === Infinity ? null : exposureOf(thing, hot);
    return exposure ? [{ exposure, limitC }] : [];
  });
}

/** Film, cloth or paper across the mouth; behind a hood it stays where the build's own front is. */
function layerOf({ mouth, frontM, lampsAt }: ResolvedBuild): Thing[] {
  if (!mouth || mouth.bounce || mouth.layers.length === 0) return [];
  const { shape, widthM, heightM, layers } = mouth;
  const zM = Math.min(mouth.heightOverBackM, frontM);
  const [x, y] = [widthM / 2, heightM / 2];
  return [
    {
      id: 'layer',
      name: 'layer in front',
      burns: 'film',
      limitC: Math.min(...layers.map(({ limitC }) => limitC)),
      place:
        shape === 'tube'
          ? { kind: 'cone', fromM: -y, toM: y, fromRadiusM: x, toRadiusM: x }
          : shape === 'disc'
            ? { kind: 'ring', zM, innerRadiusM: 0, outerRadiusM: x }
            : uprightAt(widthM, heightM, zM),
      ref: lampsAt.drawing,
      field: lampsAt.field,
    },
  ];
}

const OWN_DISTANCE = 'Common practice; the lamp maker’s own distance wins';

function judged(thing: Thing, exposure: Exposure): Finding {
  const { distanceM, keepAwayM, fluxWPerM2, riseK } = exposure;
  const common = {
    id: `heat.clearance.${thing.id}`,
    topic: 'heat' as const,
    limit: `${mm(keepAwayM)} for these lamps`,
    source: OWN_DISTANCE,
    where: { drawing: thing.ref, field: thing.field },
  };
  const far = distanceM >= keepAwayM - 1e-9;
  if (thing.burns === 'unknown' && !far)
    return {
      ...common,
      severity: 'unknown',
      title: `What is the ${thing.name} made of?`,
      message: `${mm(distanceM)} from a hot lamp: metal bears it, board, foam and cloth catch fire. Choose its material.`,
    };
  if (!far) return tooClose(thing, exposure, common);
  if (thing.burns === 'skin' && fluxWPerM2 >= SKIN_W_PER_M2)
    return {
      ...common,
      severity: 'stop',
      title: 'It burns skin',
      message: `About ${Math.round(fluxWPerM2)} W/m² at the ${thing.name}, more than bright sun: it hurts within half a minute. Move it back, or use fewer watts.`,
      limit: `${SKIN_W_PER_M2} W/m² on bare skin`,
      source: 'Pain of radiant heat, SFPE; from memory',
    };
  const limitC = limitOf(thing);
  const celsius = Math.round(ROOM_C + riseK);
  if (celsius >= limitC)
    return {
      ...common,
      severity: 'stop',
      title: `The ${thing.name} gets too hot`,
      message: `About ${celsius} °C at full level with all lamps together, an estimate: it scorches. Fewer watts, or more distance.`,
      limit: `${limitC} °C`,
      source: 'ΔT = α·Σ P·I·cos β/d² / (2·h), α ½, h ≈ 8 W/(m²·K); common practice estimate',
    };
  return {
    ...common,
    severity: 'ok',
    title: `The ${thing.name} keeps its distance`,
    message: `${mm(distanceM)} from the nearest lamp. Feel it after ten minutes and after an hour.`,
  };
}

type Common = Pick<Finding, 'id' | 'topic' | 'limit' | 'source' | 'where'>;

function tooClose(thing: Thing, { distanceM, keepAwayM }: Exposure, common: Common): Finding {
  const needed = Math.ceil((keepAwayM - distanceM) * 1000) / 1000;
  const { raise } = thing;
  return {
    ...common,
    severity: 'stop',
    title: `The ${thing.name} is too close to hot lamps`,
    message: `${mm(distanceM)} from the nearest lamp: ${thing.burns === 'skin' ? 'it burns skin and can set clothes and paper on fire' : 'it can scorch and catch fire while nobody looks'}. Move it away, or use LED lamps.`,
    remedies:
      raise && raise.fromM + needed <= raise.mostM
        ? [
            {
              label: `${raise.how} by ${mm(needed)}`,
              parameters: { [raise.field]: raise.fromM + needed },
            },
          ]
        : [],
  };
}

const coveredHot = (thing: Thing): Finding => ({
  id: `heat.covered.${thing.id}`,
  topic: 'heat',
  severity: 'stop',
  title: `The ${thing.name} shut a hot lamp in`,
  message:
    'A halogen or filament lamp with its face covered overheats within minutes: its glass bursts, its cord melts, what covers it burns. Open it, and let a lamp cool ten minutes before anything is folded over it.',
  limit: 'nothing over a lit or hot lamp',
  source: 'Common practice',
  where: { drawing: thing.ref, field: thing.field },
});

const coveredCool = (thing: Thing): Finding => ({
  id: `heat.covered.${thing.id}`,
  topic: 'heat',
  severity: 'look',
  title: `The ${thing.name} shut the lamp in`,
  message:
    'An LED lamp with its face covered keeps its heat: its driver dies of it. Switch it off first.',
  source: 'Common practice',
  where: { drawing: thing.ref, field: thing.field },
});

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
