import { bakeHead } from '../mannequin/grid';
import { LitPicture } from '../picture/lit';
import type { PictureLight } from '../picture/scene';
import { seeRows } from '../picture/sight';
import type { Shot } from '../location/shot';
import { shotTargetLx } from './light';
import { shotPose } from './glow/scene';

/** Pixels of a square picture. */
export type FacePixels = Uint8ClampedArray<ArrayBuffer>;

/**
 * The head in a light at its shot's distance, brought to the shot's level: small, for lists.
 * @param size edge, pixels
 */
export function facePicture(
  light: PictureLight,
  shot: Shot,
  size: number,
  rays: number,
): FacePixels {
  const grid = bakeHead();
  const picture = new LitPicture(seeRows(grid, size), grid, light, shotPose(shot), {
    first: 0,
    every: 1,
  });
  // Of a face the rows are all one worker’s.
  picture.refineInPlace(rays);
  const targetLx = shotTargetLx({ ...shot, offsetStops: 0 });
  return picture.develop({ skin: 'light', targetLx, matched: true }).pixels;
}
