import { cctCss, uvCss } from '@/core/colour/display';
import type { LightState } from '@/core/set/state';

/** A screen colour that tells what a light is turned to. */
export const colourOf = ({ uv, cctK }: Pick<LightState, 'uv' | 'cctK'>): string =>
  uv ? uvCss(uv) : cctCss(cctK);
