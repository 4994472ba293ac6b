import { toRadians } from '../angle';
import { intensityPerLm, prepareSpread, type Spread } from '../units/spread';
import { zoneIntegral, type Sweep } from './sweep';

/** A spread the units know, beside what was measured. */
export interface Likeness {
  spread: Spread;
  /** share of the light that goes elsewhere than it says, within the angles that were read */
  elsewhere: number;
}

const CLASSES: readonly Spread[] = [
  { class: 'omni' },
  { class: 'forward' },
  { class: 'side' },
  { class: 'lambert' },
];
/** Reflectors that are tried, degrees of beam; one of 120° is a flat cosine. */
const BEAMS = Array.from({ length: 24 }, (_, k) => 8 + 4 * k);

/** Light zone by zone, as shares of the whole. */
function zonesOf(points: readonly { angleDeg: number; cd: number }[]): number[] {
  const zones = points.slice(1).map(({ angleDeg, cd }, k) => {
    const before = points[k]!;
    return zoneIntegral(toRadians(before.angleDeg), toRadians(angleDeg), before.cd, cd);
  });
  const all = zones.reduce((sum, zone) => sum + zone, 0);
  return zones.map((zone) => (all > 0 ? zone / all : 0));
}

/** How far a spread is from what was measured. */
export function likeness({ mean }: Pick<Sweep, 'mean'>, spread: Spread): Likeness {
  const measured = zonesOf(mean);
  const prepared = prepareSpread(spread);
  const own = zonesOf(
    mean.map(({ angleDeg }) => ({
      angleDeg,
      cd: intensityPerLm(prepared, Math.cos(toRadians(angleDeg))),
    })),
  );
  const moved = measured.reduce((sum, zone, k) => sum + Math.abs(zone - own[k]!), 0);
  return { spread, elsewhere: moved / 2 };
}

/** The spread class that comes nearest to a sweep. */
export const nearestSpread = (sweep: Pick<Sweep, 'mean'>): Likeness =>
  [...CLASSES, ...BEAMS.map((beamAngleDeg): Spread => ({ class: 'reflector', beamAngleDeg }))]
    .map((spread) => likeness(sweep, spread))
    .reduce((best, each) => (each.elsewhere < best.elsewhere ? each : best));
