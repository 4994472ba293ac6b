import type { Wash } from '../light/wash';
import { turnDeg } from './pose';
import { lookOf } from './scene';
import type { BackdropThing, LightThing } from './things';

export type WashPose = Pick<LightThing, 'xM' | 'yM' | 'zM' | 'panDeg' | 'tiltDeg'>;
const rounded = (value: number) => Number(value.toFixed(2));

/** To the right of who looks at a backdrop: one that looks at the camera has it at + x. */
export const rightOf = ({ panDeg }: Pick<BackdropThing, 'panDeg'>): readonly [number, number] => {
  const look = lookOf(panDeg);
  return [-look[1], look[0]];
};

/** Where a light of a wash stands before a backdrop. @param sign  − 1 left, + 1 right of its middle, 0 for one alone */
export function washAt(
  backdrop: BackdropThing,
  { distanceM, spacingM, toeInRad }: Pick<Wash, 'distanceM' | 'spacingM' | 'toeInRad'>,
  sign: -1 | 0 | 1,
): WashPose {
  const { heightM, panDeg, xM, yM, bottomM } = backdrop;
  const look = lookOf(panDeg);
  const side = rightOf(backdrop);
  const off = (sign * spacingM) / 2;
  return {
    xM: rounded(xM + look[0] * distanceM + side[0] * off),
    yM: rounded(yM + look[1] * distanceM + side[1] * off),
    zM: rounded(bottomM + heightM / 2),
    panDeg: rounded(turnDeg(panDeg + 180 + sign * ((toeInRad * 180) / Math.PI))),
    tiltDeg: 0,
  };
}
