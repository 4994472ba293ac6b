import type { LampGroup, ResolvedBuild } from '../build/resolvedBuild';
import type { Thing } from '../build/things';
import type { Emitter } from '../light/emitter';
import { dot, minus, scaled, type Vector } from '../light/vector';
import { intensityPerLm, prepareSpread, type Spread } from '../units/spread';
import { between, nearestOn } from './distance';

/** Free-air heat transfer of one face, W/(m²·K) [common practice estimate, docs/model/power.md]. */
const FACE_W_PER_M2_K = 8;
/** Share of radiant heat a painted surface keeps [typ]. */
const ABSORBED = 0.5;
/** Off its beam a lamp still warms what is beside it: as if it shone all round. */
const ALL_ROUND = 1 / (4 * Math.PI);
/** Closer than this the inverse square has no meaning: the lamp's own radius counts. */
const LEAST_M = 0.01;
/** What lies within this of a lamp's axis is in its beam: 60° [common practice for floods]. */
const BEAM_COSINE = 0.5;

/** What one thing gets from the lamps about it. */
export interface Exposure {
  thing: Thing;
  /** from the nearest lamp's own surface */
  distanceM: number;
  /** distance that lamp asks for */
  keepAwayM: number;
  /** radiant heat on it, W/m² */
  fluxWPerM2: number;
  /** ΔT = α·Σ P·I/d² · cos β/(2·h) over the room */
  riseK: number;
}

interface HotPoint {
  emitter: Emitter;
  group: LampGroup;
  /** heat it gives off, fully up, W */
  heatW: number;
}

const prepared = new WeakMap<Spread, ReturnType<typeof prepareSpread>>();
function intensityOf(spread: Spread, cosine: number): number {
  const found = prepared.get(spread) ?? prepareSpread(spread);
  prepared.set(spread, found);
  return Math.max(ALL_ROUND, intensityPerLm(found, cosine));
}

/** Every lamp's glow, with its part of its group's heat. */
export const hotPoints = (
  resolved: ResolvedBuild,
  asked: (group: LampGroup) => boolean,
): HotPoint[] =>
  resolved.groups.filter(asked).flatMap((group) =>
    group.emitters.map((at) => ({
      emitter: resolved.emitters[at]!,
      group,
      heatW: (group.count * group.unit.wattsW.value * group.unit.heatShare) / group.emitters.length,
    })),
  );

/** Where a thing is struck by one lamp, and how far that is from the lamp's surface. */
function struck({ emitter, group }: HotPoint, thing: Thing): { at: Vector; distanceM: number } {
  const { positionM, axis } = emitter;
  if (thing.place.kind === 'ahead')
    return {
      at: minus(positionM, scaled(axis, -thing.place.distanceM - group.bodyRadiusM)),
      distanceM: thing.place.distanceM,
    };
  const at = nearestOn(positionM, thing.place);
  return { at, distanceM: Math.max(0, between(at, positionM) - group.bodyRadiusM) };
}

function keepAwayOf({ emitter, group }: HotPoint, thing: Thing, at: Vector): number {
  const away = group.unit.keepAwayM;
  if (!away) return 0;
  const way = minus(at, emitter.positionM);
  const far = Math.hypot(...way);
  const inBeam = far === 0 || dot(way, emitter.axis) / far > BEAM_COSINE;
  if (thing.burns === 'cloth' || thing.burns === 'film') return away.cloth;
  return inBeam ? away.beam : away.other;
}

/** How one thing stands to a set of lamps; null without lamps. */
export function exposureOf(thing: Thing, lamps: readonly HotPoint[]): Exposure | null {
  let worst: { lamp: HotPoint; at: Vector; distanceM: number; keepAwayM: number } | null = null;
  for (const lamp of lamps) {
    const { at, distanceM } = struck(lamp, thing);
    const keepAwayM = keepAwayOf(lamp, thing, at);
    if (!worst || distanceM - keepAwayM < worst.distanceM - worst.keepAwayM)
      worst = { lamp, at, distanceM, keepAwayM };
  }
  if (!worst) return null;
  const { at, distanceM, keepAwayM } = worst;
  const facing = towards(at, worst.lamp.emitter);
  const fluxWPerM2 = lamps.reduce((sum, { emitter, heatW }) => {
    const { far, cosine, axial } = seen(at, emitter, facing);
    return sum + (heatW * intensityOf(emitter.spread, axial) * cosine) / far ** 2;
  }, 0);
  return {
    thing,
    distanceM,
    keepAwayM,
    fluxWPerM2,
    riseK: (ABSORBED * fluxWPerM2) / (2 * FACE_W_PER_M2_K),
  };
}

function towards(at: Vector, { positionM, axis }: Emitter): Vector {
  const way = minus(positionM, at);
  const far = Math.hypot(...way);
  return far === 0 ? scaled(axis, -1) : scaled(way, 1 / far);
}

/** A lamp as seen from a point of a face: how far, at what slant, at what angle to the lamp's own axis. */
function seen(at: Vector, { positionM, axis }: Emitter, facing: Vector) {
  const way = minus(positionM, at);
  const long = Math.hypot(...way);
  if (long === 0) return { far: LEAST_M, cosine: 1, axial: 1 };
  return {
    far: Math.max(LEAST_M, long),
    cosine: Math.max(0, dot(way, facing) / long),
    axial: -dot(way, axis) / long,
  };
}
