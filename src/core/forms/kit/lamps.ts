import type { Vector } from '../../light/vector';
import type { Emitter } from '../../light/emitter';
import { type EffectiveUnit, effectiveUnit } from '../../units/effective';
import { mixedLight, type Mixture } from '../../units/channels';
import { labelFindings } from '../../units/sanity';
import type { Bulb, Unit } from '../../units/unit';
import type { Spread } from '../../units/spread';
import type { FormContext } from '../form';
import type { Need } from '../../build/needs';
import type { Load } from '../../build/wiring';
import type { LampGroup } from '../../build/resolvedBuild';
import { CAP_LENGTH_M } from '../../electrics/caps';
import { bulbOf } from './lookup';
import { apparentVa, fromUnit } from './needs';
import { GLOBE_LONG_M, GLOBE_M } from './typical';
import type { BulbGroup } from './parameters';

/** Where a bulb sits: the middle of its glow, the way it points, its group. */
export interface Seat {
  positionM: Vector;
  axis: Vector;
  group: number;
}

/** How far up units are, and how their colours are mixed where they have any. */
type Turned = { level: number } & Partial<Mixture>;

export interface Lamps {
  emitters: Emitter[];
  groups: LampGroup[];
}

/** What glows at one point of a unit: a globe, a tube, the width of a tape, a face of the same area. */
function glowingRadiusM(unit: Unit | null): number {
  switch (unit?.category) {
    case 'bulb':
      return unit.globeDiameterM / 2;
    case 'tube':
      return unit.diameterM / 2;
    case 'strip':
      return unit.tapeWidthM / 2;
    case 'work-light':
    case 'panel':
      return Math.sqrt((unit.faceWidthM * unit.faceHeightM) / Math.PI);
    default:
      return GLOBE_M / 2;
  }
}

/**
 * Bulbs in seats. Emitters keep their place even when no bulb is chosen, with no light, so that
 * groups and loads can point at them by index.
 */
export function bulbLamps(
  groups: readonly BulbGroup[],
  seats: readonly Seat[],
  context: FormContext,
): Lamps {
  const chosen = bulbsOf(groups, context);
  const units = chosen.map((bulb) => bulb && effectiveUnit(bulb));
  const emitters = seats.map(({ positionM, axis, group }): Emitter => {
    const unit = units[group];
    return {
      positionM,
      axis,
      // Lumens follow the level directly: for a filament the level is defined as its light.
      luminousFluxLm: unit ? unit.luminousFluxLm.value * groups[group]!.level : 0,
      spread: chosen[group]?.spread ?? { class: 'omni' },
      radiusM: (chosen[group]?.globeDiameterM ?? GLOBE_M) / 2,
    };
  });
  return {
    emitters,
    groups: groups.flatMap(({ level }, index): LampGroup[] => {
      const unit = units[index];
      const bulb = chosen[index];
      const own = seats.flatMap((seat, at) => (seat.group === index ? [at] : []));
      if (!unit || !bulb) return [];
      return [
        {
          name: `Group ${String.fromCharCode(65 + index)}`,
          unit,
          count: own.length,
          level,
          mixture: null,
          emitters: own,
          bodyRadiusM: bulb.globeDiameterM / 2,
          labelFindings: labelFindings(bulb),
        },
      ];
    }),
  };
}

/** One mains load a seat, in wiring order. */
export function bulbLoads(
  groups: readonly BulbGroup[],
  seats: readonly { group: number }[],
  cordM: (seat: number) => number,
  context: FormContext,
): Load[] {
  const units = groups.map((group) => {
    const bulb = bulbOf(context, group.bulbId);
    return bulb && effectiveUnit(bulb);
  });
  return seats.map(({ group }, k) => {
    const unit = units[group];
    return {
      ref: `seat-${k}`,
      apparentVa: unit ? apparentVa(unit.wattsW.value, unit.powerFactor.value) : 0,
      cordM: cordM(k),
    };
  });
}

