import { prepareControls, type Control } from '../light/controls';
import type { Vector } from '../light/vector';
import { packEmitters, type EmitterField, type Emitter } from '../light/emitter';
import { illuminanceLx } from '../light/illuminance';
import { clusters, type Cluster } from '../light/clusters';

/** Where a light stands: on a sphere round the face, facing it. */
export interface Pose {
  distanceM: number;
  /** to the camera's right, radians; 0 beside the camera */
  azimuthRad: number;
  /** upwards */
  elevationRad: number;
}

/** One light in front of the head, as plain data: what a worker needs to draw it. */
export interface PictureLight {
  lamps: Cluster[];
  controls: readonly Control[];
  frontM: number;
  /** colour of the light as the camera records it, per channel, luminance kept */
  tint: readonly [number, number, number];
  /** lux on the axis at the face, as the readouts say it: the picture is scaled to it */
  faceLx: number;
}

/** Sources drawn at most: the head's half-shadows need no more. */
export const MOST_LAMPS = 64;

/** Of any light's sources, those that stand for it in pictures. */
export const lampsOf = (sources: readonly Emitter[], ownHalfM: number): Cluster[] =>
  clusters(sources, MOST_LAMPS, ownHalfM);

/** A fixture's front as an even Lambertian rectangle that gives the stated lux at a distance. */
export function frontLamps(
  widthM: number,
  heightM: number,
  lx: number,
  distanceM: number,
): Cluster[] {
  const cells = 8;
  const half: Vector = [widthM / cells / 2, heightM / cells / 2, 0];
  const unit = Array.from({ length: cells * cells }, (_, k): Cluster => ({
    source: {
      positionM: [
        (((k % cells) + 0.5) / cells - 0.5) * widthM,
        ((Math.floor(k / cells) + 0.5) / cells - 0.5) * heightM,
        0,
      ],
      axis: [0, 0, 1],
      luminousFluxLm: 1,
      spread: { class: 'lambert' },
    },
    half,
  }));
  const field = packEmitters(unit.map(({ source }) => source));
  const scale = lx / illuminanceLx(field, [0, 0, distanceM], [0, 0, -1]);
  return unit.map(({ source }) => ({ source: { ...source, luminousFluxLm: scale }, half }));
}

/** A light placed in the room: kernels ready, and the way from the room's axes into its own. */
export interface PlacedLight {
  field: EmitterField;
  /** unit axes of the light in the room, row by row, and its origin */
  axes: Float64Array;
  origin: Float64Array;
  /** places of its sources in the room */
  places: Float64Array;
  half: Float64Array;
  /** flux summed up to and with each source, last 1 */
  shares: Float64Array;
}

export function placeLight(light: PictureLight, pose: Pose): PlacedLight {
  const { azimuthRad: a, elevationRad: e } = pose;
  const way = [Math.sin(a) * Math.cos(e), Math.sin(e), Math.cos(a) * Math.cos(e)] as const;
  const far = pose.distanceM + light.frontM;
  // z looks at the face, x lies level, y completes them.
  const axes = Float64Array.of(
    -Math.cos(a),
    0,
    Math.sin(a),
    -Math.sin(a) * Math.sin(e),
    Math.cos(e),
    -Math.cos(a) * Math.sin(e),
    -way[0],
    -way[1],
    -way[2],
  );
  const origin = Float64Array.of(way[0] * far, way[1] * far, way[2] * far);
  const { lamps } = light;
  const places = new Float64Array(lamps.length * 3);
  const half = new Float64Array(lamps.length * 3);
  const shares = new Float64Array(lamps.length);
  const total = lamps.reduce((sum, { source }) => sum + source.luminousFluxLm, 0);
  let sum = 0;
  lamps.forEach(({ source, half: own }, k) => {
    const [x, y, z] = source.positionM;
    for (let i = 0; i < 3; i++)
      places[k * 3 + i] = origin[i]! + x * axes[i]! + y * axes[3 + i]! + z * axes[6 + i]!;
    half.set(own, k * 3);
    sum += source.luminousFluxLm / total;
    shares[k] = sum;
  });
  return {
    field: packEmitters(
      lamps.map(({ source }) => source),
      prepareControls(light.controls),
    ),
    axes,
    origin,
    places,
    half,
    shares,
  };
}
