import { type Seat } from '../kit/lamps';
import { type BoxLayout } from './layout';
import { type FoamBox } from './parameters';

/** A lamp in the very plane of the front would see nothing else. */
const LEAST_M = 0.01;

/** One lamp, or several side by side behind the hole. */
export function seatsOf(box: FoamBox): Seat[] {
  const spread = box.groups.length > 1 ? box.holeDiameterM / 2 : 0;
  return box.groups.map((_, k) => ({
    positionM: [
      box.groups.length > 1 ? (k / (box.groups.length - 1) - 0.5) * spread : 0,
      0,
      box.lampInM,
    ] as const,
    axis: [0, 0, 1] as const,
    group: k,
  }));
}

/** Bare flux that reaches the mouth: solid angle of the front seen from the lamp, for an even bulb. */
export function directShare(box: FoamBox, { depthM }: BoxLayout): number {
  const h = Math.max(LEAST_M, depthM - box.lampInM);
  const [a, b] = [box.frontWidthM / 2, box.frontHeightM / 2];
  return Math.atan((a * b) / (h * Math.hypot(a, b, h))) / Math.PI;
}
