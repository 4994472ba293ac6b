import type { Production } from '@/core/document/production';
import { buildPicture, shotPose } from '@/core/evaluate/glow/scene';
import { findBuild } from '@/core/evaluate/context';
import { shotOf } from '@/core/document/blank';
import { exposureFor, simulatedFrame, type SimulatedCamera } from '@/core/frames/simulatedFrame';
import { bakeHead } from '@/core/mannequin/grid';
import { LitPicture } from '@/core/picture/lit';
import { seeRows } from '@/core/picture/sight';
import { accept, refuse, type Result } from '@/core/result';

/** Edge of the head, and rays: clean enough for a camera with some noise of its own. */
const [SIZE, RAYS] = [320, 16];

export interface TakenFrame {
  file: Blob;
  exposure: SimulatedCamera['exposure'];
  readOutS: number;
}

export type CameraAsked = Pick<SimulatedCamera, 'ownStops' | 'wave' | 'seed'>;

const READ_OUT_S = 0.02;

/** A head with a grey card in the light of a build, by a camera that is not there; a frame for each that is asked for. */
export async function simulatedFrames(
  document: Production,
  buildId: string,
  asked: readonly CameraAsked[],
): Promise<Result<TakenFrame[]>> {
  const build = findBuild(document, buildId);
  const light = build && buildPicture(document, buildId, null);
  if (!build || !light || light.faceLx <= 0)
    return refuse('dark', 'This light gives nothing yet that a camera could see.', 'build');
  const grid = bakeHead();
  const rows = { first: 0, every: 1 };
  const sight = seeRows(grid, SIZE, 0, 1, 'face');
  const picture = new LitPicture(sight, grid, light, shotPose(shotOf(document, build)), rows);
  picture.refineInPlace(RAYS);
  const scene = { size: SIZE, whiteLx: picture.whiteLx('light'), cardLx: light.faceLx };
  const exposure = exposureFor(light.faceLx);
  const frames: TakenFrame[] = [];
  for (const each of asked) {
    const { edge, pixels } = simulatedFrame(scene, { ...each, exposure, readOutS: READ_OUT_S });
    const canvas = new OffscreenCanvas(edge, edge);
    canvas.getContext('2d')!.putImageData(new ImageData(pixels, edge, edge), 0, 0);
    const file = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.92 });
    frames.push({ file, exposure, readOutS: READ_OUT_S });
  }
  return accept(frames);
}
