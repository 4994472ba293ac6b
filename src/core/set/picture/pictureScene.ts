import type { Control } from '../../light/controls';
import type { Cluster } from '../../light/clusters';
import type { Bands, Face } from '../faces';
import type { Cut } from '../between';
import type { Ball } from '../placed';
import type { Axes, Pose } from '../pose';
import type { SetGlass, SetHead } from '../scene';

/** A light as the camera’s picture draws it: plain data, so that any worker can. */
export interface PictureLamp {
  /** another key, another light on what is seen; how far it is turned up is not in it */
  key: string;
  id: string;
  lamps: readonly Cluster[];
  /** more of them, where something stands between */
  fine: readonly Cluster[];
  controls: readonly Control[];
  frontM: number;
  pose: Pose;
  widthM: number;
  heightM: number;
  /** lm/m² its front seems to send towards the camera: how bright it is in the picture */
  frontLmPerM2: number;
  /** lx by way of surfaces on each patch, by band */
  bounced: readonly [Float64Array, Float64Array, Float64Array];
  /** the same at each head, on surfaces that look along ± x, ± y and ± z */
  around: Readonly<Record<string, readonly Bands[]>>;
}

interface PictureCamera {
  axes: Axes;
  /** half the picture’s width at one metre */
  halfM: number;
}

/** A set as the camera sees it. */
export interface PictureScene {
  /** another key, another picture of where things stand */
  key: string;
  camera: PictureCamera;
  faces: readonly Face[];
  shell: number;
  /** of `faces`, those that are cut into patches, and where their patches begin */
  cut: readonly (Cut & { face: number })[];
  balls: readonly Ball[];
  heads: readonly SetHead[];
  glasses: readonly SetGlass[];
}

export const PICTURE = { wide: 16, high: 9 };
