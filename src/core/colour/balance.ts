import { levelForCct } from './incandescent';
import { clashOf, mired, type Clash } from './mired';
import { mixedCctK } from './mix';

/** One source at the subject, in a room where several shine. */
export interface RoomLight {
  id: string;
  name: string;
  cctK: number;
  illuminanceLx: number;
  /** a glowing wire, which reddens when dimmed */
  filament: boolean;
}

/** A correction gel as it is sold: what it shifts and what it costs [typ: from memory; makers differ]. */
export interface Gel {
  name: string;
  shiftMired: number;
  lostStops: number;
}

/** 3200 K to 5500 K is 131 mired: “full”; its parts are sold too. Orange warms, blue cools. */
const FULL_MIRED = mired(3200) - mired(5500);
const PARTS = [
  ['full', 1],
  ['half', 1 / 2],
  ['quarter', 1 / 4],
  ['eighth', 1 / 8],
] as const;
export const GELS: readonly Gel[] = PARTS.flatMap(([name, part]) => [
  { name: `${name} orange`, shiftMired: FULL_MIRED * part, lostStops: 0.7 * part ** 0.7 },
  { name: `${name} blue`, shiftMired: -FULL_MIRED * part, lostStops: 1.5 * part ** 0.7 },
]);

/** The gel that brings a shift nearest; null when none is better than none. */
export function nearestGel(shiftMired: number): Gel | null {
  const none = Math.abs(shiftMired);
  const best = GELS.reduce((near, gel) =>
    Math.abs(gel.shiftMired - shiftMired) < Math.abs(near.shiftMired - shiftMired) ? gel : near,
  );
  return Math.abs(best.shiftMired - shiftMired) < none ? best : null;
}

/** What may be done about one source that does not sit with the camera's balance. */
export interface Advice {
  id: string;
  name: string;
  /** its share of the light at the subject, 0…1 */
  share: number;
  /** how far it stands off the balance; + is warmer */
  offMired: number;
  clash: Clash;
  /** leave it: too little of it, or too near */
  accept: boolean;
  gel: (Gel & { leftMired: number }) | null;
  /** light lost at the subject when it is switched off, stops; null when it is all there is */
  offStops: number | null;
  /** light level that brings a filament down to the balance; null where dimming does not help */
  dimTo: number | null;
}

export interface BalanceAdvice {
  /** of all sources together */
  mixedK: number;
  /** what the camera is balanced to */
  balanceK: number;
  sources: Advice[];
}

/** Below this share a source only tints shadows of its own [common practice]. */
const LITTLE = 0.05;

/**
 * For light from several sources at one subject: how each stands to the camera's balance, and whether to
 * accept it, gel it, dim it or switch it off.
 * @param balanceK what the camera is set to; null for the mixture itself
 * @returns null in the dark
 */
export function balanceAdvice(
  lights: readonly RoomLight[],
  balanceK: number | null,
): BalanceAdvice | null {
  const lit = lights.filter(({ illuminanceLx }) => illuminanceLx > 0);
  const mixedK = mixedCctK(lit);
  if (mixedK === null) return null;
  const target = balanceK ?? mixedK;
  const totalLx = lit.reduce((sum, { illuminanceLx }) => sum + illuminanceLx, 0);
  return {
    mixedK,
    balanceK: target,
    sources: lit.map((light): Advice => {
      const offMired = mired(light.cctK) - mired(target);
      const clash = clashOf(offMired);
      const share = light.illuminanceLx / totalLx;
      const gel = clash === 'unseen' ? null : nearestGel(-offMired);
      const rest = totalLx - light.illuminanceLx;
      return {
        id: light.id,
        name: light.name,
        share,
        offMired,
        clash,
        accept: clash === 'unseen' || clash === 'slight' || share < LITTLE,
        gel: gel && { ...gel, leftMired: offMired + gel.shiftMired },
        offStops: rest > totalLx * 1e-9 ? Math.log2(totalLx / rest) : null,
        dimTo: light.filament && offMired < -10 ? levelForCct(target, light.cctK) : null,
      };
    }),
  };
}
