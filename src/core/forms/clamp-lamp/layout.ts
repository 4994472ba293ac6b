import type { FormContext } from '../form';
import { bulbsOf, type Seat } from '../kit/lamps';
import { classOf } from '../../units/classes';
import { type ClampLamp } from './parameters';

/** The glow of a bulb stands at this share of the shade's depth [typ]. */
export const GLOW_SHARE = 0.45;

/** Reflectance of a spun aluminium reflector [typ]. */
export const REFLECTOR = 0.75;
/** Share of that which goes on like from a mirror: spun, not polished [typ]. */
export const REFLECTOR_MIRROR = 0.5;
/** The shade's neck at the socket over its mouth [typ]. */
export const NECK = 0.35;
export const CORD_M = 1.8;
/** Still air over a small shade, W/(m²·K) [common practice estimate, docs/model/power.md]. */
const AIR_W_PER_M2_K = 8;
export const ROOM_C = 25;

export const seats = (lamp: ClampLamp): Seat[] =>
  lamp.groups.map((_, group) => ({
    positionM: [0, 0, lamp.depthM * GLOW_SHARE] as const,
    axis: [0, 0, 1] as const,
    group,
  }));

/** Estimated temperature of a layer over the mouth: all the lamp's heat through shade and layer. */
export function layerC(lamp: ClampLamp, context: FormContext): number {
  const heat = bulbsOf(lamp.groups, context).reduce(
    (sum, bulb) => sum + (bulb ? bulb.wattsW * classOf(bulb).heatShare : 0),
    0,
  );
  const radius = lamp.reflectorM / 2;
  const area = Math.PI * radius ** 2 + Math.PI * radius * Math.hypot(radius, lamp.depthM);
  return ROOM_C + heat / (AIR_W_PER_M2_K * area);
}
