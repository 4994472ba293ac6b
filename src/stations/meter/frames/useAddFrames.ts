import { nanoid } from 'nanoid';
import { useState } from 'react';
import type { Frame } from '@/core/meter/framesRecord';
import type { Session } from '@/core/meter/session';
import { ownOffset } from '@/core/meter/simulated';
import { ask } from '@/workers/pool';
import { useAddPictures } from '../../records/useAddPictures';
import { useProduction, useProductionStore } from '../../store/context';
import type { Meter } from '../useMeter';

const NOTHING = { exposureS: null, fNumber: null, isoSpeed: null, focalM: null, camera: '' };

/** A wave that a mains dimmer leaves on light: twice the mains, and deep [typ: from memory]. */
const DIMMED = { hz: 100, modulation: 0.35 };
/** Furthest the simulated camera's scale lies off its settings, stops. */
const OWN_STOPS = 0.6;

/** Puts frames into a session: the picture is kept, what its file says of the exposure is written beside it. */
export function useAddFrames(session: Session, meter: Meter) {
  const document = useProduction((state) => state.document);
  const store = useProductionStore();
  const [taking, setTaking] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const put = (frame: Partial<Frame> & Pick<Frame, 'pictureId' | 'name'>) => {
    // Of the document as it is now: several frames come one after another.
    const now = store.getState().document.sessions.find(({ id }) => id === session.id) ?? session;
    const orders = Object.values(now.frames.shots).map(({ order }) => order);
    return meter.frames(now, `frame ${frame.name}`, ({ shots }) => {
      shots[nanoid(8)] = {
        ...NOTHING,
        role: 'scene',
        order: Math.max(-1, ...orders) + 1,
        struck: null,
        simulated: false,
        ...frame,
      };
    });
  };
  const simulated = new WeakMap<File, Partial<Frame>>();
  const pictures = useAddPictures({}, session.name, async (picture, file) => {
    const known = simulated.get(file);
    if (known) return put({ pictureId: picture.id, name: picture.name, ...known });
    const { exposureS, fNumber, isoSpeed, focalM, camera } = await ask(
      async (api) => api.fileExposure(file),
      { priority: 'soon' },
    );
    const { id, name } = picture;
    return put({ pictureId: id, name, exposureS, fNumber, isoSpeed, focalM, camera });
  });
  /** Two frames of a head with a card: one in the light as it is, one as a mains dimmer would leave it. */
  const simulate = async (buildId: string) => {
    setTaking(true);
    setWrong(null);
    const own = ownOffset(session.id, OWN_STOPS);
    const taken = await ask(
      async (api) =>
        api.simulatedFrames(document, buildId, [
          { ownStops: own, wave: null, seed: 11 },
          { ownStops: own, wave: { ...DIMMED, phase: 1 }, seed: 12 },
        ]),
      { priority: 'soon' },
    ).catch((error: Error) => error);
    setTaking(false);
    if (taken instanceof Error) return setWrong(taken.message);
    if (!taken.ok) return setWrong(taken.problems[0]!.message);
    const files = taken.value.map(({ file, exposure }, k) => {
      const name = k === 0 ? 'simulated, steady.jpg' : 'simulated, on a dimmer.jpg';
      const made = new File([file], name, { type: 'image/jpeg' });
      simulated.set(made, { ...exposure, camera: 'Simulated camera', simulated: true });
      return made;
    });
    await pictures.add(files);
    const [first] = taken.value;
    meter.frames(session, 'read-out of the simulated camera', ({ camera }) => {
      camera.readOutS = first!.readOutS;
    });
  };
  return {
    ...pictures,
    busy: pictures.busy + (taking ? 1 : 0),
    problems: wrong ? [wrong, ...pictures.problems] : pictures.problems,
    simulate,
  };
}
