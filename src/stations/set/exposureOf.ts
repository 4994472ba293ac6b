import { blankShot } from '@/core/document/blank';
import { shotTargetLx } from '@/core/evaluate/light';
import type { Shot } from '@/core/location/shot';
import type { Setup } from '@/core/set/setup';

/** Light a setup's shot wants, and light that makes a grey card mid-grey: what is wanted brighter is brighter in its picture. */
export function exposureOf(
  shots: readonly Shot[],
  { shotId }: Setup,
): { targetLx: number; greyLx: number } {
  const shot = shots.find(({ id }) => id === shotId) ?? blankShot('none', 'None');
  const targetLx = shotTargetLx(shot);
  return { targetLx, greyLx: targetLx / 2 ** shot.offsetStops };
}
