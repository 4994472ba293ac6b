import type { Problem } from '../../result';
import { mm } from '../../quantity';
import type { FormContext } from '../form';
import { layerParts } from '../kit/lookup';
import { GLOBE_M } from '../kit/typical';
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

/** Front of the foremost bulb's glass. */
export const bulbsFrontM = (lamp: ClampLamp, context: FormContext): number =>
  lamp.depthM * GLOW_SHARE + globeOf(lamp, context) / 2;

const globeOf = (lamp: ClampLamp, context: FormContext): number =>
  Math.max(...bulbsOf(lamp.groups, context).map((bulb) => bulb?.globeDiameterM ?? GLOBE_M));

/** Half of what a globe has of room in the shade, straight to its wall, where its glow stands. */
function roomM({ reflectorM, depthM }: ClampLamp): number {
  const [neck, mouth] = [(NECK * reflectorM) / 2, reflectorM / 2];
  const there = neck + (mouth - neck) * GLOW_SHARE;
  return (there * depthM) / Math.hypot(depthM, mouth - neck);
}

export function problems(lamp: ClampLamp, context: FormContext): Problem[] {
  const globe = globeOf(lamp, context);
  const out = bulbsFrontM(lamp, context) - lamp.depthM;
  const found: Problem[] = [];
  if (globe / 2 > roomM(lamp))
    found.push({
      code: 'globe',
      path: 'groups',
      message: `A bulb of Ø ${mm(globe)} does not go into this shade: where it sits there is room for Ø ${mm(2 * roomM(lamp))}.`,
    });
  if (layerParts(lamp, context).length && lamp.standoffM < out)
    found.push({
      code: 'layer',
      path: 'standoffM',
      message: `The bulb stands ${mm(out)} out of the shade: a layer that near lies on its glass and scorches. Hold it farther off.`,
    });
  return found;
}

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
