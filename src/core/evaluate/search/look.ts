import type { View } from '../../drawing/drawing';
import { cannotRun, READOUT_RUN, simulateQuickly } from '../../light/transport/run';
import { JUDGED } from '../../location/use';
import { Derivations } from '../derive';
import { facePicture, type FacePixels } from '../facePicture';
import { buildPicture, fixturePicture } from '../glow/scene';
import type { Judged } from './judged';
import type { Question } from './question';
import { withFound } from './refine';

/** How an answer looks: the face in it, where a face is lit, and how it is drawn, where it is made. */
export interface Look {
  size: number;
  face: FacePixels | null;
  view: View | null;
}

/** @param size edge of the face, pixels */
export function lookOf(found: Judged, question: Question, size: number, rays: number): Look {
  const { shot, document } = question;
  const person = JUDGED[shot.use].person;
  const fixture = document.fixtures.find(({ id }) => id === found.of);
  if (found.way === 'buy' || found.way === 'hire') {
    const light = person && fixture ? fixturePicture(fixture, shot) : null;
    return { size, face: light && facePicture(light, shot, size, rays), view: null };
  }
  const { document: with_, buildId } = withFound(found, question);
  const build = with_.builds.find(({ id }) => id === buildId)!;
  const derive = new Derivations();
  const drawing = derive.drawing(with_, build);
  const view = drawing?.views[0] ?? null;
  const room = person ? derive.room(with_, build) : null;
  const followed = room && cannotRun(room.arrangement, READOUT_RUN) === null;
  const run = followed ? simulateQuickly(room.arrangement, READOUT_RUN.seed) : null;
  const light = person ? buildPicture(with_, buildId, run) : null;
  return {
    size,
    face: light && facePicture(light, shot, size, rays),
    view: view && { ...view, dimensions: [], handles: [] },
  };
}
