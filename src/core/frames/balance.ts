import { adapted, D65 } from '../colour/adaptation';
import { mired } from '../colour/mired';
import { daylightXy, duvOf, uvOf, xyzOfUv, xyzOfXy, type Xyz } from '../colour/chromaticity';
import { cctOfUv, planckianUv } from '../colour/planck';

/** Linear sRGB → XYZ [std: IEC 61966-2-1]. */
const FROM_SRGB = [
  [0.4124, 0.3576, 0.1805],
  [0.2126, 0.7152, 0.0722],
  [0.0193, 0.1192, 0.9505],
] as const;

/** Cameras take a balance under this for a glowing wire's, from it on for daylight [std: CIE 15 does so for its references]. */
const DAYLIGHT_FROM_K = 5000;

const whiteOf = (balanceK: number): Xyz =>
  balanceK >= DAYLIGHT_FROM_K ? xyzOfXy(...daylightXy(balanceK)) : xyzOfUv(planckianUv(balanceK));

export interface GreyLight {
  cctK: number;
  /** off the black body: above 0 greenish, below magenta */
  duv: number;
}

/**
 * What light falls on something grey, by its colour in a picture: the camera's own balance is taken back [std: von Kries by
 * Bradford]. @param rgb  linear sRGB of the grey
 */
export function lightOnGrey(rgb: readonly number[], balanceK: number): GreyLight {
  const xyz = FROM_SRGB.map((row) =>
    row.reduce((sum, weight, k) => sum + weight * rgb[k]!, 0),
  ) as unknown as Xyz;
  const place = uvOf(adapted(xyz, D65, whiteOf(balanceK)));
  const cctK = cctOfUv(place);
  return { cctK, duv: duvOf(place, cctK) };
}

export interface BalanceShift {
  /** of the second over the first; + is warmer */
  mired: number;
  /** lowest and highest over every balance the camera may have had; the figure itself where it is known */
  range: readonly [number, number];
  /** + is greener */
  duv: number;
}

/** Balances a camera is set to, K [common practice]: what a shift may be where nobody knows. */
const USUAL_K = [2800, 3200, 4300, 5000, 5600, 6500, 7500];

/** How the light on a grey box differs between two pictures. */
export function balanceShift(
  first: readonly number[],
  second: readonly number[],
  balanceK: number | null,
): BalanceShift {
  const shiftAt = (kelvin: number) => {
    const [a, b] = [lightOnGrey(first, kelvin), lightOnGrey(second, kelvin)];
    return { mired: mired(b.cctK) - mired(a.cctK), duv: b.duv - a.duv };
  };
  if (balanceK !== null) {
    const known = shiftAt(balanceK);
    return { ...known, range: [known.mired, known.mired] };
  }
  const all = USUAL_K.map(shiftAt);
  const shifts = all.map((each) => each.mired);
  const mean = (values: readonly number[]) =>
    values.reduce((sum, value) => sum + value, 0) / values.length;
  return {
    mired: mean(shifts),
    range: [Math.min(...shifts), Math.max(...shifts)],
    duv: mean(all.map(({ duv }) => duv)),
  };
}
