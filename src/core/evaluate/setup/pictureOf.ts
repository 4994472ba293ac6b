import { sourceField } from '../../light/lightField';
import { minus, type Vector } from '../../light/vector';
import { clusters } from '../../light/clusters';
import { axesOf, placeInto } from '../../set/pose';
import { directFrom } from '../../set/placed';
import { poseOf, type Scene, type SetLight } from '../../set/scene';
import type { Geometry, LightAlone } from '../../set/solve';
import type { Setup } from '../../set/setup';
import type { PictureLamp, PictureScene } from '../../set/picture/pictureScene';

/** Where the camera stands and how wide it sees. */
const cameraOf = ({ camera }: Setup): PictureScene['camera'] => ({
  axes: axesOf(poseOf(camera)),
  halfM: camera.sensorMm / camera.focalMm / 2,
});

/** @param key  of everything in it */
export function pictureScene(
  setup: Setup,
  scene: Scene,
  geometry: Geometry,
  key: string,
): PictureScene {
  const indexOf = new Map(scene.faces.map((face, k) => [face.id, k]));
  return {
    key,
    camera: cameraOf(setup),
    faces: scene.faces,
    shell: scene.shell,
    cut: geometry.faces.map((face, k) => ({ face: indexOf.get(face.id)!, ...geometry.cuts[k]! })),
    balls: scene.balls,
    heads: scene.heads,
    glasses: scene.glasses,
  };
}

/** Ahead of a light its picture’s sources are looked for from here, m. */
const AHEAD_M = 2;

/** What a light looks like to the camera, lm/m² on white: its candela that way over the area it shows. */
function frontOf({ widthM, heightM, pose, ...light }: SetLight, cameraM: Vector): number {
  const way = minus(cameraM, pose.at);
  const away = Math.hypot(...way);
  const { z } = axesOf(pose);
  const cosine = (way[0] * z[0] + way[1] * z[1] + way[2] * z[2]) / away;
  if (cosine <= 0.02) return 0;
  const toLight: Vector = [-way[0] / away, -way[1] / away, -way[2] / away];
  const candela = directFrom({ ...light, pose })(cameraM, toLight) * away ** 2;
  return (Math.PI * candela) / (widthM * heightM * cosine);
}

/** Sources that stand for a light: the wider it looks, the more its half-shadows ask for. */
const lampsFor = (angleRad: number): number =>
  Math.min(24, Math.max(1, Math.round((angleRad / 0.06) ** 2)));

/** A light as pictures draw it: sources that stand for it as it shows from where it is aimed, together as bright as it is there. */
export function pictureLamp(
  scene: Scene,
  light: SetLight,
  alone: LightAlone,
  key: string,
): PictureLamp {
  const { field, frontM, pose, widthM, heightM } = light;
  const [head] = scene.heads;
  const ahead: Vector = [0, 0, frontM + AHEAD_M];
  const seen = head ? placeInto(axesOf(pose), head.at, frontM) : ahead;
  const from = seen[2] > frontM + 0.2 ? seen : ahead;
  const far = Math.hypot(from[0], from[1], from[2] - frontM);
  const normal: Vector = [-from[0] / far, -from[1] / far, (frontM - from[2]) / far];
  const shown = field.sourcesFrom(from);
  const shownLx = sourceField(shown, field.passages).illuminance(from, normal);
  const by = shownLx > 0 ? field.illuminance(from, normal) / shownLx : 1;
  const scaledBy = shown.map((source) => ({
    ...source,
    luminousFluxLm: source.luminousFluxLm * by,
  }));
  const lamps = lampsFor(Math.max(widthM, heightM) / far);
  return {
    key,
    id: light.id,
    lamps: clusters(scaledBy, lamps, 0),
    fine: clusters(scaledBy, 4 * lamps, 0),
    controls: light.controls,
    frontM,
    pose,
    widthM,
    heightM,
    frontLmPerM2: frontOf(light, scene.cameraM),
    bounced: alone.bounced,
    around: alone.around,
  };
}