/** Front of a bulb's glass over what carries the socket whose rim stands so high; a common globe for none. */
export const bulbFrontM = (bulb: Bulb | null, rimM: number): number =>
  rimM + (bulb ? bulb.lengthM - CAP_LENGTH_M[bulb.base] : GLOBE_LONG_M - CAP_LENGTH_M.E27);

/** Height of its glow: the middle of its globe. */
export const bulbGlowM = (bulb: Bulb | null, rimM: number): number =>
  bulbFrontM(bulb, rimM) - (bulb?.globeDiameterM ?? GLOBE_M) / 2;

export const bulbNeeds = (
  groups: readonly BulbGroup[],
  seats: readonly { group: number }[],
  context: FormContext,
): Need[] =>
  groups.flatMap(({ bulbId }, index): Need[] => {
    const bulb = bulbOf(context, bulbId);
    const quantity = seats.filter(({ group }) => group === index).length;
    return bulb ? fromUnit(bulb.id, quantity, 'piece', 'in the sockets', 'lamps-in') : [];
  });

export const bulbMassKg = (
  groups: readonly BulbGroup[],
  seats: readonly { group: number }[],
  context: FormContext,
): number =>
  seats.reduce((sum, { group }) => sum + (bulbOf(context, groups[group]!.bulbId)?.massKg ?? 0), 0);

export const bulbsOf = (groups: readonly BulbGroup[], context: FormContext): (Bulb | null)[] =>
  groups.map((group) => bulbOf(context, group.bulbId));

export const bulbsOnHand = (groups: readonly BulbGroup[], context: FormContext): number =>
  bulbsOf(groups, context).reduce((sum, bulb) => sum + (bulb?.onHand ?? 0), 0);

/**
 * Several alike units as one group, each spread over its own points.
 * @param turned  how far up, and how their colours are mixed
 * @param points of all units together, evenly shared
 */
export function unitLamps(
  unit: EffectiveUnit | null,
  shelfUnit: Unit | null,
  count: number,
  turned: Turned,
  spread: Spread,
  points: readonly { positionM: Vector; axis: Vector }[],
): Lamps {
  const mixture = turned.mix === undefined ? null : (turned as Mixture);
  const lumens = unit
    ? unit.luminousFluxLm.value * (mixedLight(unit.channels, mixture)?.lumensShare ?? 1)
    : 0;
  const flux = (lumens * count * turned.level) / Math.max(1, points.length);
  const emitters = points.map(({ positionM, axis }): Emitter => ({
    positionM,
    axis,
    luminousFluxLm: flux,
    spread,
    radiusM: glowingRadiusM(shelfUnit),
  }));
  if (!unit || !shelfUnit || count === 0) return { emitters, groups: [] };
  return {
    emitters,
    groups: [
      {
        name: 'Group A',
        unit,
        count,
        level: turned.level,
        mixture,
        emitters: emitters.map((_, at) => at),
        bodyRadiusM: 0,
        labelFindings: labelFindings(shelfUnit),
      },
    ],
  };
}

/** Points along a straight line, each standing for an equal share of it. */
export const pointsAlong = (
  from: Vector,
  to: Vector,
  count: number,
  axis: Vector,
): { positionM: Vector; axis: Vector }[] =>
  Array.from({ length: count }, (_, k) => {
    const t = (k + 0.5) / count;
    return {
      positionM: [
        from[0] + (to[0] - from[0]) * t,
        from[1] + (to[1] - from[1]) * t,
        from[2] + (to[2] - from[2]) * t,
      ],
      axis,
    };
  });

/** Points that one light is summed from at most, rows and all. */
const MOST_POINTS = 720;

/** Points of one row, fewer where there are many rows. */
export const pointsPerRow = (rows: number, wanted: number): number =>
  Math.min(wanted, Math.max(6, Math.floor(MOST_POINTS / Math.max(1, rows))));
