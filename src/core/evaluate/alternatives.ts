import type { Shot } from '../location/shot';
import type { ResolvedBuild } from '../build/resolvedBuild';
import type { FallOffPoint } from '../light/falloff';
import { DIMMERS, loadKindOf, matchOf } from '../power/dimming';
import { stopsBetween } from '../light/exposure';

/** A way to less light without a dimmer, with what it comes to. */
export interface Alternative {
  what: string;
  illuminanceLx: number;
  /** over (+) or under (−) the shot's target */
  marginStops: number;
}

/** Less than this over the target needs no remedy. */
const ENOUGH_STOPS = 0.2;
/** Transmittance of tracing paper [typ: docs/model/units.md]. */
const TRACING_PAPER = 0.45;

/**
 * Ways down to the target: lamps switched off, groups dimmed, the light moved back, one more layer. Empty
 * when the light is not over it.
 * @param fallOff illuminance by distance from the front, rising distance
 */
export function alternatives(
  resolved: ResolvedBuild,
  shot: Shot,
  light: { totalLx: number; targetLx: number },
  fallOff: readonly FallOffPoint[],
): Alternative[] {
  const { totalLx, targetLx } = light;
  const over = stopsBetween(totalLx, targetLx);
  if (!(over > ENOUGH_STOPS)) return [];
  const way = (what: string, illuminanceLx: number): Alternative => ({
    what,
    illuminanceLx,
    marginStops: stopsBetween(illuminanceLx, targetLx),
  });
  const lamps = resolved.groups.reduce((sum, { count }) => sum + count, 0);
  const off = Math.min(lamps - 1, Math.floor(lamps * (1 - targetLx / totalLx)));
  const backM = distanceFor(fallOff, targetLx, shot.distanceM);
  const level = targetLx / totalLx;
  return [
    ...(lamps > 1 && off > 0
      ? [way(`switch off ${off} of ${lamps}, evenly spread`, totalLx * (1 - off / lamps))]
      : []),
    ...(backM === null ? [] : [way(`move it back to ${backM.toFixed(2)} m`, targetLx)]),
    ...(over > 1 ? [way('tracing paper over it', totalLx * TRACING_PAPER)] : []),
    ...(mayBeDimmed(resolved)
      ? [way(`dim all to ${Math.round(level * 100)} %, with a dimmer that fits`, totalLx * level)]
      : []),
  ];
}

/** Every lamp in it has a dimmer that fits. */
const mayBeDimmed = ({ groups }: ResolvedBuild): boolean =>
  groups.every(({ unit }) =>
    DIMMERS.some((dimmer) => matchOf(loadKindOf(unit), dimmer)[0] === 'yes'),
  );

/** Where the light has fallen to a level, farther away than now; null within what was worked out. */
function distanceFor(
  fallOff: readonly FallOffPoint[],
  levelLx: number,
  nowM: number,
): number | null {
  const k = fallOff.findIndex(
    ({ distanceM, illuminanceLx }) => distanceM > nowM && illuminanceLx <= levelLx,
  );
  if (k < 1) return null;
  const [near, far] = [fallOff[k - 1]!, fallOff[k]!];
  const part =
    Math.log(near.illuminanceLx / levelLx) / Math.log(near.illuminanceLx / far.illuminanceLx);
  return near.distanceM * (far.distanceM / near.distanceM) ** part;
}
